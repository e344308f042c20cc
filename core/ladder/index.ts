import { placeKey } from '../place';
import { layOut, type LayOutOptions } from '../layout';
import { widestMm } from '../neck';
import type { Instrument, Layout, Place, ScaleRef, Seam, Shape } from '../types';

/** Every place of a shape once, lowest string first. */
const placesIn = (s: Shape): (Place & { readonly finger: number })[] =>
  s.cells.flatMap((c) => c.frets.map((fret, k) => ({ string: c.string, fret, finger: c.fingers[k]! })));

/** The places two shapes share, with the finger each has for it, and how far the hand moves between them. */
export function seamBetween(i: Instrument, below: Shape, above: Shape): Seam {
  const fingers = new Map(placesIn(below).map((p) => [placeKey(p), p.finger]));
  const shared = placesIn(above).flatMap(({ finger, ...place }) => {
    const fingerBelow = fingers.get(placeKey(place));
    return fingerBelow === undefined ? [] : [{ place, fingerBelow, fingerAbove: finger }];
  });
  const strings = i.strings.map((_, k) => k + 1);
  const shiftMm = Math.abs(widestMm(i, strings, below.handFret, above.handFret));
  return { shared, shiftFrets: above.handFret - below.handFret, shiftMm };
}

/**
 * All shapes of a layout in order up the neck; `seams[k]` joins `rungs[k]` and `rungs[k+1]`. Throws what layOut throws.
 * @example ladder(six, minor, boxes).rungs.length // 9
 */
export function ladder(
  i: Instrument,
  ref: ScaleRef,
  layout: Layout,
  o: LayOutOptions = {},
): { readonly rungs: Shape[]; readonly seams: Seam[] } {
  const rungs = layOut(i, ref, layout, o);
  return { rungs, seams: rungs.slice(1).map((above, k) => seamBetween(i, rungs[k]!, above)) };
}
