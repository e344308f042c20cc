import { checkNumber } from '../errors';

/** A note in time, in ms. */
export interface TimedNote {
  /** MIDI number. */
  readonly midi: number;
  /** In ms from the beginning. */
  readonly atMs: number;
}

/** What became of an expected note. */
export interface NoteVerdict {
  /** What became of it. */
  readonly verdict: 'right' | 'wrong' | 'missed';
  /** What was heard in its place. */
  readonly heardMidi?: number;
  /** More than 0 is late. */
  readonly offMs?: number;
}

/** How a pass was played, note by note. */
export interface PassScore {
  /** One for each expected note. */
  readonly notes: NoteVerdict[];
  /** Indices of heard notes that stand for none. */
  readonly extra: number[];
  /** Nothing wrong, missed or extra, and `inTime` of the notes within `lateMs`. */
  readonly clean: boolean;
}

/** When a note counts as right. */
export interface ScoreOptions {
  /** A heard note stands for an expected one at most so far away; 150 unless said, 10 to 1000. */
  readonly windowMs?: number;
  /** From the sound to the time it is heard at; set off. 0 unless said, -500 to 2000. */
  readonly latencyMs?: number;
  /** Early or late by more than this is not in time; 60 unless said, 1 to 500. */
  readonly lateMs?: number;
  /** The share of the notes that have to be right and in time for a clean pass; 0.95 unless said, 0 to 1. */
  readonly inTime?: number;
}

const WINDOW = { usual: 150, min: 10, max: 1000 };
const LATENCY = { min: -500, max: 2000 };
const LATE = { usual: 60, min: 1, max: 500 };
const IN_TIME = { usual: 0.95, min: 0, max: 1 };

interface Pair {
  /** Index of the note that was to be played. */
  readonly expected: number;
  /** Index of the note that was heard. */
  readonly heard: number;
  /** How far off in time, in ms. */
  readonly off: number;
}

/**
 * Holds what was heard against what was to be played. A heard note is matched to an expected one of equal pitch first, the nearest pairs
 * before the farther ones; what is left is matched to what is nearest in time, and is wrong. Heard notes may come in any order. Ties go to
 * the earlier expected note. Throws BAD_OPTION.
 * @example scorePass([{ midi: 60, atMs: 0 }], [{ midi: 60, atMs: 10 }]).clean // true
 */
export function scorePass(expected: readonly TimedNote[], heard: readonly TimedNote[], o: ScoreOptions = {}): PassScore {
  const windowMs = checkNumber('BAD_OPTION', 'windowMs', o.windowMs ?? WINDOW.usual, WINDOW.min, WINDOW.max);
  const latencyMs = checkNumber('BAD_OPTION', 'latencyMs', o.latencyMs ?? 0, LATENCY.min, LATENCY.max);
  const lateMs = checkNumber('BAD_OPTION', 'lateMs', o.lateMs ?? LATE.usual, LATE.min, LATE.max);
  const share = checkNumber('BAD_OPTION', 'inTime', o.inTime ?? IN_TIME.usual, IN_TIME.min, IN_TIME.max);
  const pairs = pairsWithin(expected, heard, windowMs, latencyMs);
  const taken = { expected: new Array<Pair | undefined>(expected.length), heard: new Array<boolean>(heard.length).fill(false) };
  const match = (some: readonly Pair[]): void => {
    for (const p of some)
      if (!taken.expected[p.expected] && !taken.heard[p.heard]) {
        taken.expected[p.expected] = p;
        taken.heard[p.heard] = true;
      }
  };
  match(pairs.filter((p) => expected[p.expected]!.midi === heard[p.heard]!.midi));
  match(pairs);
  const notes = expected.map((e, k): NoteVerdict => {
    const p = taken.expected[k];
    if (!p) return { verdict: 'missed' };
    const { midi } = heard[p.heard]!;
    return { verdict: midi === e.midi ? 'right' : 'wrong', heardMidi: midi, offMs: p.off };
  });
  const extra = heard.flatMap((_, k) => (taken.heard[k] ? [] : [k]));
  const inTime = notes.filter((n) => n.verdict === 'right' && Math.abs(n.offMs ?? Infinity) <= lateMs).length;
  const clean = expected.length > 0 && !extra.length && notes.every((n) => n.verdict === 'right') && inTime >= share * expected.length;
  return { notes, extra, clean };
}

/** Pairs that lie near enough in time, the nearest first. */
function pairsWithin(expected: readonly TimedNote[], heard: readonly TimedNote[], windowMs: number, latencyMs: number): Pair[] {
  const order = [...expected.keys()].sort((a, b) => expected[a]!.atMs - expected[b]!.atMs);
  const pairs: Pair[] = [];
  heard.forEach((h, k) => {
    const at = h.atMs - latencyMs;
    let first = lowerBound(order, (n) => expected[n]!.atMs, at - windowMs);
    for (; first < order.length && expected[order[first]!]!.atMs <= at + windowMs; first++) {
      const n = order[first]!;
      pairs.push({ expected: n, heard: k, off: at - expected[n]!.atMs });
    }
  });
  return pairs.sort((a, b) => Math.abs(a.off) - Math.abs(b.off) || a.expected - b.expected || a.heard - b.heard);
}

/** The first of some ascending values that is not below a bound. */
function lowerBound(order: readonly number[], value: (n: number) => number, bound: number): number {
  let [low, high] = [0, order.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (value(order[mid]!) < bound) low = mid + 1;
    else high = mid;
  }
  return low;
}
