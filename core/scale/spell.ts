import { accidentals, chromaOf } from '../pitch';
import type { NoteName, PitchName, ScaleRef } from '../types';
import { mod12, noteOnDegree, plainDegree } from './degrees';
import { scaleNotes } from './scale';

const alterOf = (name: NoteName): number => (name.includes('b') ? -1 : 1) * accidentals(name);

/**
 * A pitch by the letter it is spelled with; the octave follows the letter: Cb4 sounds as B3.
 * @example pitchAs('Bb', 70) // 'Bb4'
 */
export function pitchAs(name: NoteName, midi: number): PitchName {
  return `${name}${Math.floor((midi - alterOf(name)) / 12) - 1}`;
}

/**
 * Whether a pitch (MIDI number) sounds as one of a scale's notes, in any octave and whatever it is called. Throws UNKNOWN_SCALE, BAD_NOTE.
 * @example isOfScale({ tonic: 'F#', scale: 'dorian' }, 61) // true
 */
export const isOfScale = (ref: ScaleRef, midi: number): boolean => scaleNotes(ref).some((n) => chromaOf(n.name) === mod12(midi));

/**
 * Spells pitches (MIDI numbers) as a scale does; what is not of it by its plain degree against the tonic.
 * Example: in Gb major, MIDI 59 is 'Cb4'. Throws UNKNOWN_SCALE, BAD_NOTE.
 * @example spellerIn({ tonic: 'F', scale: 'ionian' })(70) // 'Bb4'
 */
export function spellerIn(ref: ScaleRef): (midi: number) => PitchName {
  const names = new Map(scaleNotes(ref).map((n) => [chromaOf(n.name), n.name]));
  const tonic = chromaOf(ref.tonic);
  return (midi) => pitchAs(names.get(mod12(midi)) ?? noteOnDegree(ref.tonic, plainDegree(midi - tonic)), midi);
}
