import { checkHand } from '../../fingering';
import { fail } from '../../errors';
import { checkInstrument, checkPlace, openMidis } from '../../instrument';
import { chromaOf } from '../../pitch';
import { mod12 } from '../../scale';
import type { Hand, Instrument, Place } from '../../types';
import { parseChord } from '../symbol';
import { fingersNeeded, graspOf, leastHoldCost, MUTED, type Grasp } from './hold';
import { barreOf } from './barre';
import type { Grip } from './types';

/** How a hand holds some places, or why none can. */
export type Held = { readonly fingers: number[]; readonly barre?: Grip['barre']; readonly costMm: number } | { readonly why: string };

/** Places by string; throws where one is off the neck or a string has two. */
export function fretsOf(i: Instrument, places: readonly Place[]): number[] {
  const frets = Array.from({ length: i.strings.length + 1 }, () => MUTED);
  places.forEach((p, k) => {
    checkPlace(i, p, `grip[${k}]`);
    if (frets[p.string] !== MUTED) fail('BAD_PLACE', `grip[${k}]`, `String ${p.string} can sound one fret at a time.`);
    frets[p.string] = p.fret;
  });
  return frets;
}

/** Thickest string first, as grips are written. */
export const thickFirst = (places: readonly Place[]): Place[] => [...places].sort((a, b) => b.string - a.string);

/** Frets on strings as they are held: fingers, barre and travel of the hand. */
export function heldOn(grasp: Grasp, frets: readonly number[], places: readonly Place[]): Held {
  const costMm = leastHoldCost(grasp, frets);
  if (costMm === Infinity) return { why: whyNot(grasp, frets) };
  const finger = new Map(grasp.order.map((string, k) => [string, grasp.fingers[k]]));
  const fingers = places.map((p) => finger.get(p.string) ?? 0);
  const barre = barreOf(places, fingers);
  return { fingers, ...(barre ? { barre } : {}), costMm };
}

function whyNot(grasp: Grasp, frets: readonly number[]): string {
  const { model: m } = grasp;
  const needed = fingersNeeded(grasp, frets);
  if (needed > 4) return `it needs ${needed} fingers; a hand has four`;
  const stopped = frets.filter((f) => f > m.nut);
  const [low, high] = [Math.min(...stopped), Math.max(...stopped)];
  const mm = Math.round(m.longest[high]! - m.longest[low]!);
  return `from fret ${low} to fret ${high} it is ${mm} mm wide, and its fingers do not open so far`;
}

/**
 * How a hand holds some places, thickest string first: fingers (0 open), barre, effort in mm; or why it cannot. Throws BAD_PLACE for
 * a place off the neck or two on a string.
 * @example 'fingers' in holdGrip(six, [{ string: 2, fret: 1 }, { string: 4, fret: 2 }, { string: 5, fret: 3 }]) // true
 */
export function holdGrip(i: Instrument, places: readonly Place[], hand?: Hand): Held {
  checkInstrument(i);
  checkHand('finger-per-fret', hand);
  return heldOn(graspOf(i, hand), fretsOf(i, places), thickFirst(places));
}

/** Some places as a grip of a chord, if a hand can hold them; tones that are not of the chord are left to the caller. */
export function gripFrom(i: Instrument, symbol: string, places: readonly Place[], grasp: Grasp): Grip | null {
  const sorted = thickFirst(places);
  const held = heldOn(grasp, fretsOf(i, sorted), sorted);
  if ('why' in held) return null;
  const open = openMidis(i);
  const { root, tones } = parseChord(symbol);
  const midis = sorted.map((p) => open[p.string - 1]! + p.fret);
  const classes = new Set(midis.map((m) => mod12(m - chromaOf(root))));
  const sounding = new Set(sorted.map((p) => p.string));
  return {
    places: sorted,
    fingers: held.fingers,
    ...(held.barre ? { barre: held.barre } : {}),
    muted: i.strings.map((_, k) => i.strings.length - k).filter((s) => !sounding.has(s)),
    inversion: tones.findIndex((t) => t.semitones === mod12(Math.min(...midis) - chromaOf(root))),
    omitted: tones.filter((t) => !classes.has(t.semitones)).map((t) => t.degree),
    costMm: held.costMm,
  };
}
