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
