import { layOut, type LayOutOptions } from '../layout';
import { widestMm } from '../neck';
import type { Instrument, Layout, ScaleRef, Seam, Shape } from '../types';

/** The places two shapes share, with the finger each has for it, and how far the hand moves between them. */
export function seamBetween(i: Instrument, below: Shape, above: Shape): Seam {
  const fingers = new Map(below.notes.map((n) => [`${n.string}/${n.fret}`, n.finger ?? 0]));
  const shared = above.notes.flatMap((n) => {
    const fingerBelow = fingers.get(`${n.string}/${n.fret}`);
    return fingerBelow === undefined ? [] : [{ place: { string: n.string, fret: n.fret }, fingerBelow, fingerAbove: n.finger ?? 0 }];
  });
  const strings = i.strings.map((_, k) => k + 1);
  const shiftMm = Math.abs(widestMm(i, strings, below.handFret, above.handFret));
  return { shared, shiftFrets: above.handFret - below.handFret, shiftMm };
}

/** All shapes of a layout in order up the neck; `seams[k]` joins `rungs[k]` and `rungs[k+1]`. Throws what layOut throws. */
export function ladder(i: Instrument, ref: ScaleRef, layout: Layout, o: LayOutOptions = {}): { rungs: Shape[]; seams: Seam[] } {
  const rungs = layOut(i, ref, layout, o);
  return { rungs, seams: rungs.slice(1).map((above, k) => seamBetween(i, rungs[k], above)) };
}
