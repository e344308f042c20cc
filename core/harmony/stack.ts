import { fail } from '../errors';
import { chromaOf } from '../pitch';
import { degreeOfNote, degreesOf, mod12, noteOnDegree, parentOf, scaleNotes } from '../scale';
import type { DegreeName, NoteName, ScaleNote, ScaleRef } from '../types';
import { parseChord, type ChordTone } from './symbol';
import { chordSymbol, kindOf, numeral } from './write';

/** Tones of a stacked chord: 3 for a triad, 4 for a seventh, 5 for a ninth. */
export type StackSize = 3 | 4 | 5;

/** A chord of a scale. */
export interface ModeChord {
  /** Of the scale, where the chord stands; and its numeral, counted from the scale's own tonic. */
  readonly degree: DegreeName;
  /** The roman numeral of its degree. */
  readonly roman: string;
  /** The same counted from the tonic of the parent scale; as above where the scale has none. */
  readonly parentRoman: string;
  /** The chord. */
  readonly symbol: string;
  /** In words, "minor seventh"; empty for a stack without a usual symbol. */
  readonly quality: string;
  /** Its notes from the root up. */
  readonly notes: NoteName[];
  /** One a note: its degree of the chord, and of the scale. */
  readonly tones: { readonly chord: DegreeName; readonly mode: DegreeName }[];
}

/** Kinds that are looked for in scales of other than seven notes, by size. */
const LOOKED_FOR: Readonly<Record<StackSize, readonly string[]>> = {
  3: ['', 'm', 'dim', 'aug', 'sus4', 'sus2'],
  4: ['maj7', '7', 'm7', 'mM7', 'm7b5', 'dim7', 'maj7#5', '7#5', '7sus4', '6', 'm6'],
  5: ['maj9', '9', 'm9', 'mM9', '7b9', '7#9', 'm7b9', 'm9b5', '69', 'm69', '9sus4'],
};

const checkSize = (size: unknown): void => {
  if (size !== 3 && size !== 4 && size !== 5) fail('BAD_OPTION', 'size', 'size: stack 3 notes (triads), 4 (sevenths) or 5 (ninths).');
};

/** The numeral of the parent's degree on which a note stands. */
function fromParent(ref: ScaleRef): (root: NoteName) => DegreeName {
  const parent = parentOf(ref)?.ref ?? ref;
  return (root) => degreeOfNote(parent.tonic, root);
}

function stackOn(notes: readonly ScaleNote[], k: number, size: number, parentDegree: (n: NoteName) => DegreeName): ModeChord {
  const stack = Array.from({ length: size }, (_, j) => notes[(k + 2 * j) % notes.length]);
  const root = stack[0]!;
  const chord = stack.map((n) => degreeOfNote(root.name, n!.name));
  const kind = kindOf(chord);
  const roman = (degree: DegreeName): string => kind?.roman(numeral(degree)) ?? numeral(degree);
  return {
    degree: root.degree,
    roman: roman(root.degree),
    parentRoman: roman(parentDegree(root.name)),
    symbol: chordSymbol(root.name, chord),
    quality: kind?.quality ?? '',
    notes: stack.map((n) => n!.name),
    tones: stack.map((n, j) => ({ chord: chord[j]!, mode: n!.degree })),
  };
}

/** Chords of usual kinds whose notes are all in a scale that has not one note a letter, degree by degree. */
function spelledIn(notes: readonly ScaleNote[], size: StackSize, parentDegree: (n: NoteName) => DegreeName): ModeChord[] {
  const tonic = chromaOf(notes[0]!.name);
  const bySound = new Map(notes.map((n) => [mod12(tonic + n.semitones), n]));
  return notes.flatMap((root) =>
    LOOKED_FOR[size].flatMap((suffix): ModeChord[] => {
      const { tones } = parseChord(root.name + suffix);
      const here = tones.map((t) => bySound.get(mod12(tonic + root.semitones + t.semitones)));
      if (here.some((n) => n === undefined)) return [];
      const chord = tones.map((t) => t.degree);
      const kind = kindOf(chord);
      const roman = (degree: DegreeName): string => kind?.roman(numeral(degree)) ?? numeral(degree) + suffix;
      return [{
        degree: root.degree,
        roman: roman(root.degree),
        parentRoman: roman(parentDegree(root.name)),
        symbol: root.name + suffix,
        quality: kind?.quality ?? '',
        notes: tones.map((t) => t.note),
        tones: tones.map((t, j) => ({ chord: t.degree, mode: (here[j]!).degree })),
      }]; // prettier-ignore
    }),
  );
}

