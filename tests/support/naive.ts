import { midiOf, scaleNotes, stringsUpward, type Instrument, type Place, type ScaleRef, type Shape } from '../../core';

// Naive twins: each layout's defining property, written again from its definition with plain loops over every place.

export const open = (i: Instrument, string: number): number => midiOf(i.strings[string - 1].open);
export const midi = (i: Instrument, p: Place): number => open(i, p.string) + p.fret;
const classes = new Map<string, Set<number>>();
const classesOf = (ref: ScaleRef): Set<number> => {
  const key = JSON.stringify(ref);
  if (!classes.has(key)) classes.set(key, new Set(scaleNotes(ref).map((n) => (midiOf(`${ref.tonic}4`) + n.semitones) % 12)));
  return classes.get(key) as Set<number>;
};
export const isScale = (ref: ScaleRef, m: number): boolean => classesOf(ref).has(m % 12);
export const keys = (places: Place[]): string[] => places.map((p) => `${p.string}/${p.fret}`).sort();
export const pitches = (i: Instrument, s: Shape): number[] => s.notes.map((n) => midi(i, n));
export const scaleBetween = (ref: ScaleRef, low: number, high: number): number[] =>
  Array.from({ length: Math.max(0, high - low + 1) }, (_, k) => low + k).filter((m) => isScale(ref, m));
export const perString = (i: Instrument, s: Shape): Place[][] =>
  stringsUpward(i).map((string) => s.notes.filter((n) => n.string === string));
