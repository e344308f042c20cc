import { samePlace } from '../place';
import type { LayoutKind, Place, PlacePin, Shape, ShapeRef } from '../types';

const OCTAVE = 12;

/**
 * What tells a shape from the others of its layout, whichever of its copies it is.
 * @example shapeRef('box', box) // { kind: 'box', number: 4, lowFret: 0 }
 */
export const shapeRef = (kind: LayoutKind, { number, lowFret }: Pick<Shape, 'number' | 'lowFret'>): ShapeRef => ({ kind, number, lowFret });

/** By how many frets `to` is a copy of `from` (0, ±12, ±24); null where it is another shape. Layouts that number by fret count on; no other has numbers twelve apart. */
function copyBy(from: ShapeRef, to: ShapeRef): number | null {
  const by = OCTAVE * Math.round((to.lowFret - from.lowFret) / OCTAVE);
  const number = to.number - from.number;
  return from.kind === to.kind && (number === 0 || number === by) ? by : null;
}

/** A settled finger where it holds in a shape: the place there, and the pin it comes from. */
export interface PinHere<P extends PlacePin = PlacePin> extends Place {
  /** The finger that is settled. */
  readonly finger: number;
  /** As the player settled it. */
  readonly pin: P;
}

/**
 * The settled fingers that hold in a shape, each on its place there: those of the shape or a copy of it, and those
 * settled everywhere, unless the shape has one of its own on that place.
 */
export function pinsIn<P extends PlacePin>(pins: readonly P[], shape: ShapeRef, places: readonly Place[]): PinHere<P>[] {
  const here = pins.flatMap((pin): PinHere<P>[] => {
    const by = pin.shape ? copyBy(pin.shape, shape) : 0;
    if (by === null) return [];
    const place = { string: pin.string, fret: pin.fret + by };
    return places.some((p) => samePlace(p, place)) ? [{ ...place, finger: pin.finger, pin }] : [];
  });
  return here.filter((h) => h.pin.shape || !here.some((o) => o.pin.shape && samePlace(o, h)));
}