/**
 * The chords of a scale: with seven notes, thirds stacked on every degree (size 3 triads, 4 sevenths, 5 ninths), in its own
 * spelling; else the usual chords that can be spelled from its notes, any number a degree. `stacked` tells which.
 * Throws BAD_OPTION for other sizes, and what scaleNotes throws.
 * @example modeChords(dorian, 3).chords.map((c) => c.roman) // ['i', 'ii', 'bIII', 'IV', 'v', 'vi°', 'bVII']
 */
export function modeChords(ref: ScaleRef, size: StackSize): { readonly stacked: boolean; readonly chords: ModeChord[] } {
  checkSize(size);
  const notes = scaleNotes(ref);
  const parentDegree = fromParent(ref);
  if (notes.length !== 7) return { stacked: false, chords: spelledIn(notes, size, parentDegree) };
  return { stacked: true, chords: notes.map((_, k) => stackOn(notes, k, size, parentDegree)) };
}

/**
 * Thirds stacked on every degree of a seven-note scale: triads, sevenths or ninths, symbols and functions counted from the
 * scale's own tonic. Throws BAD_SCALE for scales that do not have seven notes. Example: F# dorian, 4: F#m7, G#m7, Amaj7, B7,
 * C#m7, D#m7b5, Emaj7.
 * @example stackThirds(dorian, 4)[0].notes // ['D', 'F', 'A', 'C']
 */
export function stackThirds(
  ref: ScaleRef,
  size: StackSize,
): { readonly degree: DegreeName; readonly roman: string; readonly symbol: string; readonly notes: NoteName[] }[] {
  const { stacked, chords } = modeChords(ref, size);
  if (!stacked) fail('BAD_SCALE', 'scale', `scale: thirds are stacked on seven notes; this scale has ${degreesOf(ref.scale).length}.`);
  return chords.map(({ degree, roman, symbol, notes }) => ({ degree, roman, symbol, notes }));
}

/** What players call a tone of a chord: its degree, with tensions as 9, 11, 13. Example: the 'b2' of C7b9 is 'b9'. */
export const toneName = ({ degree, step }: ChordTone): string => degree.replace(/\d/, String(step));

/**
 * What a sound is in a chord, as players call it (b3, 9, 13); null where it is no tone of it.
 * @example toneInChord('C7', 70) // 'b7'
 */
export function toneInChord(symbol: string, midi: number): string | null {
  const { root, tones } = parseChord(symbol);
  const tone = tones.find((t) => mod12(chromaOf(root) + t.semitones - midi) === 0);
  return tone ? toneName(tone) : null;
}

/**
 * A chord as a scale of its own tones, so that whatever is done with scales can be done with arpeggios.
 * @example chordScale('Dm7') // { tonic: 'D', scale: ['1', 'b3', '5', 'b7'] }
 */
export function chordScale(symbol: string): ScaleRef {
  const { root, tones } = parseChord(symbol);
  const degrees = [...tones].sort((a, b) => a.semitones - b.semitones).map((t) => t.degree);
  return { tonic: root, scale: degrees };
}

/**
 * A bare note name on a degree of a scale.
 * @example rootOn(dorian, 'b3') // 'F'
 */
export const rootOn = (ref: ScaleRef, degree: DegreeName): NoteName => noteOnDegree(ref.tonic, degree);
