import { checkWhole, fail } from '../errors';
import type { LickNote } from './types';

/** Parts of a quarter note: whole numbers for every note value down to the 64th, and for their triplets. */
export const TICKS = 480;
/** The longest single note, in ticks: two whole notes. What lasts longer is tied. */
export const LONGEST_NOTE = TICKS * 8;

/** A note value by name. */
export type NoteType = 'whole' | 'half' | 'quarter' | 'eighth' | '16th' | '32nd' | '64th';

/** A length as it is written. */
export interface NoteValue {
  /** Its name. */
  readonly type: NoteType;
  /** Dots behind it. */
  readonly dots: 0 | 1 | 2;
  /** Three in the time of two. */
  readonly triplet: boolean;
  /** Length, 480 a quarter. */
  readonly ticks: number;
}

const TYPES: NoteType[] = ['whole', 'half', 'quarter', 'eighth', '16th', '32nd', '64th'];

/** Every length that one sign can write, longest first. */
export const NOTE_VALUES: readonly NoteValue[] = Object.freeze(
  TYPES.flatMap((type, k): NoteValue[] => {
    const plain = (TICKS * 4) / 2 ** k;
    return [
      { type, dots: 0, triplet: false, ticks: plain },
      { type, dots: 1, triplet: false, ticks: plain * 1.5 },
      { type, dots: 2, triplet: false, ticks: plain * 1.75 },
      { type, dots: 0, triplet: true, ticks: (plain * 2) / 3 },
    ] satisfies NoteValue[];
  })
    .filter((v) => Number.isInteger(v.ticks))
    .sort((a, b) => b.ticks - a.ticks),
);

const BY_TICKS = new Map([...NOTE_VALUES].reverse().map((v) => [v.ticks, v]));

/**
 * The sign for a length, or null where it takes more than one.
 * @example noteValue(720) // { type: 'quarter', dots: 1, triplet: false, ticks: 720 }
 * @example noteValue(500) // null
 */
export const noteValue = (ticks: number): NoteValue | null => BY_TICKS.get(ticks) ?? null;

/** Signs tied together at most, before a remainder is left out. */
const MOST_SIGNS = 4;

/**
 * The fewest single signs that make up a length, longest first; where none do, what comes nearest below it.
 * Example: five sixteenths (600 ticks) are a quarter and a sixteenth.
 * @example writtenParts(600).length // 2
 */
export function writtenParts(ticks: number): NoteValue[] {
  for (let count = 1; count <= MOST_SIGNS; count++) {
    const parts = exactParts(ticks, count, 0);
    if (parts) return parts;
  }
  return nearestParts(ticks);
}

function exactParts(ticks: number, count: number, from: number): NoteValue[] | null {
  if (count === 1) {
    const last = noteValue(ticks);
    return last && [last];
  }
  for (let k = from; k < NOTE_VALUES.length; k++) {
    const v = NOTE_VALUES[k]!;
    if (v.ticks * count < ticks) return null;
    const rest = v.ticks < ticks ? exactParts(ticks - v.ticks, count - 1, k) : null;
    if (rest) return [v, ...rest];
  }
  return null;
}

function nearestParts(ticks: number): NoteValue[] {
  const parts: NoteValue[] = [];
  let left = ticks;
  for (const v of NOTE_VALUES) for (; v.ticks <= left; left -= v.ticks) parts.push(v);
  return parts;
}

/**
 * Length of a lick in ticks.
 * @example lickTicks(lick) // 1920
 */
export const lickTicks = (notes: readonly Pick<LickNote, 'ticks'>[]): number => notes.reduce((sum, n) => sum + n.ticks, 0);

/**
 * Start of each note in ticks.
 * @example startsOf(lick) // [0, 480, 960, 1440]
 */
export function startsOf(notes: readonly Pick<LickNote, 'ticks'>[]): number[] {
  let at = 0;
  return notes.map((n) => {
    const start = at;
    at += n.ticks;
    return start;
  });
}

/**
 * Ticks in a bar of so many beats of a note value (4 is a quarter). Throws BAD_OPTION.
 * @example barTicks([6, 8]) // 1440
 * @example barTicks([4, 4]) // 1920
 */
export function barTicks([beats, value]: readonly [number, number]): number {
  checkWhole('BAD_OPTION', 'meter[0]', beats, 1, 32);
  if (![1, 2, 4, 8, 16, 32].includes(value)) fail('BAD_OPTION', 'meter[1]', 'meter[1]: the beat is 1, 2, 4, 8, 16 or 32.');
  return (beats * TICKS * 4) / value;
}

/**
 * Throws BAD_OPTION where a length is none.
 * @example checkTicks(480) // 480
 */
export const checkTicks = (ticks: number, field = 'ticks'): number => checkWhole('BAD_OPTION', field, ticks, 1, LONGEST_NOTE);

/** Plain lengths that a player steps through, shortest first, in ticks: a 64th to a whole note. */
export const PLAIN_LENGTHS: readonly number[] = Object.freeze([...TYPES].reverse().map((_, k) => (TICKS / 16) * 2 ** k));

/**
 * The next longer (1) or shorter (-1) plain length; the same where there is none. Example: a dotted eighth goes to a quarter.
 * @example stepLength(480, 1) // 960
 */
export function stepLength(ticks: number, by: 1 | -1): number {
  const longer = PLAIN_LENGTHS.filter((t) => t > ticks);
  const shorter = PLAIN_LENGTHS.filter((t) => t < ticks);
  return (by > 0 ? longer[0] : shorter[shorter.length - 1]) ?? ticks;
}

const isPlain = (ticks: number): boolean => PLAIN_LENGTHS.includes(ticks);

/**
 * A plain length dotted (half as long again), a dotted one plain; any other as it is.
 * @example toggleDot(480) // 720
 */
export const toggleDot = (ticks: number): number => (isPlain(ticks) ? ticks * 1.5 : isPlain(ticks / 1.5) ? ticks / 1.5 : ticks);

/**
 * A plain length as three in the time of two, and back; any other as it is.
 * @example toggleTriplet(480) // 320
 */
export const toggleTriplet = (ticks: number): number =>
  isPlain(ticks) ? (ticks * 2) / 3 : isPlain((ticks * 3) / 2) ? (ticks * 3) / 2 : ticks;
