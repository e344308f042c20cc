import type { DegreeName, Place, ScaleRef } from '../types';

/** A bar of a progression. */
export interface Bar {
  /** In order; their beats make up the bar. SILENT stands where none sounds. */
  chords: { symbol: string; beats: number }[];
  /** The name of the section that begins here. */
  section?: string;
}

/** No chord: written N.C., or where one could not be read. */
export const SILENT = 'N.C.';

/** What of a typed progression cannot be read, counted in characters from 0, and what may have been meant. */
export interface ProgressionFault {
  /** The first sign that is wrong, from 0. */
  at: number;
  /** How many signs are. */
  length: number;
  /** What is wrong, in words. */
  message: string;
  /** What may have been meant. */
  nearest: string[];
}

/** A scale over a chord. */
export interface ScaleFit {
  /** The scale. */
  ref: ScaleRef;
  /** 0 to 1. */
  fit: number;
  /** Notes of the scale a half step above a tone of the chord, and the one that is its colour; as degrees of the scale. */
  rubs: DegreeName[];
  /** Degrees that it adds to the chord. */
  colour: DegreeName[];
  /** Why it fits, in words. */
  why: string;
}

/** A chord tone of what comes next, from a note: where, what it is there, and how many half steps away. */
export interface Target {
  /** Where it is. */
  place: Place;
  /** What it is in the next chord. */
  degree: DegreeName;
  /** Semitones from the note before. */
  by: -2 | -1 | 0 | 1 | 2;
}
