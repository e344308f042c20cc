import { fail, shown } from '../errors';
import { chromaOf } from '../pitch';
import type { DegreeName, NoteName } from '../types';
import { DEGREE_SEMITONES } from './catalogue';

const LETTERS = 'CDEFGAB';
/** Semitones of the major scale's letters, unison first. */
const MAJOR = [0, 2, 4, 5, 7, 9, 11];
const PLAIN: readonly DegreeName[] = ['1', 'b2', '2', 'b3', '3', '4', '#4', '5', 'b6', '6', 'b7', '7'];

/**
 * A number of semitones within the octave, 0 to 11, of negative ones too.
 * @example mod12(-1) // 11
 */
export const mod12 = (n: number): number => ((n % 12) + 12) % 12;
/**
 * Semitones of a degree above the tonic, 0 to 11.
 * @example semitonesOf('b3') // 3
 */
export const semitonesOf = (degree: DegreeName): number => DEGREE_SEMITONES[degree]!;
/**
 * 1 to 7. Example: letterOf('bb7') is 7.
 * @example letterOf('b3') // 3
 */
export const letterOf = (degree: DegreeName): number => Number(degree.slice(-1));
/**
 * The everyday name of an interval above the tonic, 0 to 11.
 * @example plainDegree(3) // 'b3'
 */
export const plainDegree = (semitones: number): DegreeName => PLAIN[mod12(semitones)]!;

/**
 * Checks a degree name; throws BAD_DEGREE listing the names that exist.
 * @example checkDegree('b3') // 'b3'
 */
export function checkDegree(degree: unknown, field = 'degree'): DegreeName {
  if (typeof degree === 'string' && Object.hasOwn(DEGREE_SEMITONES, degree)) return degree;
  return fail('BAD_DEGREE', field, `${field}: "${shown(degree)}" is not a degree. Use one of ${Object.keys(DEGREE_SEMITONES).join(' ')}.`);
}

/** Accidentals as text: signs(-2) is 'bb', signs(1) is '#'. */
export const signs = (alter: number): string => (alter < 0 ? 'b'.repeat(-alter) : '#'.repeat(alter));

/**
 * The note on a degree, spelled by letter: the tonic's letter counted up to the degree's, then as many
 * sharps or flats as the sound needs. Example: noteOnDegree('F#', 'b3') is 'A'.
 * @example noteOnDegree('Bb', 'b3') // 'Db'
 */
export function noteOnDegree(tonic: NoteName, degree: DegreeName): NoteName {
  const letter = LETTERS[(LETTERS.indexOf(tonic[0]!) + letterOf(degree) - 1) % 7]!;
  return letter + signs(nearest(chromaOf(tonic) + semitonesOf(degree) - chromaOf(letter)));
}

/** Folds a difference of pitch classes to -6 .. 5. */
const nearest = (semitones: number): number => mod12(semitones + 6) - 6;

/**
 * The degree a note is against a tonic: by its letter where that degree has a name, else by its sound.
 * Example: degreeOfNote('E', 'D#') is '7'; degreeOfNote('C', 'E#') is '4', as there is no #3.
 * @example degreeOfNote('A', 'C') // 'b3'
 */
export function degreeOfNote(tonic: NoteName, note: NoteName): DegreeName {
  const letter = (LETTERS.indexOf(note[0]!) - LETTERS.indexOf(tonic[0]!) + 7) % 7;
  const sound = mod12(chromaOf(note) - chromaOf(tonic));
  const named = signs(nearest(sound - MAJOR[letter]!)) + (letter + 1);
  return semitonesOf(named) === sound ? named : plainDegree(sound);
}
