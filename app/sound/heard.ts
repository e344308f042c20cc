import { midiOf, type Instrument, type Place } from '../../core';
import type { Score } from './engine/score';
import { stringSound } from './sounds';

/** One note of what is heard: at a beat, for some beats, on a string. */
export interface HeardNote {
  readonly midi: number;
  readonly string: number;
  readonly beat: number;
  readonly beats: number;
}
type Sounding = Pick<HeardNote, 'midi' | 'string'>;

/** Places as they sound on an instrument. */
export const soundsOf = (i: Instrument, places: readonly Place[]): Sounding[] => {
  const open = i.strings.map((s) => midiOf(s.open));
  return places.map(({ string, fret }) => ({ string, midi: open[string - 1]! + fret }));
};

/** Of a note's length so much is held, so that two alike are heard as two. */
export const HELD = 0.98;
const GAIN = 0.8;

/** Notes as a score, played once. */
export const scoreOf = (notes: readonly HeardNote[]): Score => ({
  beats: notes.reduce((end, n) => Math.max(end, n.beat + n.beats), 0),
  events: notes.map(({ midi, string, beat, beats }) => ({
    beat,
    beats: beats * HELD,
    sound: stringSound(string, midi),
    channel: string,
    gain: GAIN,
  })),
});

/** Up and down as eighth notes, the top once, the last note held. Returns the notes and, for each, which of those given it is. */
export function upAndDown(notes: readonly Sounding[]): { readonly notes: HeardNote[]; readonly index: number[] } {
  const index = [...notes.keys(), ...[...notes.keys()].reverse().slice(1)];
  return { notes: eighths(index.map((at) => notes[at]!)), index };
}

/** A line as eighth notes, the last one held. */
export const eighths = (notes: readonly Sounding[]): HeardNote[] =>
  notes.map(({ midi, string }, k) => ({ midi, string, beat: k / 2, beats: k === notes.length - 1 ? 2 : 0.5 }));
