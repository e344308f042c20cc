import { chromaOf } from '../../pitch';
import { degreeOfNote, mod12 } from '../../scale';
import type { DegreeName } from '../../types';
import type { Chord, ChordTone } from '../symbol';
import type { GripOptions } from './types';

/** What a grip of a chord may and must sound. */
export interface Wanted {
  /** The chord's degrees. */
  readonly degrees: DegreeName[];
  /** By pitch class: index of the tone, or -1. */
  readonly toneAt: number[];
  /** Tones that must sound, and those counted as left out where they do not, as bits. */
  readonly must: number;
  /** Its tones, a bit each. */
  readonly all: number;
  /** The pitch class that must be lowest, or -1. */
  readonly bass: number;
}

/** Tones that a grip may leave out: the perfect fifth of four tones or more; in larger chords what lies inside the stack. */
function mayOmit({ tones }: Chord, t: ChordTone): boolean {
  const top = tones[tones.length - 1]!.step;
  if (t.degree === '5') return tones.length > 3;
  return (t.step === 9 || t.step === 11) && t.step < top && tones.length > 5 && (t.degree === '2' || t.degree === '4');
}

/**
 * What a grip of a chord must, may and may not sound.
 * @throws CoreError where the options leave no tone to leave out
 */
export function wantedOf(chord: Chord, o: GripOptions): Wanted {
  const root = chromaOf(chord.root);
  const bass = chromaOf(chord.bass);
  const degrees = chord.tones.map((t) => t.degree);
  const toneAt = Array.from({ length: 12 }, () => -1);
  chord.tones.forEach((t, k) => (toneAt[mod12(root + t.semitones)] = k));
  const slash = chord.bass !== chord.root;
  if (toneAt[bass]! < 0) {
    toneAt[bass] = degrees.length;
    degrees.push(degreeOfNote(chord.root, chord.bass));
  }
  const omits = (t: ChordTone): boolean => o.omit !== false && mayOmit(chord, t) && mod12(root + t.semitones) !== bass;
  const must = degrees.reduce((bits, _, k) => (k < chord.tones.length && omits(chord.tones[k]!) ? bits : bits | (1 << k)), 0);
  return { degrees, toneAt, must, all: (1 << degrees.length) - 1, bass: slash || o.invert === false ? bass : -1 };
}
