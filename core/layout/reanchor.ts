import { neckNotes } from '../neck';
import { plainPlace, samePlace } from '../place';
import type { Instrument, Place, ScaleRef } from '../types';

/**
 * Every place of the tonic, string 1 first.
 * @example rootPlaces(six, minor)[0] // { string: 1, fret: 5 }
 */
export const rootPlaces = (i: Instrument, scale: ScaleRef): Place[] =>
  neckNotes(i, scale)
    .filter((n) => n.role === 'root')
    .map(plainPlace);

/** The place with the nearest fret on the same string, or on the nearest string that has one. */
export function nearest(places: readonly Place[], near: Place): Place {
  const cost = (p: Place): number => Math.abs(p.fret - near.fret) + (p.string === near.string ? 0 : 100 + Math.abs(p.string - near.string));
  return plainPlace(places.reduce((a, b) => (cost(b) < cost(a) ? b : a)));
}

/**
 * The root place nearest to a fret, on the same string if it has one.
 * @example nearestRoot(six, minor, { string: 6, fret: 7 }) // { string: 6, fret: 5 }
 */
export const nearestRoot = (i: Instrument, scale: ScaleRef, near: Place): Place => nearest(rootPlaces(i, scale), near);

/** A layout that hangs on a root: left as it is where its place still sounds the tonic, else moved to the nearest one that does. */
export function reroot<L extends { readonly root: Place }>(i: Instrument, scale: ScaleRef, layout: L): L {
  const roots = rootPlaces(i, scale);
  if (!roots.length || roots.some((r) => samePlace(r, layout.root))) return layout;
  return { ...layout, root: nearest(roots, { ...layout.root, string: Math.min(layout.root.string, i.strings.length) }) };
}
