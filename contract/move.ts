import type { Instrument, Place, ScaleRef } from '../core';

export type MoveKeep = 'sound' | 'shape' | 'layout';

/** The four moves, never mixed up. */
export type StudyMove =
  /** Half steps, folds included. */
  | { readonly kind: 'key'; readonly by: number }
  | { readonly kind: 'root'; readonly string: number }
  /** Parallel: the root stays and notes change. Relative: the notes stay and the root changes. */
  | { readonly kind: 'mode'; readonly scale: ScaleRef; readonly how: 'parallel' | 'relative' }
  | { readonly kind: 'tuning'; readonly instrument: Instrument; readonly keep: MoveKeep };

/** What could not follow: it stays as it was, and is marked. */
export interface MoveLeft {
  readonly kind: 'lick' | 'route' | 'pins';
  readonly id: string;
  readonly name: string;
  readonly count: number;
}

/** What a move makes of one shape or line: places before and after, each with its neck and scale. */
export interface MovePreview {
  readonly before: { readonly instrument: Instrument; readonly scale: ScaleRef; readonly places: Place[] };
  readonly after: { readonly instrument: Instrument; readonly scale: ScaleRef; readonly places: Place[] } | null;
  /** Places before whose sound there is no more. */
  readonly gone: Place[];
  /** Scale that kept frets sound now; null for none with a name, undefined where it is not asked. */
  readonly became?: ScaleRef | null;
}
