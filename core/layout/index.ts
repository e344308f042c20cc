import { CoreError, fail, shown } from '../errors';
import { checkHand } from '../fingering';
import { checkPlace } from '../instrument';
import { placeKey, scaledNeck, type RoleOptions } from '../neck';
import type { FingeringSchool, Hand, Instrument, Layout, LayoutKind, LayoutOf, Place, PlacePin, ScaleRef, Shape } from '../types';
import { layAnchor } from './anchor';
import { layBoxes } from './box';
import { layDiagonal } from './diagonal';
import { layOneString } from './one-string';
import { layPerString } from './per-string';
import { layPlaces } from './places';
import { reanchored } from './reanchor';
import { layRegion } from './region';
import { benchOf, shapeOf, type Bench, type Draft } from './shape';
import { laySplit } from './split';
import { layStringSet } from './string-set';
import { layWindows } from './window';

/** A new layout is one file and one line here. */
const LAYOUTS: { [K in LayoutKind]: (bench: Bench, layout: LayoutOf<K>) => Draft[] } = {
  window: layWindows,
  box: layBoxes,
  'per-string': layPerString,
  'one-string': layOneString,
  'string-set': layStringSet,
  diagonal: layDiagonal,
  split: laySplit,
  region: layRegion,
  anchor: layAnchor,
  places: layPlaces,
};

/** The hand a layout is meant for where the player names none (docs/decisions.md). */
export function defaultSchool(layout: Layout): FingeringSchool {
  if (layout.kind === 'diagonal') return 'first-and-third';
  if (layout.kind === 'string-set') return 'stretch';
  if (layout.kind === 'per-string' || layout.kind === 'anchor') return layout.notes >= 3 ? 'stretch' : 'finger-per-fret';
  return layout.kind === 'split' && (layout.notes ?? 3) >= 3 ? 'stretch' : 'finger-per-fret';
}

export interface LayOutOptions extends RoleOptions {
  school?: FingeringSchool;
  hand?: Hand;
  /** Fingers settled by place; the rest of each shape is solved round them. One that the hand cannot do there is let go. */
  pins?: readonly PlacePin[];
}

/**
 * All shapes of a scale on an instrument in one school of cutting the neck, from the nut up, folded copies included.
 * Throws NO_SHAPE_FITS where nothing whole lies on the neck, NO_SKELETON for boxes of a scale without one,
 * BAD_LAYOUT, BAD_PLACE, NOT_IN_SCALE for options out of range, and what the checks of instrument and scale throw.
 * Example: B♭ minor pentatonic boxes in E A D G B E on 22 frets: ten shapes, box 4 at the nut first.
 */
export function layOut(i: Instrument, ref: ScaleRef, layout: Layout, o: LayOutOptions = {}): Shape[] {
  if (!layout || !Object.hasOwn(LAYOUTS, layout.kind))
    fail('BAD_LAYOUT', 'layout.kind', `layout.kind: "${shown(layout?.kind)}" is none of ${Object.keys(LAYOUTS).join(', ')}.`);
  const school = o.school ?? defaultSchool(layout);
  checkHand(school, o.hand);
  const bench = benchOf(scaledNeck(i, ref, o), school, o.hand, o.pins);
  const lay = LAYOUTS[layout.kind] as (b: Bench, l: Layout) => Draft[];
  const shapes = lay(bench, layout).map((d) => shapeOf(bench, layout.kind, d));
  if (!shapes.length)
    fail(
      'NO_SHAPE_FITS',
      'layout',
      'No whole shape of this layout fits on this neck. Use fewer notes per string, more frets, or another layout.',
    );
  return layout.kind === 'window' ? shapes : shapes.sort((a, b) => a.lowFret - b.lowFret || a.highFret - b.highFret);
}

/** The layout as it can stand here: see reanchored. Throws where scale or instrument do not hold. */
export const anchoredLayout = (i: Instrument, ref: ScaleRef, layout: Layout): Layout =>
  reanchored(i, ref, layout, (l) => layOut(i, ref, l));

/** Layouts that places are recognised by, the commonest first. */
const KNOWN: Layout[] = [
  { kind: 'box', numbering: 'minor-root' },
  ...[2, 3, 4, 1, 5, 6].map((notes): Layout => ({ kind: 'per-string', notes })),
  { kind: 'split' },
  ...(['index', 'little', 'nearer'] as const).map((stretch): Layout => ({ kind: 'window', stretch })),
];

/** Which layout and number a set of places is a whole shape of, or null. Order of the places does not matter. */
export function nameShape(i: Instrument, ref: ScaleRef, places: Place[]): { layout: Layout; number: number; label: string } | null {
  places.forEach((p, k) => checkPlace(i, p, `places[${k}]`));
  const key = keyOf(places);
  for (const layout of KNOWN) {
    const found = tryLayOut(i, ref, layout).find((s) => keyOf(s.notes) === key);
    if (found) return { layout, number: found.number, label: found.label };
  }
  return null;
}

const keyOf = (places: Place[]): string => [...new Set(places.map(placeKey))].sort().join();

/** The shapes, or none where the layout does not exist for this scale and neck. */
function tryLayOut(i: Instrument, ref: ScaleRef, layout: Layout): Shape[] {
  try {
    return layOut(i, ref, layout);
  } catch (e) {
    if (e instanceof CoreError && (e.code === 'NO_SKELETON' || e.code === 'NO_SHAPE_FITS')) return [];
    throw e;
  }
}

export { nearestRoot, rootPlaces } from './reanchor';
export { MOST_PLACES } from './places';
export { pinsIn, shapeRef, type PinHere } from './pins';
