import { Note } from 'tonal';
import { listScales, type Instrument, type Place, type ScaleRef, type Shape } from '../../core';

// Naive twins: each layout's defining property, written again from its definition with plain loops over every place. Pitches
// come from a library of their own; of the core only the catalogue's rows of degrees are read, which have tests of their own.

const midiOf = (pitch: string): number => Note.get(pitch).midi ?? NaN;
/** Half steps of a degree: the major scale's, less the flats, plus the sharps. */
const halfSteps = (degree: string): number => [0, 2, 4, 5, 7, 9, 11][Number(degree.slice(-1)) - 1]! + degree.split('#').length - degree.split('b').length; // prettier-ignore
const degreesOf = ({ scale }: ScaleRef): string[] =>
  Array.isArray(scale) ? scale : (listScales().find((s) => [s.id, s.name, ...s.aliases].some((n) => n.toLowerCase() === scale.toLowerCase()))?.degrees ?? scale.split(' ')); // prettier-ignore
/** Strings from the lowest sound; of two alike the higher number first. */
const upward = (i: Instrument): number[] =>
  i.strings.map((_, k) => k + 1).sort((a, b) => midiOf(i.strings[a - 1]!.open) - midiOf(i.strings[b - 1]!.open) || b - a);

export const open = (i: Instrument, string: number): number => midiOf(i.strings[string - 1]!.open);
export const midi = (i: Instrument, p: Place): number => open(i, p.string) + p.fret;
const classes = new Map<string, Set<number>>();
const classesOf = (ref: ScaleRef): Set<number> => {
  const key = JSON.stringify(ref);
  if (!classes.has(key)) classes.set(key, new Set(degreesOf(ref).map((d) => (midiOf(`${ref.tonic}4`) + halfSteps(d) + 12) % 12)));
  return classes.get(key) as Set<number>;
};
export const isScale = (ref: ScaleRef, m: number): boolean => classesOf(ref).has(m % 12);
export const keys = (places: Place[]): string[] => places.map((p) => `${p.string}/${p.fret}`).sort();
export const pitches = (i: Instrument, s: Shape): number[] => s.notes.map((n) => midi(i, n));
export const scaleBetween = (ref: ScaleRef, low: number, high: number): number[] =>
  Array.from({ length: Math.max(0, high - low + 1) }, (_, k) => low + k).filter((m) => isScale(ref, m));
export const perString = (i: Instrument, s: Shape): Place[][] => upward(i).map((string) => s.notes.filter((n) => n.string === string));
