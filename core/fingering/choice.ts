import type { FingeredStep, Instrument, Place } from '../types';
import { waysToFinger, type FingerOptions } from './index';

/** One of two ways to play a two-note cell that lies where the hand has to move on. */
export interface HandChoice {
  /** The hand stays and reaches out of it, or plays the cell close and moves. */
  readonly way: 'reach' | 'move';
  /** Fingers of the cell. */
  readonly fingers: [number, number];
  /** The line fingered this way. */
  readonly steps: FingeredStep[];
}

/** A two-note cell of a line, both ways to play it, and which of them is the better one. */
export interface CellChoice {
  /** Index of the cell's first note in the line. */
  readonly index: number;
  /** The string of the notes in question. */
  readonly string: number;
  /** The frets between which the choice lies. */
  readonly frets: [number, number];
  /** Both ways. */
  readonly choices: [HandChoice, HandChoice];
  /** The cheaper of them. */
  readonly better: HandChoice['way'];
}

/** How many of the best ways are looked through. */
const LOOKED = 24;

/**
 * Wherever a two-note cell is followed by a shift in one of the best ways to play a line and not in another: both ways, the
 * cheapest of each, "reach" first (common practice, no published source). Fingers settled by `pins` are kept. Throws what
 * fingerNotes throws.
 */
export function handChoices(i: Instrument, places: readonly Place[], o: FingerOptions): CellChoice[] {
  if (places.length < 3) return [];
  const ways = waysToFinger(i, places, o, LOOKED);
  return cellsOfTwo(places).flatMap((index): CellChoice[] => {
    const [reach, move] = [false, true].map((moves) => ways.findIndex((w) => movesAfter(w, index) === moves && stopped(w, index)));
    if (reach! < 0 || move! < 0) return [];
    const choice = (way: HandChoice['way'], steps: FingeredStep[]): HandChoice => ({ way, fingers: [steps[index]!.finger, steps[index + 1]!.finger], steps }); // prettier-ignore
    const both: [HandChoice, HandChoice] = [choice('reach', ways[reach!]!), choice('move', ways[move!]!)];
    if (both[0].fingers.join() === both[1].fingers.join()) return [];
    const { string, fret } = places[index]!;
    return [{ index, string, frets: [fret, places[index + 1]!.fret], choices: both, better: reach! < move! ? 'reach' : 'move' }];
  });
}

/** Where two notes lie on one string, and the line goes on elsewhere. */
const cellsOfTwo = (places: readonly Place[]): number[] =>
  places.flatMap((p, k) => {
    const on = (n: number): boolean => places[n]?.string === p.string;
    return on(k + 1) && !on(k - 1) && !on(k + 2) && k + 2 < places.length ? [k] : [];
  });

const movesAfter = (steps: readonly FingeredStep[], index: number): boolean => steps[index + 2]!.handFret !== steps[index + 1]!.handFret;
/** The cell itself is played without a move, both notes stopped. */
const stopped = (steps: readonly FingeredStep[], index: number): boolean =>
  steps[index]!.finger > 0 && steps[index + 1]!.finger > 0 && steps[index]!.handFret === steps[index + 1]!.handFret;
