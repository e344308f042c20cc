import { checkWhole } from '../errors';
import { checkInstrument, checkPlace, nutFret } from '../instrument';
import { chromaOf } from '../pitch';
import { bestTonic } from '../scale';
import type { Instrument, Place, ScaleRef } from '../types';

/** Half steps that a key can be moved by at most: the frets of the longest neck. */
const MOST = 36;

/**
 * A shape in another key: every note the same number of frets along its string, `by` half steps and what twelve frets
 * more or less make of it. Every fit on the neck, nearest to where the shape was first; `folded` says how many times
 * twelve frets were added. Empty where no fold of it fits. Example: by 3 also fits 9 frets down, folded -1.
 * Throws BAD_PLACE, BAD_OPTION.
 * @example toKey(six, [{ string: 6, fret: 5 }], 2)[0].places // [{ string: 6, fret: 7 }]
 */
export function toKey(i: Instrument, shape: readonly Place[], by: number): { readonly places: Place[]; readonly folded: number }[] {
  checkInstrument(i);
  checkWhole('BAD_OPTION', 'by', by, -MOST, MOST);
  shape.forEach((p, k) => checkPlace(i, p, `shape[${k}]`));
  if (!shape.length) return [];
  const frets = shape.map((p) => p.fret);
  const [down, up] = [nutFret(i) - Math.min(...frets), i.frets - Math.max(...frets)];
  const fits: { readonly by: number; readonly folded: number }[] = [];
  for (let folded = -6; folded <= 6; folded++) {
    const moved = by + 12 * folded;
    if (moved >= down && moved <= up) fits.push({ by: moved, folded });
  }
  return fits
    .sort((a, b) => Math.abs(a.by) - Math.abs(b.by) || a.by - b.by)
    .map(({ by: moved, folded }) => ({ places: shape.map((p) => ({ string: p.string, fret: p.fret + moved })), folded }));
}

/**
 * A scale some half steps higher, on the tonic that writes it with fewest signs. Example: E♭ Lydian down 1 is D Lydian. Throws UNKNOWN_SCALE, BAD_NOTE.
 * @example movedKey(dorian, 2) // { tonic: 'E', scale: 'dorian' }
 */
export const movedKey = (ref: ScaleRef, by: number): ScaleRef => ({ ...ref, tonic: bestTonic(chromaOf(ref.tonic) + by, ref.scale) });
