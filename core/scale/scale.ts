import { fail, shown } from '../errors';
import { accidentals, ascii, checkNote, chromaOf } from '../pitch';
import type { DegreeName, NoteName, ScaleInfo, ScaleNote, ScaleRef } from '../types';
import { CATALOGUE, stepsOf } from './catalogue';
import { checkDegree, letterOf, noteOnDegree, semitonesOf } from './degrees';

const key = (name: string): string =>
  ascii(name)
    .toLowerCase()
    .replace(/[\s_-]+/g, ' ')
    .trim();
const BY_NAME = new Map(CATALOGUE.flatMap((s) => [s.id, s.name, ...s.aliases].map((n) => [key(n), s] as const)).reverse());
const BY_ID = new Map(CATALOGUE.map((s) => [s.id, s]));
const soundOf = (degrees: DegreeName[]): string => degrees.map(semitonesOf).join();
const BY_SOUND = new Map([...CATALOGUE].reverse().map((s) => [soundOf(s.degrees), s]));

const copy = (s: ScaleInfo): ScaleInfo => ({ ...s, aliases: [...s.aliases], degrees: [...s.degrees], steps: [...s.steps] });

/**
 * The whole catalogue, in its order. The result is the caller's own.
 * @example listScales().some((s) => s.id === 'dorian') // true
 */
export const listScales = (): ScaleInfo[] => CATALOGUE.map(copy);

/**
 * The catalogue entry of an id, name or alias, however spaced or hyphenated; null if there is none.
 * @example findScale('natural minor')?.id // 'aeolian'
 */
export const findScale = (name: string): ScaleInfo | null => BY_ID.get(name) ?? BY_NAME.get(key(name)) ?? null;

/**
 * Checks and orders a user's own degrees: 2 to 12 of them, the 1 among them, no sound twice.
 * Throws BAD_DEGREE or BAD_SCALE. Example: ['5','1','b3'] becomes ['1','b3','5'].
 */
export function checkDegrees(list: readonly unknown[], field = 'scale'): DegreeName[] {
  if (list.length < 2 || list.length > 12) fail('BAD_SCALE', field, `${field}: a scale has 2 to 12 degrees; this one has ${list.length}.`);
  const degrees = list.map((d, k) => checkDegree(d, `${field}[${k}]`));
  degrees.sort((a, b) => semitonesOf(a) - semitonesOf(b));
  const twice = degrees.findIndex((d, k) => k > 0 && semitonesOf(d) === semitonesOf(degrees[k - 1]!));
  if (twice > 0) fail('BAD_SCALE', field, `${field}: ${degrees[twice - 1]} and ${degrees[twice]} are the same fret. Keep one of them.`);
  if (degrees[0] !== '1') fail('BAD_SCALE', field, `${field}: a scale needs its root, 1.`);
  return degrees;
}

