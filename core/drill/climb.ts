import { fail } from '../errors';
import type { Shape, ShapeNote } from '../types';
import { drillNotes, plainNote } from './sequence';
import type { DrillNote, DrillOptions } from './types';

/** How rungs follow one another: each in the drill's own order before the next, or up one and down the next. */
export type RungMotion = 'each' | 'alternate';

/** How all rungs of a ladder are played in one drill. */
export interface RungOptions extends DrillOptions {
  /** How the drill goes from rung to rung. */
  readonly motion: RungMotion;
  /** The root of each rung, its lowest, is touched before it. */
  readonly touchRoot?: boolean;
}

/** Rung after rung along the ladder, with what the shapes know of their notes. Throws what drillSequence throws, and BAD_OPTION without rungs. */
export function rungNotes(shapes: readonly Shape[], o: RungOptions): ShapeNote[] {
  if (!shapes.length) fail('BAD_OPTION', 'rungs', 'rungs: there are none to play.');
  return shapes.flatMap((shape, k) => {
    const order = o.motion === 'each' ? o.order : k % 2 ? 'down' : 'up';
    const run = drillNotes(shape, { ...o, order, down: undefined, start: undefined });
    const root = o.touchRoot ? rootOf(shape) : undefined;
    return root ? [root, ...(run[0]!.string === root.string && run[0]!.fret === root.fret ? run.slice(1) : run)] : run;
  });
}

const rootOf = (shape: Shape): ShapeNote | undefined => shape.notes.find((n) => n.role === 'root');

/** The same as plain notes. */
export const rungSequence = (shapes: readonly Shape[], o: RungOptions): DrillNote[] => rungNotes(shapes, o).map(plainNote);
