import { mod12 } from '../scale';
import type { ScaledNeck } from '../neck';
import type { Place } from '../types';

/** Pitch classes of the whole scale, from the tonic up. */
export const scaleClasses = (neck: ScaledNeck): number[] => {
  const home = neck.toneOf.findIndex((t) => t?.semitones === 0);
  return neck.tones.map((t) => mod12(home + t.semitones));
};

/** The nearest pitch above (by 1) or below (by -1) whose class is one of `classes`. */
export function stepFrom(classes: number[], midi: number, by: 1 | -1): number {
  let m = midi + by;
  while (!classes.includes(mod12(m))) m += by;
  return m;
}

/** `count` pitches going up or down from `midi`, itself the first. */
export function pitchesFrom(classes: number[], midi: number, count: number, by: 1 | -1 = 1): number[] {
  const pitches: number[] = [];
  for (let m = midi; pitches.length < count; m = stepFrom(classes, m, by)) pitches.push(m);
  return pitches;
}

/** Every place of one string that sounds one of `classes`, upward, with the index of its class. */
export function startsOn(neck: ScaledNeck, classes: number[], string: number): { readonly midi: number; readonly index: number }[] {
  const starts: { readonly midi: number; readonly index: number }[] = [];
  for (let fret = neck.nut; fret <= neck.last; fret++) {
    const midi = neck.open[string]! + fret;
    const index = classes.indexOf(midi % 12);
    if (index >= 0) starts.push({ midi, index });
  }
  return starts;
}

/** Whether a fret lies between the nut (or capo) and the last fret. */
export const onNeck = (neck: ScaledNeck, fret: number): boolean => fret >= neck.nut && fret <= neck.last;

/**
 * Runs up the strings, `counts[k]` pitches on the k-th, on from `midi`. Places off the neck are kept: the caller decides.
 * @example climb({ start: 60, goal: 120, step: 5, clean: 1, misses: 2 }, { tempo: 60, clean: 0, misses: 0 }, 'clean').standing.tempo // 65
 */
export function climb(neck: ScaledNeck, classes: number[], midi: number, strings: number[], counts: number[]): Place[][] {
  const total = counts.reduce((a, b) => a + b, 0);
  const pitches = pitchesFrom(classes, midi, total);
  let used = 0;
  return strings.map((string, k) => pitches.slice(used, (used += counts[k]!)).map((m) => ({ string, fret: m - neck.open[string]! })));
}

/** Whether all notes of some strings lie on the neck. */
export const isWhole = (neck: ScaledNeck, cells: Place[][]): boolean => cells.every((c) => c.every((p) => onNeck(neck, p.fret)));

/**
 * A shape grown from a chosen place: cut at the ends of the neck where it stands, and again an octave (12 frets)
 * up and down wherever all of it fits (docs/decisions.md).
 */
export function withFolds(neck: ScaledNeck, places: Place[]): Place[][] {
  const octaves = [-36, -24, -12, 12, 24, 36].map((by) => places.map((p) => ({ ...p, fret: p.fret + by })));
  const copies = octaves.filter((copy) => isWhole(neck, [copy]));
  const here = places.filter((p) => onNeck(neck, p.fret));
  return [here, ...copies].filter((c) => c.length > 0);
}
