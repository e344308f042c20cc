import { LONGEST_NOTE, TICKS, type PitchedNote, type PitchName } from '../core';
import { refuseFile } from './errors';

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

/** Ten thousand bars of four quarters: no file is read that lasts longer. */
const MOST_TICKS = TICKS * 4 * 10_000;
export const checkLasts = (ticks: number): void =>
  void (ticks > MOST_TICKS && refuseFile('this file lasts longer than ten thousand bars.'));

/** A note as long as it may be, with what is longer tied on; a rest as several. The bend and the finger are those of the first. */
export function inPieces<N extends PitchedNote>(n: N): N[] {
  if (n.ticks <= LONGEST_NOTE) return [n];
  return Array.from({ length: Math.ceil(n.ticks / LONGEST_NOTE) }, (_, k): N => {
    const piece = { ...n, ticks: Math.min(LONGEST_NOTE, n.ticks - k * LONGEST_NOTE) };
    if (!k) return piece;
    delete piece.bend;
    delete piece.finger;
    if (n.midi === null) delete piece.join;
    else piece.join = 'tie';
    return piece;
  });
}
