import { CoreError } from '../errors';
import { neckNotes } from '../neck';
import type { Instrument, Layout, Place, ScaleRef, Shape } from '../types';

/** Every place of the tonic, string 1 first. */
export const rootPlaces = (i: Instrument, scale: ScaleRef): Place[] =>
  neckNotes(i, scale)
    .filter((n) => n.role === 'root')
    .map(({ string, fret }) => ({ string, fret }));

const nearest = (places: Place[], near: Place): Place => {
  const cost = (p: Place): number => Math.abs(p.fret - near.fret) + (p.string === near.string ? 0 : 100 + Math.abs(p.string - near.string));
  return places.reduce((a, b) => (cost(b) < cost(a) ? b : a));
};

/** The root place nearest to a fret, on the same string if it has one. */
export const nearestRoot = (i: Instrument, scale: ScaleRef, near: Place): Place => nearest(rootPlaces(i, scale), near);

/** Strings and counts that the instrument has; the lowest remaining one carries the start. */
function trimmed(i: Instrument, scale: ScaleRef, layout: Extract<Layout, { kind: 'string-set' }>): Layout {
  const keep = layout.strings.map((s, k) => ({ s, n: layout.counts[k] })).filter(({ s }) => s <= i.strings.length);
  const rows = keep.length ? keep : [{ s: i.strings.length, n: layout.counts[0] }];
  const scalePlaces = neckNotes(i, scale).filter((n) => n.string === rows[0].s);
  const { string, fret } = nearest(scalePlaces, { string: rows[0].s, fret: layout.start.fret });
  return { ...layout, strings: rows.map((r) => r.s), counts: rows.map((r) => r.n), start: { string, fret } };
}

/**
 * The layout as it can stand on this instrument in this scale: a start that is no longer a root (or no longer in the
 * scale, or off the neck) moves to the nearest place that is; any other layout is returned as it is, the same object.
 * `tryLayOut` is handed in, as this file is asked by the one that holds it.
 */
export function reanchored(i: Instrument, scale: ScaleRef, layout: Layout, tryLayOut: (l: Layout) => Shape[]): Layout {
  if (layout.kind === 'one-string') return layout.string <= i.strings.length ? layout : { ...layout, string: i.strings.length };
  if (layout.kind === 'region')
    return layout.toFret <= i.frets ? layout : { ...layout, fromFret: Math.min(layout.fromFret, i.frets), toFret: i.frets };
  if (layout.kind !== 'diagonal' && layout.kind !== 'anchor' && layout.kind !== 'string-set') return layout;
  try {
    tryLayOut(layout);
    return layout;
  } catch (e) {
    if (!(e instanceof CoreError) || !['NOT_IN_SCALE', 'BAD_PLACE', 'BAD_LAYOUT'].includes(e.code)) return layout;
    return layout.kind === 'string-set'
      ? trimmed(i, scale, layout)
      : { ...layout, root: nearestRoot(i, scale, { ...layout.root, string: Math.min(layout.root.string, i.strings.length) }) };
  }
}
