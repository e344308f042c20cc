import { fingerNotes, fingersFor } from '../fingering';
import { openMidis } from '../instrument';
import type { FingeredStep, FingeringSchool, Hand, Instrument, LineTiming, Place } from '../types';
import type { LickNote } from './types';
import { lickTicks, startsOf } from './rhythm';

/**
 * The notes that are struck or joined, without rests and what is tied on: each with its index in the lick.
 * @example struckNotes(lick).length // 4
 */
export function struckNotes(notes: readonly LickNote[]): { readonly index: number; readonly place: Place }[] {
  return notes.flatMap((n, index) => (n.place && n.join !== 'tie' ? [{ index, place: n.place }] : []));
}

/** A note as it sounds: ties joined. MIDI number of the fretted pitch and, where it is bent, of the target. */
export interface SoundedNote {
  /** Which note of the lick, from 0. */
  readonly index: number;
  /** Where it is played. */
  readonly place: Place;
  /** As it is pressed. */
  readonly midi: number;
  /** As it sounds at the end of a bend. */
  readonly target: number;
  /** In ticks from the beginning, 480 a quarter. */
  readonly start: number;
  /** How long it sounds, tied notes with it. */
  ticks: number;
  /** As it stands in the lick. */
  readonly note: LickNote;
}

/**
 * The lick as it sounds, in order.
 * @example soundedNotes(six, lick)[1].start // 480
 */
export function soundedNotes(i: Instrument, notes: readonly LickNote[]): SoundedNote[] {
  const open = openMidis(i);
  const sounded: SoundedNote[] = [];
  let at = 0;
  notes.forEach((note, index) => {
    const last = sounded[sounded.length - 1];
    if (note.place && note.join === 'tie' && last && last.start + last.ticks === at) last.ticks += note.ticks;
    else if (note.place) {
      const midi = open[note.place.string - 1]! + note.place.fret;
      sounded.push({ index, place: note.place, midi, target: midi + (note.bend ?? 0), start: at, ticks: note.ticks, note });
    }
    at += note.ticks;
  });
  return sounded;
}

/** A stretch of one pitch, as it is heard: MIDI number, string, begin and length in ticks. */
export interface HeardPitch {
  /** Index of its note in the lick. */
  readonly index: number;
  /** MIDI number. */
  readonly midi: number;
  /** The string it is played on. */
  readonly string: number;
  /** In ticks, 480 a quarter. */
  readonly start: number;
  /** How long it sounds. */
  readonly ticks: number;
}

/**
 * The lick as pitches follow one another: a bent note at its target, one that is let down half there and half at its fret.
 * @example heardPitches(six, lick).map((p) => p.midi) // [45, 48, 50, 52]
 */
export const heardPitches = (i: Instrument, notes: readonly LickNote[]): HeardPitch[] =>
  soundedNotes(i, notes).flatMap(({ index, midi, target, place: { string }, start, ticks, note }) => {
    const up = note.release ? Math.ceil(ticks / 2) : ticks;
    const bent = { index, midi: target, string, start, ticks: up };
    return up < ticks ? [bent, { ...bent, midi, start: start + up, ticks: ticks - up }] : [bent];
  });

/**
 * Fretted pitches of the struck notes, MIDI numbers.
 * @example lickPitches(six, lick) // [45, 48, 50, 52]
 */
export const lickPitches = (i: Instrument, notes: readonly LickNote[]): number[] => {
  const open = openMidis(i);
  return struckNotes(notes).map(({ place }) => open[place.string - 1]! + place.fret);
};

/**
 * How the struck notes of a lick are played, one entry a note: joins, bends, the time from each to the next and the silence before it.
 * What follows a tap is no slur of the fretting hand. The tempo is left out, so that an even line has the fingers that it has
 * without lengths (docs/decisions.md).
 */
export function lickTiming(notes: readonly LickNote[]): Required<Omit<LineTiming, 'tempo'>> {
  const struck = struckNotes(notes);
  const starts = startsOf(notes);
  const end = lickTicks(notes);
  const tapped = (k: number): boolean => notes[struck[k]!.index]!.join === 'tap';
  return {
    joins: struck.map(({ index }, k) => (k > 0 && tapped(k - 1) ? null : (notes[index]!.join ?? null))),
    bends: struck.map(({ index }) => notes[index]!.bend ?? null),
    ticks: struck.map(({ index }, k) => (k + 1 < struck.length ? starts[struck[k + 1]!.index]! : end) - starts[index]!),
    rests: struck.map(({ index }) => silenceBefore(notes, index)),
  };
}

/** Ticks of the rests right before a note. */
function silenceBefore(notes: readonly LickNote[], index: number): number {
  let ticks = 0;
  for (let k = index - 1; k >= 0 && !notes[k]!.place; k--) ticks += notes[k]!.ticks;
  return ticks;
}

/**
 * The lick with its struck notes on other places, in order; tied notes follow theirs.
 * @example withPlaces(lick, lick.map((n) => n.place)).length // 4
 */
export function withPlaces(notes: readonly LickNote[], places: readonly Place[]): LickNote[] {
  let k = -1;
  return notes.map((n) => {
    if (!n.place) return n;
    if (n.join !== 'tie') k++;
    const { string, fret } = places[k]!;
    return { ...n, place: { string, fret } };
  });
}

/**
 * Fingers for a lick: a step for every note that is struck, null for rests and ties; a tapped one has finger 0, and the hand stays. Throws BAD_PLACE, BAD_OPTION.
 * @example fingerLick(six, lick, plain).map((s) => s?.finger) // [1, 4, 1, 3]
 */
export function fingerLick(
  i: Instrument,
  notes: readonly LickNote[],
  o: { readonly school: FingeringSchool; readonly hand?: Hand },
): (FingeredStep | null)[] {
  const { joins: given } = lickTiming(notes);
  // The other hand's notes, with all that is tied to them, are silence to this one.
  let other = false;
  const fretted = notes.map((n) => {
    if (n.join !== 'tie') other = n.join === 'tap';
    return other ? { ticks: n.ticks, place: null } : n;
  });
  const struck = struckNotes(fretted);
  const slurs = new Map(struckNotes(notes).map(({ index }, k) => [index, given[k]]));
  const { bends, ticks, rests } = lickTiming(fretted);
  const pins = struck.flatMap(({ index, place }, k) => {
    const { finger } = notes[index]!;
    return finger && fingersFor(i, place, o).includes(finger) ? [{ index: k, finger }] : [];
  });
  const timing = { joins: struck.map(({ index }) => slurs.get(index) ?? null), bends, ticks, rests };
  const steps = fingerNotes(i, struck.map((s) => s.place), { ...o, ...timing, pins }); // prettier-ignore
  const at = new Map(struck.map(({ index }, k) => [index, steps[k]]));
  let hand = steps[0]?.handFret ?? 1;
  return notes.map((n, k): FingeredStep | null => {
    const step = at.get(k);
    if (step) hand = step.handFret;
    if (n.place && n.join === 'tap') return { ...n.place, finger: 0, handFret: hand, move: 'stay', costMm: 0 };
    return step ?? null;
  });
}
