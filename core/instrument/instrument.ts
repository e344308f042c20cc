import { checkNumber, checkWhole, CoreError, fail, shown } from '../errors';
import { midiOf } from '../pitch';
import type { Instrument, InstrumentString, Place } from '../types';

/** Ranges of an instrument's fields, both ends included. Lengths and gauges in millimetres. */
export const LIMITS = Object.freeze({
  strings: [1, 12],
  frets: [5, 36],
  scaleLengthMm: [200, 1200],
  gaugeMm: [0.1, 5],
} as const);

/** Throws CoreError naming the field if the instrument is out of its ranges; returns it otherwise. */
export function checkInstrument(i: Instrument): Instrument {
  if (typeof i !== 'object' || i === null || !Array.isArray(i.strings))
    fail('BAD_INSTRUMENT', 'strings', 'strings: an instrument needs 1 to 12 strings.');
  const count = i.strings.length;
  if (count < 1 || count > 12) fail('BAD_INSTRUMENT', 'strings', `strings: ${count} strings; an instrument here has 1 to 12.`);
  checkWhole('BAD_INSTRUMENT', 'frets', i.frets, ...LIMITS.frets);
  checkNumber('BAD_INSTRUMENT', 'scaleLengthMm', i.scaleLengthMm, ...LIMITS.scaleLengthMm);
  checkWhole('BAD_INSTRUMENT', 'capo', i.capo ?? 0, 0, i.frets - 1);
  i.strings.forEach(checkString);
  return i;
}

function checkString(s: InstrumentString, index: number): void {
  const at = `strings[${index}]`;
  const where = `string ${index + 1}`;
  if (typeof s !== 'object' || s === null) fail('BAD_INSTRUMENT', at, `${where}: give the open pitch, such as E2.`);
  midiOf(s.open, `${at}.open`, where);
  if (s.gaugeMm !== undefined) checkNumber('BAD_INSTRUMENT', `${at}.gaugeMm`, s.gaugeMm, ...LIMITS.gaugeMm, `${where}, gauge in mm`);
  if (s.scaleLengthMm !== undefined)
    checkNumber('BAD_INSTRUMENT', `${at}.scaleLengthMm`, s.scaleLengthMm, ...LIMITS.scaleLengthMm, `${where}, length in mm`);
}

/**
 * The first fret that exists: the capo's, or 0. A place there is an open string.
 * @example nutFret(six) // 0
 * @example nutFret({ ...six, capo: 2 }) // 2
 */
export const nutFret = (i: Instrument): number => i.capo ?? 0;

/**
 * The number that a player reads for a fret: counted from the nut, or from the capo where the instrument says so.
 * @example fretNumber(six, 5) // 5
 */
export const fretNumber = (i: Instrument, fret: number): number => fret - firstCounted(i);
/**
 * The fret that is numbered 0.
 * @example firstCounted(six) // 0
 */
export const firstCounted = (i: Instrument): number => (i.countFrom === 'capo' ? nutFret(i) : 0);

/**
 * MIDI numbers of the strings at fret 0 (capo ignored), string 1 first.
 * @example openMidis(six) // [64, 59, 55, 50, 45, 40]
 */
export const openMidis = (i: Instrument): number[] => i.strings.map((s, k) => midiOf(s.open, `strings[${k}].open`));

/**
 * String numbers from the lowest-sounding up; on equal pitch the higher-numbered string counts as lower.
 * Example: a guitar gives 6 5 4 3 2 1.
 * @example stringsUpward(six) // [6, 5, 4, 3, 2, 1]
 */
export function stringsUpward(i: Instrument): number[] {
  const open = openMidis(i);
  return open.map((_, k) => k + 1).sort((a, b) => open[a - 1]! - open[b - 1]! || b - a);
}

/** Throws BAD_PLACE unless the instrument has this string and fret (capo .. frets). */
export function checkPlace(i: Instrument, p: Place, field = 'place'): Place {
  checkWhole('BAD_PLACE', `${field}.string`, p?.string, 1, i.strings.length);
  checkWhole('BAD_PLACE', `${field}.fret`, p.fret, nutFret(i), i.frets);
  return p;
}

/**
 * Whether the instrument has this string and fret, the capo counted.
 * @example isOnNeck(six, { string: 7, fret: 1 }) // false
 */
export const isOnNeck = (i: Instrument, p: Place): boolean =>
  p.string >= 1 && p.string <= i.strings.length && p.fret >= nutFret(i) && p.fret <= i.frets;

/**
 * Speaking length of a string in millimetres, nut to bridge.
 * @example lengthMm(six, 1) // 648
 */
export const lengthMm = (i: Instrument, string: number): number => i.strings[string - 1]!.scaleLengthMm ?? i.scaleLengthMm;

