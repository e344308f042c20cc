import { placeIndex } from '../../place';
import type { Line } from '../route';
import { ARRIVED, checkStrings, lineThrough, placeSet, type Crossing, type Ways } from './way';

/**
 * Change hands on a note that two neighbouring rungs share; `strings` says on which strings. The hand stays for a few
 * notes in every rung on the way; where the rungs lie too close for that, it may pass through those between.
 */
export function seamWay(c: Crossing): Ways {
  const strings = checkStrings(c, 'strings', { min: 1, max: 12 });
  const sets = c.rungs.map((r) => placeSet(r.notes));
  const held = placeSet(c.request.held ?? []);
  const ends = c.rungs.length - 1;
  const onSeam = (p: { readonly string: number; readonly fret: number }, to: number): boolean =>
    sets[to]!.has(placeIndex(p)) || held.has(placeIndex(p));
  const line = (between: number): Line => {
    const parts = c.rungs.map((r, k) => ({ places: r.notes, rung: c.numbers[k]!, least: k === 0 || k === ends ? ARRIVED : between }));
    return lineThrough(c, parts, (a, _, to) => onSeam(a, to) && (!strings || strings.includes(a.string)));
  };
  return { lines: [line(ARRIVED)], ...(ends > 1 ? { otherwise: [line(1)] } : {}) };
}
