import { TICKS, type PitchedNote } from '../../core';
import { LENGTH_WORD, lengthOf } from './rhythm';
import type { TabSystem } from './systems';

/** How lengths are taken where no letters stand over the tab; "auto" goes by the columns where these are plainly in proportion. */
export type Spacing = 'auto' | 'eighths' | 'triplets' | 'spaced';

/** A spacing once it is settled. */
export type Taken = Exclude<Spacing, 'auto'>;

/** A note as it stands in a row: in which column, and in which line of the text the row begins. */
export type Timed = PitchedNote & { column: number; line: number };

/** Lengths from the letters over the system: each belongs to the note it stands over, or is a rest. */
function byLetters(notes: Timed[], s: TabSystem): Timed[] {
  const words = [...(s.lengths ?? '').matchAll(/\S+/g)].map((m) => ({ at: m.index, word: m[0] }));
  const out: Timed[] = [];
  let k = 0;
  words.forEach(({ at, word }, n) => {
    if (!LENGTH_WORD.test(word)) return;
    const ticks = lengthOf(word.replace(/r$/i, '')) ?? TICKS;
    const end = words[n + 1]?.at ?? Infinity;
    if (/r$/i.test(word) || !(notes[k] && notes[k]!.column < end)) return void out.push({ column: at, line: s.line, midi: null, ticks });
    out.push({ ...notes[k++]!, ticks });
  });
  const last = out[out.length - 1]?.ticks ?? TICKS;
  return [...out, ...notes.slice(k).map((n) => ({ ...n, ticks: last }))];
}

/** Grid that lengths guessed from columns fall on: sixteenths. */
const GRID = TICKS / 4;

/** What stands in each bar: things in order of their columns, and bars in theirs, each looked at once. */
function inBars<T, B extends { readonly from: number; readonly to: number }>(
  all: readonly T[],
  columnOf: (t: T) => number,
  bars: readonly B[],
): { readonly bar: B; readonly inside: T[] }[] {
  let at = 0;
  return bars.map((bar) => {
    while (at < all.length && columnOf(all[at]!) < bar.from) at++;
    const first = at;
    while (at < all.length && columnOf(all[at]!) < bar.to) at++;
    return { bar, inside: all.slice(first, at) };
  });
}

/** Each bar's time is shared out as its columns are: a note lasts until the next one, the last until the barline. */
function byColumns(notes: Timed[], s: TabSystem, meter: [number, number]): Timed[] {
  const whole = (meter[0] * TICKS * 4) / meter[1];
  return inBars(notes, (n) => n.column, s.bars).flatMap(({ bar: { to }, inside }) => {
    if (!inside.length) return [];
    const gaps = inside.map((n, k) => (inside[k + 1]?.column ?? to) - n.column);
    const unit = Math.min(...gaps.slice(0, -1), gaps.length === 1 ? gaps[0]! : Infinity);
    const steps = gaps.map((g) => Math.max(1, Math.round(g / unit)));
    steps[steps.length - 1] = lastSteps(steps);
    const sum = steps.reduce((a, b) => a + b, 0);
    const each = Math.max(GRID, Math.round(whole / sum / GRID) * GRID);
    return inside.map((n, k) => ({ ...n, ticks: Math.min(TICKS * 8, steps[k]! * each) }));
  });
}

/** The room before a barline is layout as much as time: the last note is taken as long as the shortest. */
const lastSteps = (steps: number[]): number => Math.max(1, Math.min(...steps));

const EIGHTH = TICKS / 2;
const BY_SPACING: Record<Taken, (notes: Timed[], s: TabSystem, meter: [number, number]) => Timed[]> = {
  eighths: (notes) => notes.map((n) => ({ ...n, ticks: EIGHTH })),
  triplets: (notes) => notes.map((n) => ({ ...n, ticks: (EIGHTH * 2) / 3 })),
  spaced: byColumns,
};

/** Columns are plainly in proportion where bars are drawn, and in each the notes stand on a grid that divides it evenly, not all alike. */
export function spacingOf(systems: TabSystem[], asked: Spacing, columnsOf: (s: TabSystem) => number[], meter: [number, number]): Taken {
  if (asked !== 'auto') return asked;
  const bars = systems.filter((s) => !s.lengths).flatMap((s) => barGaps(s, columnsOf(s)));
  const plain = bars.length > 0 && bars.every((gaps) => onGrid(gaps, meter));
  return plain && new Set(bars.flat()).size > 1 ? 'spaced' : 'eighths';
}

/** Columns from note to note in each closed bar, the last one's to its barline. */
function barGaps(s: TabSystem, columns: number[]): number[][] {
  const closed = s.bars.filter(({ to }) => s.strings[0]![to - 1] === '|');
  return inBars(
    [...columns].sort((a, b) => a - b),
    (c) => c,
    closed,
  ).flatMap(({ bar: { to }, inside }) => {
    return inside.length > 1 ? [inside.map((c, k) => (inside[k + 1] ?? to - 1) - c)] : [];
  });
}

/** Whether the gaps of a bar are whole multiples of the smallest, and together as many as a bar has sixteenths, eighths or quarters. */
function onGrid(gaps: number[], meter: [number, number]): boolean {
  const unit = Math.min(...gaps);
  const steps = gaps.map((g) => g / unit);
  const sum = steps.reduce((a, b) => a + b, 0);
  const whole = (meter[0] * TICKS * 4) / meter[1];
  return unit > 1 && steps.every(Number.isInteger) && [GRID, EIGHTH, TICKS].includes(whole / sum);
}

/** The notes of a row with their lengths: by the letters over it, or as the spacing says. */
export const timed = (notes: Timed[], s: TabSystem, meter: [number, number], spacing: Taken): Timed[] =>
  s.lengths ? byLetters(notes, s) : BY_SPACING[spacing](notes, s, meter);
