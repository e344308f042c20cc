import * as Note from '@tonaljs/note';
import { fail, shown } from '../errors';
import type { NoteName, PitchName } from '../types';

/** Letter, then up to two sharps or two flats. Wider accidentals arise only by computation. */
const TONIC = /^[A-G](#{0,2}|b{0,2})$/;
const PITCH = /^[A-G](#{0,2}|b{0,2})-?\d$/;

/** Concert pitch, ISO 16: A4 = 440 Hz; MIDI note 69. */
export const A4_HZ = 440;
/** MIDI number of a′, 440 Hz (MIDI 1.0 Detailed Specification). */
export const A4_MIDI = 69;

/** What names have been read as: a few hundred are ever met, and each is asked for over and over. */
const CHROMAS = new Map<string, number>();
const MIDIS = new Map<string, number | null>();
const MOST_REMEMBERED = 1000;

function remembered<T>(all: Map<string, T>, name: string, read: () => T): T {
  const known = all.get(name);
  if (known !== undefined) return known;
  const value = read();
  if (all.size < MOST_REMEMBERED) all.set(name, value);
  return value;
}

/**
 * Checks a tonic such as `F#` and returns it; throws BAD_NOTE naming `field`.
 * @example checkNote('F#') // 'F#'
 */
export function checkNote(name: unknown, field = 'tonic'): NoteName {
  if (typeof name === 'string' && TONIC.test(name)) return name;
  return fail('BAD_NOTE', field, `${field}: "${shown(name)}" is not a note. Use a letter A to G with up to two # or b, such as F# or Bb.`);
}

/**
 * Pitch class 0 (C) to 11 of any note name, however many accidentals. Example: chromaOf('Cb') is 11.
 * @example chromaOf('Db') // 1
 */
export const chromaOf = (name: NoteName): number => remembered(CHROMAS, name, () => Note.get(name).chroma ?? NaN);

/**
 * MIDI number of a pitch; C4 is 60, Cb4 is 59. Throws BAD_PITCH naming `field`, in words `where`. Range 0 to 127.
 * @example midiOf('E2') // 40
 */
export function midiOf(pitch: unknown, field = 'pitch', where = field): number {
  const midi = typeof pitch === 'string' ? remembered(MIDIS, pitch, () => (PITCH.test(pitch) ? Note.get(pitch).midi : null)) : null;
  if (typeof midi === 'number') return midi;
  return fail(
    'BAD_PITCH',
    field,
    `${where}: ${shown(pitch)} is not a pitch; write a letter A to G, # or b where needed, and an octave, such as E2 or F#3 (C4 is middle C).`,
  );
}

/**
 * Pitch name of a MIDI number, with sharps or flats. Example: pitchName(61, true) is 'Db4'.
 * @example pitchName(61) // 'C#4'
 * @example pitchName(61, true) // 'Db4'
 */
export const pitchName = (midi: number, flats = false): PitchName => (flats ? Note.fromMidi(midi) : Note.fromMidiSharps(midi));

/**
 * Equal-tempered frequency in hertz: 440 · 2^((midi − 69)/12).
 * @example hertzOf(69) // 440
 */
export const hertzOf = (midi: number): number => A4_HZ * 2 ** ((midi - A4_MIDI) / 12);

/**
 * The note an interval such as `3m` above another, spelled by letter.
 * @example noteAbove('D', '3m') // 'F'
 */
export const noteAbove = (from: NoteName, interval: string): NoteName => Note.transpose(from, interval);

/** The simplest enharmonic spelling; the name itself where it has at most one accidental. */
export const simpler = (name: NoteName): NoteName => (accidentals(name) > 1 ? Note.simplify(name) : name);

/**
 * Signs in a note's name.
 * @example accidentals('Ebb') // 2
 */
export const accidentals = (name: string): number => name.replace(/[^#b]/g, '').length;
