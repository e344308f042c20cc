import type { HeardNote } from './heard';

/** How a chord is heard. */
export const CHORD_SOUNDS = ['block', 'strum', 'arpeggio'] as const;
export type ChordSound = (typeof CHORD_SOUNDS)[number];

type Sounding = Pick<HeardNote, 'midi' | 'string'>;

/** Between the strings of a strum, and the notes of an arpeggio, in beats; how long a chord stands, and how long a drone before it. */
const STRUM = 0.09;
const ARPEGGIO = 0.5;
const STANDS = 4;
const BEFORE = 2;
/** Channels of the drone: no string of an instrument. */
const DRONE = 100;

/** A chord, its lowest sound first: at once, over the strings, or note by note; over a drone that begins before it, if there is one. */
export function chordHeard(sounds: readonly Sounding[], how: ChordSound, drone: readonly number[] = []): HeardNote[] {
  const start = drone.length ? BEFORE : 0;
  const apart = how === 'block' ? 0 : how === 'strum' ? STRUM : ARPEGGIO;
  const end = start + apart * (sounds.length - 1) + STANDS;
  const chord = sounds.map(({ midi, string }, k) => ({ midi, string, beat: start + k * apart, beats: end - start - k * apart }));
  return [...drone.map((midi, k) => ({ midi, string: DRONE + k, beat: 0, beats: end })), ...chord];
}

/** The tones of a chord in close position from the octave of E3 up, each as on a string of its own. */
export function closePosition(sounds: readonly number[]): Sounding[] {
  const LOW = 52;
  let last = LOW - 1;
  return sounds.map((chroma, k) => {
    const midi = last + 1 + ((chroma - ((last + 1) % 12) + 12) % 12);
    last = midi;
    return { midi, string: Math.max(1, sounds.length - k) };
  });
}

/** A tonic and its octave, low. */
export const droneOn = (chroma: number): number[] => {
  const LOW = 40;
  const root = LOW + ((chroma - (LOW % 12) + 12) % 12);
  return [root, root + 12];
};

/** A scale up an octave from its tonic, in eighths, over a chord that stands under it. Pitch classes; the tonic is the first. */
export function scaleOverChord(scale: readonly number[], chord: readonly number[]): HeardNote[] {
  const up = closePosition([...scale, scale[0]!]);
  const line = up.map(({ midi }, k): HeardNote => ({ midi, string: 2, beat: BEFORE + k / 2, beats: k === up.length - 1 ? 2 : 0.5 }));
  const end = BEFORE + up.length / 2 + 2;
  const under = closePosition(chord).map(({ midi }, k): HeardNote => ({ midi: midi - 12, string: DRONE + k, beat: 0, beats: end }));
  return [...under, ...line];
}