/**
 * Distance from the nut to a fret: L·(1 − 2^(−f/12)), equal temperament.
 * @example fretFromNutMm(648, 12) // 324
 */
export const fretFromNutMm = (length: number, fret: number): number => length * (1 - 2 ** (-fret / 12));

/**
 * Distance between two frets on one string in millimetres, never negative: L·|2^(−a/12) − 2^(−b/12)|.
 * @example Math.round(fretDistanceMm(six, 1, 0, 12)) // 324
 */
export function fretDistanceMm(i: Instrument, string: number, from: number, to: number): number {
  checkInstrument(i);
  [from, to].forEach((fret) => checkPlace({ ...i, capo: 0 }, { string, fret }, 'fret'));
  return Math.abs(fretFromNutMm(lengthMm(i, string), to) - fretFromNutMm(lengthMm(i, string), from));
}

/** The usual pitch of the lowest of so many strings (MIDI): bass with four and five, guitar with six, seven and eight; common practice, no published source. */
const USUAL_LOWEST: Readonly<Record<number, number>> = Object.freeze({ 4: 28, 5: 23, 6: 40, 7: 35, 8: 30 });
const GUITAR_LOWEST = 40;

/**
 * Parses strings as players write them, low to high ("D A D G B E", "D2A2D3G3B3E4"), to pitches, string 1 first.
 * Without octaves each note is the next one above the string before it (the same note again: a unison),
 * the lowest placed nearest to `lowest` (MIDI), which is the usual one of that many strings unless given. Throws BAD_PITCH naming the word.
 * @example parseTuning('EADGBE') // ['E4', 'B3', 'G3', 'D3', 'A2', 'E2']
 * @example parseTuning('DADGAD') // ['D4', 'A3', 'G3', 'D3', 'A2', 'D2']
 */
export function parseTuning(text: string, lowest?: number): string[] {
  const words = text.trim().match(/[A-Ga-g](?:#|b(?![a-z]))*-?\d?|\S+/g) ?? [];
  if (words.length < 1 || words.length > 12)
    fail('BAD_INSTRUMENT', 'tuning', `tuning: ${words.length} strings; give 1 to 12 notes, lowest first, such as D A D G B E.`);
  const near = lowest ?? USUAL_LOWEST[words.length] ?? GUITAR_LOWEST;
  const pitches: string[] = [];
  let last: number | null = null;
  for (const word of words) {
    const pitch = wordToPitch(word, last, near);
    last = midiOf(pitch, 'tuning');
    pitches.unshift(pitch);
  }
  return pitches;
}

function wordToPitch(word: string, last: number | null, lowest: number): string {
  const name = word.charAt(0).toUpperCase() + word.slice(1);
  if (/\d$/.test(name)) return name;
  if (!/^[A-G](#{0,2}|b{0,2})$/.test(name))
    return fail(
      'BAD_PITCH',
      'tuning',
      `tuning: "${shown(word)}" is not a note. Write notes lowest string first, such as D A D G B E or B1 E2 A2.`,
    );
  const octaves = [0, 1, 2, 3, 4, 5, 6, 7, 8].map((o) => name + o).filter((p) => last === null || midiOf(p) >= last);
  if (!octaves.length)
    return fail('BAD_PITCH', 'tuning', `tuning: there is no ${name} above the string before it. Write the octave too, such as ${name}3.`);
  const distance = (p: string): number => Math.abs(midiOf(p) - (last ?? lowest));
  return octaves.reduce((best, p) => (distance(p) < distance(best) ? p : best));
}

/** What the strings sound and what their letters alone would mean (MIDI), string 1 first; null where no such strings can be. */
function lettersMean(i: Instrument): { readonly sound: number[]; readonly meant: number[] } | null {
  try {
    const letters = [...i.strings].reverse().map((s) => s.open.replace(/-?\d$/, '')).join(' '); // prettier-ignore
    return { sound: i.strings.map((s) => midiOf(s.open)), meant: parseTuning(letters).map((p) => midiOf(p)) };
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

/** Half steps by which the lowest string lies above what the letters of the tuning alone would mean; 0 in the usual register. */
export function registerOf(i: Instrument): number {
  const read = lettersMean(i);
  return read ? read.sound[read.sound.length - 1]! - read.meant[read.meant.length - 1]! : 0;
}

/**
 * The strings as a player spells the tuning, low to high: "E A D G B E"; with octaves where the letters alone would mean other pitches.
 * @example spellTuning(six) // 'E A D G B E'
 */
export function spellTuning(i: Instrument): string {
  const read = lettersMean(i);
  const plain = read?.sound.every((midi, k) => midi === read.meant[k]) ?? false;
  return [...i.strings]
    .reverse()
    .map((s) => (plain ? s.open.replace(/-?\d$/, '') : s.open))
    .join(' ');
}
