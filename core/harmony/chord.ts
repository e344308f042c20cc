import { Chord } from 'tonal';
import { fail, shown } from '../errors';
import { chromaOf } from '../pitch';
import { degreesOf, scaleNotes, semitonesOf } from '../scale';
import type { DegreeName, NoteName, ScaleRef } from '../types';

/** Symbols the theory library does not read, in words it does. */
const REWRITES: [RegExp, string][] = [
  [/^([A-G][#b]{0,2})m\(maj7\)$/, '$1mM7'],
  [/^([A-G][#b]{0,2})Δ7?$/, '$1maj7'],
  [/^([A-G][#b]{0,2})ø7?$/, '$1m7b5'],
];

/** No symbol is longer. */
const LONGEST = 40;
/** The library looks symbols up in plain objects, where names that every object inherits answer too. */
const INHERITED = new RegExp(`(${Object.getOwnPropertyNames(Object.prototype).join('|')})`);

/**
 * The notes of a chord symbol, root first, spelled by the chord. Throws BAD_OPTION for a symbol that cannot be read.
 * Example: chordNotes('F#m7') is F# A C# E.
 */
export function chordNotes(symbol: string): NoteName[] {
  const plain = REWRITES.reduce((s, [from, to]) => s.replace(from, to), typeof symbol === 'string' ? symbol.trim() : '');
  const chord = plain.length <= LONGEST && !INHERITED.test(plain) ? Chord.get(plain) : null;
  if (chord && !chord.empty && chord.tonic && Array.isArray(chord.notes)) return [...chord.notes];
  return fail('BAD_OPTION', 'chord', `chord: "${shown(symbol)}" cannot be read. Write a root and a kind, such as F#m7, Bb7 or Cmaj7.`);
}

/** Pitch classes of a chord symbol. */
export const chordSounds = (symbol: string): number[] => chordNotes(symbol).map(chromaOf);

/** Semitones above the chord's root → what follows its name, and how its roman numeral is written. */
const KINDS: Record<string, { symbol: string; roman: (numeral: string) => string }> = {
  '0,4,7': { symbol: '', roman: (n) => n },
  '0,3,7': { symbol: 'm', roman: (n) => n.toLowerCase() },
  '0,3,6': { symbol: 'dim', roman: (n) => `${n.toLowerCase()}°` },
  '0,4,8': { symbol: 'aug', roman: (n) => `${n}+` },
  '0,4,6': { symbol: 'Mb5', roman: (n) => `${n}(b5)` },
  '0,4,7,11': { symbol: 'maj7', roman: (n) => `${n}maj7` },
  '0,4,7,10': { symbol: '7', roman: (n) => `${n}7` },
  '0,3,7,10': { symbol: 'm7', roman: (n) => `${n.toLowerCase()}7` },
  '0,3,7,11': { symbol: 'mM7', roman: (n) => `${n.toLowerCase()}maj7` },
  '0,3,6,10': { symbol: 'm7b5', roman: (n) => `${n.toLowerCase()}ø7` },
  '0,3,6,9': { symbol: 'dim7', roman: (n) => `${n.toLowerCase()}°7` },
  '0,4,8,11': { symbol: 'maj7#5', roman: (n) => `${n}+maj7` },
  '0,4,8,10': { symbol: '7#5', roman: (n) => `${n}+7` },
  '0,4,6,10': { symbol: '7b5', roman: (n) => `${n}7b5` },
  '0,4,6,11': { symbol: 'maj7b5', roman: (n) => `${n}maj7b5` },
  '0,4,7,9': { symbol: '6', roman: (n) => `${n}6` },
  '0,3,7,9': { symbol: 'm6', roman: (n) => `${n.toLowerCase()}6` },
};

const NUMERALS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];
const numeral = (degree: DegreeName): string => degree.slice(0, -1) + NUMERALS[Number(degree.slice(-1)) - 1];

/**
 * Thirds stacked on every degree of a seven-note scale: triads (size 3) or sevenths (size 4), symbols and functions
 * counted from the scale's own tonic. A stack without a usual symbol gives its notes joined. Throws BAD_SCALE for
 * scales that do not have seven notes. Example: F# dorian, 4: F#m7, G#m7, Amaj7, B7, C#m7, D#m7b5, Emaj7.
 */
export function stackThirds(ref: ScaleRef, size: 3 | 4): { degree: DegreeName; roman: string; symbol: string; notes: NoteName[] }[] {
  const notes = scaleNotes(ref);
  if (size !== 3 && size !== 4) fail('BAD_OPTION', 'size', 'size: stack 3 notes (triads) or 4 (sevenths).');
  if (notes.length !== 7) fail('BAD_SCALE', 'scale', `scale: thirds are stacked on seven notes; this scale has ${notes.length}.`);
  return notes.map((root, k) => {
    const stack = Array.from({ length: size }, (_, j) => notes[(k + 2 * j) % 7]);
    const kind = KINDS[stack.map((n) => (n.semitones - root.semitones + 12) % 12).join()];
    const names = stack.map((n) => n.name);
    return {
      degree: root.degree,
      roman: kind?.roman(numeral(root.degree)) ?? numeral(root.degree),
      symbol: kind ? root.name + kind.symbol : names.join('/'),
      notes: names,
    };
  });
}

/** The degrees of a scale that a chord sounds. */
export const chordDegrees = (ref: ScaleRef, symbol: string): DegreeName[] => {
  const sounds = chordSounds(symbol);
  return degreesOf(ref.scale).filter((d) => sounds.includes((chromaOf(ref.tonic) + semitonesOf(d)) % 12));
};
