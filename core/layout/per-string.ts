import { checkWhole } from '../errors';
import type { ScaledNeck } from '../neck';
import { relatedModes, scaleTitle } from '../scale';
import type { LayoutOf, Place } from '../types';
import { climb, isWhole, scaleClasses, startsOn } from './climb';
import type { Bench, Draft } from './shape';

/** One whole n-per-string shape, string by string, and the scale note it starts on (0 is the root). */
export interface Tier {
  index: number;
  cells: Place[][];
}

/** All whole n-per-string shapes up the neck. Throws BAD_LAYOUT unless n is 1 to 6. */
export function tiersOf(neck: ScaledNeck, notes: number): Tier[] {
  checkWhole('BAD_LAYOUT', 'layout.notes', notes, 1, 6);
  const classes = scaleClasses(neck);
  const counts = neck.upward.map(() => notes);
  return startsOn(neck, classes, neck.upward[0])
    .map(({ midi, index }) => ({ index, cells: climb(neck, classes, midi, neck.upward, counts) }))
    .filter((t) => isWhole(neck, t.cells));
}

/** The mode that starts on each scale note, where the scale is a mode of a catalogue family; else "shape 1", "shape 2" ... */
export function startNames(neck: ScaledNeck): string[] {
  const modes = relatedModes(neck.ref);
  const known = modes.every((m) => scaleTitle(m.scale) !== m.scale || !/^1 /.test(m.scale));
  return modes.map((m, k) => (known ? `${m.tonic} ${scaleTitle(m.scale)}` : `shape ${k + 1}`));
}

/** n notes on every string, a shape for each scale note the lowest string can start on (common practice, no published source). */
export function layPerString(bench: Bench, layout: LayoutOf<'per-string'>): Draft[] {
  const tiers = tiersOf(bench.neck, layout.notes);
  const names = startNames(bench.neck);
  return tiers.map((t) => ({ number: t.index + 1, label: names[t.index], places: t.cells.flat() }));
}
