import { ascii } from './glyphs';
import type { DegreeName } from '../types';

/** How notes are named: letters; German (H for B natural, B for B flat); do re mi fixed on C. */
export type NoteLanguage = 'letters' | 'german' | 'fixed-do';

const FIXED: Readonly<Record<string, string>> = Object.freeze({ C: 'Do', D: 'Re', E: 'Mi', F: 'Fa', G: 'Sol', A: 'La', B: 'Si' });

/** German names: -is for a sharp, -es for a flat (common practice, no published source). */
function german(letter: string, signs: string): string {
  if (letter === 'B') return signs === 'b' ? 'B' : german('H', signs);
  if (signs.startsWith('#')) return letter + 'is'.repeat(signs.length);
  if (!signs) return letter;
  const first = letter === 'E' || letter === 'A' ? `${letter}s` : `${letter}es`;
  return first + 'es'.repeat(signs.length - 1);
}

/**
 * A note's name (letter and signs, without octave) in another language; the signs of fixed do stay signs.
 * @example noteIn('Bb', 'german') // 'B'
 */
export function noteIn(name: string, language: NoteLanguage): string {
  const match = /^([A-G])([b#]*)$/.exec(ascii(name));
  if (!match || language === 'letters') return name;
  const [, letter, signs] = match;
  return language === 'german' ? german(letter!, signs!) : FIXED[letter!]! + signs!;
}

/** Movable do with the minor third as "me" and so on: do is the tonic of every scale (common practice, no published source). */
const SYLLABLES: Readonly<Record<string, string>> = Object.freeze({
  '1': 'do', '#1': 'di', b2: 'ra', '2': 're', '#2': 'ri', b3: 'me', '3': 'mi', '4': 'fa', '#4': 'fi', b5: 'se', '5': 'sol',
  '#5': 'si', b6: 'le', '6': 'la', '#6': 'li', b7: 'te', '7': 'ti',
}); // prettier-ignore

/**
 * The syllable of a degree; a degree that has none keeps its number.
 * @example syllableOf('b3') // 'me'
 */
export const syllableOf = (degree: DegreeName): string => SYLLABLES[ascii(degree)] ?? degree;
