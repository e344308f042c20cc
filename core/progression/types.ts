import type { DegreeName, Place, ScaleRef } from '../types';

/** A bar of a progression. */
export interface Bar {
  /** In order; their beats make up the bar. SILENT stands where none sounds. */
  readonly chords: { readonly symbol: string; beats: number }[];
  /** The name of the section that begins here. */
  readonly section?: string;
}

/** No chord: written N.C., or where one could not be read. */
export const SILENT = 'N.C.';

/** What of a typed progression cannot be read, counted in characters from 0, and what may have been meant. */
export interface ProgressionFault {
  /** The first sign that is wrong, from 0. */
  readonly at: number;
  /** How many signs are. */
  readonly length: number;
  /** What is wrong, in words. */
  readonly message: string;
  /** What may have been meant. */
  readonly nearest: string[];
}

/** A scale over a chord. */
export interface ScaleFit {
  /** The scale. */
  readonly ref: ScaleRef;
  /** 0 to 1. */
  readonly fit: number;
  /** Notes of the scale a half step above a tone of the chord, and the one that is its colour; as degrees of the scale. */
  readonly rubs: DegreeName[];
  /** Degrees that it adds to the chord. */
  readonly colour: DegreeName[];
  /** Why it fits, in words. */
  readonly why: string;
}

/** A chord tone of what comes next, from a note: where, what it is there, and how many half steps away. */
export interface Target {
  /** Where it is. */
  readonly place: Place;
  /** What it is in the next chord. */
  readonly degree: DegreeName;
  /** Semitones from the note before. */
  readonly by: -2 | -1 | 0 | 1 | 2;
}

/** One parent scale as long as it fits, or the best scale for every chord. */
export const PATH_SCHOOLS = ['one-parent', 'per-chord'] as const;
/** Whether the hand stays where it is or climbs. */
export const PATH_MOTIONS = ['stay', 'climb'] as const;

/** What is minded along a form, as factors: 1 is usual, 0 not at all. */
export interface PathWeights {
  /** Millimetres that the hand moves. */
  readonly travel: number;
  /** Notes that change from scale to scale. */
  readonly changes: number;
  /** How well a scale fits its chord. */
  readonly fit: number;
  /** How far the hand is from its first place at the end of the form, where the top comes again; it is nothing to a climb. */
  readonly home: number;
}
/** Usual weights of a path. */
export const PATH_WEIGHTS: PathWeights = { travel: 1, changes: 1, fit: 1, home: 0 };
/** The most that a weight may be. */
export const MOST_PATH_WEIGHT = 10;