const looksLikeDegrees = (text: string): boolean => /^[b#]{0,2}[1-7](\s+[b#]{0,2}[1-7])+$/.test(text.trim());

/**
 * The degrees of a scale given by id, name, alias, degree list, or degrees in one string ("1 b3 4").
 * Throws UNKNOWN_SCALE, BAD_DEGREE or BAD_SCALE.
 * @example degreesOf('dorian') // ['1', '2', 'b3', '4', '5', '6', 'b7']
 */
export function degreesOf(scale: ScaleRef['scale']): DegreeName[] {
  if (Array.isArray(scale)) return checkDegrees(scale);
  if (typeof scale !== 'string') return fail('UNKNOWN_SCALE', 'scale', 'scale: name a scale, or list its degrees.');
  if (looksLikeDegrees(scale)) return checkDegrees(scale.trim().split(/\s+/));
  const found = findScale(scale);
  return found
    ? [...found.degrees]
    : fail(
        'UNKNOWN_SCALE',
        'scale',
        `scale: there is no scale called "${shown(scale)}". Pick one from the list, or give its degrees, such as 1 b3 4 5 b7.`,
      );
}

/**
 * The notes of a scale from its tonic up, one letter a degree.
 * Example: F# dorian gives F# G# A B C# D# E. Tonics may carry up to two accidentals.
 * @example scaleNotes(dorian).map((n) => n.name) // ['D', 'E', 'F', 'G', 'A', 'B', 'C']
 */
export function scaleNotes(ref: ScaleRef): ScaleNote[] {
  const tonic = checkNote(ref.tonic);
  return degreesOf(ref.scale).map((degree) => ({ name: noteOnDegree(tonic, degree), degree, semitones: semitonesOf(degree) }));
}

/**
 * Steps between neighbours up to the octave: H, W, WH ... they sum to 12 frets.
 * @example scaleSteps('dorian') // ['W', 'H', 'W', 'W', 'W', 'H', 'W']
 */
export const scaleSteps = (scale: ScaleRef['scale']): string[] => stepsOf(degreesOf(scale).map(semitonesOf));

/**
 * The catalogue's name of a set of degrees, by sound, or null. Example: 1 2 3 #4 5 6 b7 is Lydian b7, mode 4 of melodic minor.
 * @example nameScale(['1', 'b3', '4', '5', 'b7'])?.name // 'minor pentatonic'
 */
export function nameScale(
  degrees: DegreeName[],
): { readonly id: string; readonly name: string; readonly parent?: string; readonly mode?: number } | null {
  const found = BY_SOUND.get(soundOf(checkDegrees(degrees)));
  if (!found) return null;
  const { id, name, parent, mode } = found;
  return { id, name, ...(parent === undefined ? {} : { parent, mode }) };
}

/**
 * Whether the core knows this scale: false for a name from elsewhere or degrees that make no scale.
 * @example isScale('no such scale') // false
 */
export function isScale(scale: unknown): scale is ScaleRef['scale'] {
  try {
    return degreesOf(scale as ScaleRef['scale']).length > 0;
  } catch {
    return false;
  }
}

/**
 * What a screen calls the scale: its name, or its degrees; an unknown name stays as it is. Carries signs as the catalogue writes them.
 * @example scaleTitle('dorian') // 'Dorian'
 */
export function scaleTitle(scale: ScaleRef['scale']): string {
  const found = typeof scale === 'string' ? findScale(scale) : null;
  if (found) return found.name;
  if (!isScale(scale)) return String(scale);
  const degrees = degreesOf(scale);
  return nameScale(degrees)?.name ?? degrees.join(' ');
}

/**
 * Total accidentals needed to write the scale on a tonic.
 * @example accidentalCount({ tonic: 'E', scale: 'ionian' }) // 4
 */
export const accidentalCount = (ref: ScaleRef): number => scaleNotes(ref).reduce((sum, n) => sum + accidentals(n.name), 0);

/** Each sound's usual names, fewest accidentals first. */
const SPELLINGS: NoteName[][] = [
  ['C'],
  ['Db', 'C#'],
  ['D'],
  ['Eb', 'D#'],
  ['E'],
  ['F'],
  ['F#', 'Gb'],
  ['G'],
  ['Ab', 'G#'],
  ['A'],
  ['Bb', 'A#'],
  ['B', 'Cb'],
];

/**
 * The usual tonic of a pitch class that writes this scale with fewest accidentals. Example: (6, 'dorian') is F#.
 * @example bestTonic(1, 'ionian') // 'Db'
 */
export function bestTonic(chroma: number, scale: ScaleRef['scale']): NoteName {
  const names = SPELLINGS[((chroma % 12) + 12) % 12]!;
  return names.reduce((best, name) => (accidentalCount({ tonic: name, scale }) < accidentalCount({ tonic: best, scale }) ? name : best));
}

/**
 * The enharmonic tonic that writes the scale with fewer accidentals, or null where this one is best. Example: G# ionian offers Ab.
 * @example easierTonic({ tonic: 'G#', scale: 'ionian' }) // 'Ab'
 */
export function easierTonic(ref: ScaleRef): NoteName | null {
  const best = bestTonic(chromaOf(checkNote(ref.tonic)), ref.scale);
  return accidentalCount({ ...ref, tonic: best }) < accidentalCount(ref) ? best : null;
}

const SKELETONS = ['1 b3 4 5 b7', '1 2 3 5 6'].map((s) => s.split(' '));
const LETTER_SKELETONS = { minor: [1, 3, 4, 5, 7], major: [1, 2, 3, 5, 6] };

/**
 * The pentatonic skeleton a scale is built round, or null (docs/decisions.md): a five-note scale itself; the minor, then
 * the major pentatonic if contained; else, with one note a letter, letters 1 3 4 5 7 or 1 2 3 5 6 as the third is.
 * @example skeletonOf('dorian') // ['1', 'b3', '4', '5', 'b7']
 */
export function skeletonOf(scale: ScaleRef['scale']): DegreeName[] | null {
  const degrees = degreesOf(scale);
  if (degrees.length === 5) return degrees;
  if (degrees.length > 8) return null;
  return containedSkeleton(degrees) ?? letterSkeleton(degrees);
}

function containedSkeleton(degrees: DegreeName[]): DegreeName[] | null {
  const sounds = new Map(degrees.map((d) => [semitonesOf(d), d]));
  const match = SKELETONS.find((s) => s.every((d) => sounds.has(semitonesOf(d))));
  return match ? match.map((d) => sounds.get(semitonesOf(d)) ?? d) : null;
}

function letterSkeleton(degrees: DegreeName[]): DegreeName[] | null {
  const byLetter = new Map(degrees.map((d) => [letterOf(d), d]));
  if (degrees.length !== 7 || byLetter.size !== 7) return null;
  const letters = byLetter.get(3) === 'b3' ? LETTER_SKELETONS.minor : byLetter.get(3) === '3' ? LETTER_SKELETONS.major : null;
  return letters && letters.flatMap((n) => byLetter.get(n) ?? []);
}

/**
 * True for a skeleton with a minor third and no major one: it is numbered from its own root in the minor-root school.
 * @example isMinorSkeleton(['1', 'b3', '4', '5', 'b7']) // true
 */
export const isMinorSkeleton = (skeleton: DegreeName[]): boolean => {
  const sounds = skeleton.map(semitonesOf);
  return sounds.includes(3) && !sounds.includes(4);
};

/**
 * The same scale on the same tonic, as it is written.
 * @example sameScale(dorian, { tonic: 'D', scale: 'dorian' }) // true
 */
export const sameScale = (a: ScaleRef, b: ScaleRef): boolean => a.tonic === b.tonic && JSON.stringify(a.scale) === JSON.stringify(b.scale);
