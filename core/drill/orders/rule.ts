import type { ShapeNote } from '../../types';
import type { DrillOptions } from '../types';

/** What an order is given: the notes for the way up and for the way down, both rising, and home. */
export interface Asked {
  /** The notes for the way up, rising. */
  readonly up: readonly ShapeNote[];
  /** The notes for the way down, rising too. */
  readonly down: readonly ShapeNote[];
  /** Whether a note is a root: the scale's own or the relative one. */
  readonly isRoot: (n: ShapeNote) => boolean;
  /** Home, as an index of `up`; throws where there is none. */
  readonly home: () => number;
  /** What was asked for. */
  readonly o: DrillOptions;
}

/** An order: what it plays, and which options it listens to beside the strings and the end. */
export interface OrderRule {
  /** The notes in this order. */
  readonly play: (asked: Asked) => ShapeNote[];
  /** The options that this order reads. */
  readonly options: readonly (keyof DrillOptions)[];
}

/** The same notes from the end to the beginning; the list given stays as it is. */
export const turned = <T>(notes: readonly T[]): T[] => [...notes].reverse();

/** One run after another: a note that would stand twice where they meet stands there once, unless twice is asked. */
export const meet = (turn: DrillOptions['turn'], ...runs: (readonly ShapeNote[])[]): ShapeNote[] =>
  runs.reduce<ShapeNote[]>((all, run) => {
    const last = all.at(-1);
    const same = last && run.length > 0 && last.string === run[0]!.string && last.fret === run[0]!.fret;
    return [...all, ...(same && turn !== 'twice' ? run.slice(1) : run)];
  }, []);

/** Pieces of a run, each beginning one note on: every one of the indices `picks` counts from there. */
export const along = (notes: readonly ShapeNote[], picks: readonly number[]): ShapeNote[] =>
  notes.flatMap((_, k) => (k + Math.max(...picks) < notes.length ? picks.map((p) => notes[k + p]!) : []));
