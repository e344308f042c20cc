import type { Bar } from '../progression';
import type { Feel, Pulse, Span } from './types';

/** Beats of a bar, and which note is one. */
export type Meter = readonly [number, number];

/**
 * Length of a bar in quarters: 3 for 6/8 and for 3/4.
 * @example barQuarters([6, 8]) // 3
 */
export const barQuarters = ([beats, unit]: Meter): number => (beats * 4) / unit;

/** Eighths gathered as they are usually counted: by threes, the rest by twos at the end. Examples: 6 is 3 3, 7 is 3 2 2, 8 is 2 2 2 2. */
function gathered(eighths: number): number[] {
  if (eighths % 2 === 0 && eighths % 3 !== 0) return Array.from({ length: eighths / 2 }, () => 2);
  const rest = [0, 4, 2][eighths % 3]!;
  return [...Array.from({ length: Math.max(0, eighths - rest) / 3 }, () => 3), ...Array.from({ length: rest / 2 }, () => 2)];
}

/**
 * What a foot taps in a bar: the beats, but eighths by twos and threes (common practice, no published source).
 * @example pulsesOf([6, 8]).length // 2
 */
export function pulsesOf([beats, unit]: Meter): Pulse[] {
  const lengths = unit === 8 ? gathered(beats).map((n) => n / 2) : Array.from({ length: beats }, () => 4 / unit);
  let at = 0;
  return lengths.map((length) => ({ at: (at += length) - length, length, parts: unit === 8 && length === 1.5 ? 3 : 2 }));
}

/** Where the second half of a pulse lies by feel, as a share of it: two to one where it swings. */
const OFFBEAT: Partial<Record<Feel, number>> = { shuffle: 2 / 3, 'slow-triplets': 2 / 3 };

/** The second part of a pulse, and with three parts the last one, in quarters from the bar's beginning. */
export const offbeatOf = (p: Pulse, feel: Feel): number => p.at + p.length * (p.parts === 3 ? 2 / 3 : (OFFBEAT[feel] ?? 1 / 2));

/** Chords with their times. */
export function spansOf(bars: readonly Bar[], [, unit]: Meter): Span[] {
  let at = 0;
  return bars.flatMap((b) => b.chords.map(({ symbol, beats }) => ({ symbol, from: at, to: (at += (beats * 4) / unit) })));
}

/** Bars after which a section ends: the one before each that begins one, and the last. */
export const sectionEnds = (bars: readonly Bar[]): ReadonlySet<number> =>
  new Set(bars.flatMap((_, k) => (k === bars.length - 1 || bars[k + 1]!.section !== undefined ? [k] : [])));
