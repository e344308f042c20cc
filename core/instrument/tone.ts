import { hertzOf } from '../pitch';
import type { Instrument, Place } from '../types';
import { checkInstrument, checkPlace, fretFromNutMm, lengthMm, openMidis } from './instrument';

/** Plain steel, kg/m³ (handbook value for carbon steel, 7850). */
export const STEEL_DENSITY = 7850;
/** Mean density over the outer cylinder of a round-wound steel string: windings leave air. From memory, ±5 %. */
export const WOUND_DENSITY = 6450;
/** Tension in newtons assumed where a string's gauge is not given. */
const USUAL_TENSION_N = 70;
/** Length-to-diameter ratio that counts as neither bright nor warm. */
const MIDDLE_RATIO = 600;

/** Mass per metre in kg/m of a string of this outer diameter. */
const massPerMetre = (gaugeMm: number, wound: boolean): number =>
  (Math.PI / 4) * (gaugeMm / 1000) ** 2 * (wound ? WOUND_DENSITY : STEEL_DENSITY);

/**
 * Tension in newtons of a string at its open pitch by Mersenne's law, T = μ·(2·L·f)², L in metres;
 * null where the gauge is unknown. The capo does not change it.
 * @example stringTensionN(six, 1) // null
 */
export function stringTensionN(i: Instrument, string: number): number | null {
  checkInstrument(i);
  checkPlace({ ...i, capo: 0 }, { string, fret: 0 });
  const { gaugeMm, wound } = i.strings[string - 1]!;
  if (gaugeMm === undefined) return null;
  return massPerMetre(gaugeMm, wound ?? false) * (2 * (lengthMm(i, string) / 1000) * hertzOf(openMidis(i)[string - 1]!)) ** 2;
}

/** The diameter in mm of a plain string that would carry the usual tension at this pitch and length. */
const usualGaugeMm = (length: number, midi: number): number => {
  const mass = USUAL_TENSION_N / (2 * (length / 1000) * hertzOf(midi)) ** 2;
  return 1000 * Math.sqrt((4 * mass) / (Math.PI * STEEL_DENSITY));
};

/**
 * From 0 (warm) to 1 (bright), for ordering places only: r/(r + 600), r = sounding length over outer diameter.
 * The longer and thinner the sounding string, the brighter. A missing gauge is taken as a plain one of usual tension.
 * @example toneIndex(six, { string: 6, fret: 12 }) < toneIndex(six, { string: 1, fret: 0 }) // true
 */
export function toneIndex(i: Instrument, p: Place): number {
  checkPlace(checkInstrument(i), p);
  const length = lengthMm(i, p.string);
  const gauge = i.strings[p.string - 1]!.gaugeMm ?? usualGaugeMm(length, openMidis(i)[p.string - 1]!);
  const ratio = (length - fretFromNutMm(length, p.fret)) / gauge;
  return ratio / (ratio + MIDDLE_RATIO);
}
