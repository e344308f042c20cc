import type { PitchedNote, PitchName } from '../core';

/** A line of notes as a file tells it, whatever the format. */
export interface FileLine {
  /** Empty where the file has none. */
  name: string;
  /** Open pitches, string 1 first, where the file has them. */
  open: PitchName[] | null;
  capo: number;
  /** Quarter notes a minute. */
  tempo: number | null;
  meter: [number, number];
  notes: PitchedNote[];
  /** What was taken and what was left out, in words. */
  remarks: string[];
}

/** Most notes that one line of a file may have. */
export const MOST_FILE_NOTES = 20_000;

/** Files larger than this are not read, in bytes; archives may not unpack to more than this. */
export const FILE_LIMIT = 20 * 1024 * 1024;
export const UNPACKED_LIMIT = 50 * 1024 * 1024;

/** "3 slides were left out", or nothing where there are none. */
export const leftOut = (count: number, one: string, many: string, why: string): string[] =>
  count === 0 ? [] : [`${count} ${count === 1 ? one : many} left out: ${why}.`];
