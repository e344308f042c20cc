import type { LickNote } from '../lick/types';
import { TICKS } from '../lick/rhythm';
import type { FingeredStep } from '../types';
import type { NoteVerdict } from './score';

/** How something was played, over all passes. */
export interface Spot {
  /** Times it was to be played. */
  readonly played: number;
  /** How often another note was heard. */
  readonly wrong: number;
  /** How often none was. */
  readonly missed: number;
  /** Right, but early or late by more than the limit. */
  readonly untimely: number;
  /** Mean of early (less than 0) and late of what was right, in ms; null: nothing was. */
  readonly offMs: number | null;
  /** 0 all right and in time, 1 all wrong or missed; out of time counts half. */
  readonly trouble: number;
}

/** Where in a line the trouble is. */
export interface WeakSpots {
  /** One for each note of the line. */
  readonly notes: Spot[];
  /** Worst first, of equal ones the thinner string. */
  readonly strings: (Spot & { readonly string: number })[];
  /** Moves of the hand from note to note, worst first, of equal ones the earlier. `notes` are those played after it. */
  readonly shifts: (Spot & { readonly from: number; readonly to: number; readonly notes: number[] })[];
  /** From finger to finger, the second note judged; worst first. No open strings, no same finger. */
  readonly fingers: (Spot & { readonly from: number; readonly to: number })[];
}

/** What of a fingered note this asks. */
export type WeakStep = Pick<FingeredStep, 'string' | 'fret' | 'finger' | 'handFret'>;

const UNTIMELY = 0.5;

function spotOf(verdicts: readonly NoteVerdict[], lateMs: number): Spot {
  const right = verdicts.filter((v) => v.verdict === 'right');
  const wrong = verdicts.filter((v) => v.verdict === 'wrong').length;
  const missed = verdicts.length - right.length - wrong;
  const untimely = right.filter((v) => Math.abs(v.offMs ?? 0) > lateMs).length;
  const played = verdicts.length;
  return {
    played,
    wrong,
    missed,
    untimely,
    offMs: right.length ? right.reduce((sum, v) => sum + (v.offMs ?? 0), 0) / right.length : null,
    trouble: played ? (wrong + missed + UNTIMELY * untimely) / played : 0,
  };
}

/** Where the trouble is: by note, string, shift and pair of fingers, over some passes of one line. Each pass has one verdict a note. */
export function weakSpots(steps: readonly WeakStep[], passes: readonly (readonly NoteVerdict[])[], lateMs: number): WeakSpots {
  const of = (notes: readonly number[]): Spot =>
    spotOf(
      passes.flatMap((p) => notes.map((k) => p[k]!)),
      lateMs,
    );
  const grouped = <K extends string | number>(keyOf: (k: number) => K | null): Map<K, number[]> => {
    const groups = new Map<K, number[]>();
    steps.forEach((_, k) => {
      const key = keyOf(k);
      if (key !== null) groups.set(key, [...(groups.get(key) ?? []), k]);
    });
    return groups;
  };
  const worst = <T extends Spot>(some: T[]): T[] => some.sort((a, b) => b.trouble - a.trouble);
  const strings = [...grouped((k) => steps[k]!.string)].sort(([a], [b]) => a - b).map(([string, notes]) => ({ string, ...of(notes) }));
  const shifts =
    [...grouped((k) => (k > 0 && steps[k]!.handFret !== steps[k - 1]!.handFret ? `${steps[k - 1]!.handFret}/${steps[k]!.handFret}` : null))] // prettier-ignore
      .map(([, notes]) => ({ from: steps[notes[0]! - 1]!.handFret, to: steps[notes[0]!]!.handFret, notes, ...of(notes) }));
  const pairOf = (k: number): string | null => {
    const [from, to] = k > 0 ? [steps[k - 1]!.finger, steps[k]!.finger] : [0, 0];
    return from && to && from !== to ? `${from}/${to}` : null;
  };
  const fingers = [...grouped(pairOf)].map(([, notes]) => ({
    from: steps[notes[0]! - 1]!.finger,
    to: steps[notes[0]!]!.finger,
    ...of(notes),
  }));
  return { notes: steps.map((_, k) => of([k])), strings: worst(strings), shifts: worst(shifts), fingers: worst(fingers) };
}

/** Notes before and after a weak one that are drilled with it; and so many weak ones at most, the worst. */
const AROUND = { before: 2, after: 1 };
const MOST_WEAK = 8;
/** A part of a line: indices of its first and last note. */
export interface LinePart {
  /** First note. */
  readonly from: number;
  /** Last note. */
  to: number;
}

/**
 * The parts of a line that hold its weak notes, each with what leads into it and out of it; those that touch are one. Empty where nothing was weak.
 * @example weakParts([{ trouble: 0 }, { trouble: 0 }]) // []
 */
export function weakParts(spots: readonly Pick<Spot, 'trouble'>[]): LinePart[] {
  const weak = [...spots.keys()].filter((k) => spots[k]!.trouble > 0).sort((a, b) => spots[b]!.trouble - spots[a]!.trouble || a - b);
  const parts: LinePart[] = [];
  for (const k of weak.slice(0, MOST_WEAK).sort((a, b) => a - b)) {
    const from = Math.max(0, k - AROUND.before);
    const to = Math.min(spots.length - 1, k + AROUND.after);
    const last = parts.at(-1);
    if (last && from <= last.to + 1) last.to = to;
    else parts.push({ from, to });
  }
  return parts;
}

const BAR = 4 * TICKS;

/** Parts of a line as one lick in four quarters: each from a bar line on, its notes as long as in the line, its last note held until the bar is full. */
export function weakLick(steps: readonly WeakStep[], ticks: readonly number[], parts: readonly LinePart[]): LickNote[] {
  return parts.flatMap(({ from, to }) => {
    let at = 0;
    return Array.from({ length: to - from + 1 }, (_, n): LickNote => {
      const k = from + n;
      const length = k < to ? ticks[k] : BAR - (at % BAR);
      at += length!;
      const { string, fret, finger } = steps[k]!;
      return { place: { string, fret }, ticks: length!, ...(finger ? { finger } : {}) };
    });
  });
}
