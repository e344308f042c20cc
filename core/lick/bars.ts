import { TICKS } from './rhythm';
import type { LickNote } from './types';

/** Lengths by name, each half of the one before: those that notation has. */
export const WRITTEN_TYPES = ['whole', 'half', 'quarter', 'eighth', '16th', '32nd', '64th', '128th', '256th', '512th', '1024th'] as const;
export type WrittenType = (typeof WRITTEN_TYPES)[number];

/** A piece of a note inside one bar, as one sign. */
export interface BarPiece {
  /** Index of the note in the lick. */
  index: number;
  /** Start in the bar and length, in ticks: exact, so that the pieces of a bar are the bar. */
  start: number;
  ticks: number;
  type: WrittenType;
  dots: 0 | 1 | 2;
  /** It is one of `actual` in the time of `normal`; whether its group begins or ends with it. */
  tuplet: { actual: number; normal: number; first: boolean; last: boolean } | null;
  /** It sounds on from the piece before, or into the one after. */
  tiedFrom: boolean;
  tiedTo: boolean;
}

/** A stretch of a bar that is written plainly (`actual` null), or as one tuplet. */
interface Span {
  from: number;
  to: number;
  tuplet: { actual: number; normal: number } | null;
}

/** The finest plain length: a 128th. */
const FINEST = TICKS / 32;
/** A tie costs as much as this many parts of a tuplet. */
const TIE = 4;

const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a);
const isPower = (n: number): boolean => (n & (n - 1)) === 0;
/** The largest power of two that is less than n. */
const below = (n: number): number => 2 ** (Math.ceil(Math.log2(n)) - 1);

/**
 * How a stretch is best written: plainly where all that begins or ends in it lies on halves of halves, else as one tuplet, or its halves each by itself,
 * whichever is simpler (the parts of its tuplets, and a tie where a note goes across the middle). `cuts` ascend.
 */
function spansOf(from: number, to: number, cuts: readonly number[]): { spans: Span[]; cost: number } {
  const length = to - from;
  const inside = cuts.filter((c) => c > from && c < to);
  const grid = inside.reduce((g, c) => gcd(g, c - from), length);
  const actual = length / grid;
  if (isPower(actual) && (actual === 1 || grid % FINEST === 0)) return { spans: [{ from, to, tuplet: null }], cost: 0 };
  const whole = { spans: [{ from, to, tuplet: { actual, normal: below(actual) } }], cost: actual };
  const middle = from + length / 2;
  if (!Number.isInteger(middle) || length <= FINEST) return whole;
  const [a, b] = [spansOf(from, middle, inside), spansOf(middle, to, inside)];
  const cost = a.cost + b.cost + (inside.includes(middle) ? 0 : TIE);
  return cost < whole.cost ? { spans: [...a.spans, ...b.spans], cost } : whole;
}

/** Stretches of a bar that halve evenly: the longest from its beginning on, a whole note at most. Example: 7/8 is 4 + 2 + 1 eighths. */
function stretches(perBar: number): [from: number, to: number][] {
  const out: [number, number][] = [];
  for (let at = 0; at < perBar;) {
    let length = TICKS * 4;
    while (at + length > perBar) length /= 2;
    out.push([at, at + length]);
    at += length;
  }
  return out;
}

/** So many halves of a unit as dotted signs, longest first: 7 is 4 + 2 + 1, one sign with two dots. */
function signsOf(units: number): { halves: number; dots: 0 | 1 | 2 }[] {
  const signs: { halves: number; dots: 0 | 1 | 2 }[] = [];
  for (let left = units; left > 0;) {
    const top = 2 ** Math.floor(Math.log2(left));
    const dots = left >= top * 1.75 && top % 4 === 0 ? 2 : left >= top * 1.5 && top % 2 === 0 ? 1 : 0;
    signs.push({ halves: top, dots });
    left -= dots === 2 ? top * 1.75 : dots === 1 ? top * 1.5 : top;
  }
  return signs;
}

/** A length within a span as signs: units of a tuplet, or 128ths. */
function signsIn({ from, to, tuplet }: Span, ticks: number): Pick<BarPiece, 'type' | 'dots' | 'ticks'>[] {
  const unit = tuplet ? (to - from) / tuplet.actual : FINEST;
  const written = tuplet ? (to - from) / tuplet.normal : FINEST;
  return signsOf(Math.round(ticks / unit)).map(({ halves, dots }) => ({
    type: WRITTEN_TYPES[Math.round(Math.log2((TICKS * 4) / (written * halves)))],
    dots,
    ticks: unit * halves * (2 - 1 / 2 ** dots),
  }));
}

/** Neighbouring stretches that are written plainly are one, so that a note across their border is one sign where one sign can write it. */
function joined(spans: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const s of spans) {
    const last = out.at(-1);
    if (last && !last.tuplet && !s.tuplet) out[out.length - 1] = { ...last, to: s.to };
    else out.push(s);
  }
  return out;
}

interface Part {
  index: number;
  from: number;
  to: number;
  sounds: boolean;
  tiedFrom: boolean;
  tiedTo: boolean;
}

/** Notes cut at the barlines, in bars. */
function cutAtBars(notes: readonly LickNote[], perBar: number): Part[][] {
  const bars: Part[][] = [];
  let at = 0;
  notes.forEach((note, index) => {
    const end = at + note.ticks;
    const sounds = note.place !== null;
    const tiedOn = sounds && notes[index + 1]?.join === 'tie';
    for (let from = at; from < end;) {
      const bar = Math.floor(from / perBar);
      const to = Math.min(end, (bar + 1) * perBar);
      (bars[bar] ??= []).push({
        index,
        from: from - bar * perBar,
        to: to - bar * perBar,
        sounds,
        tiedFrom: sounds && (from > at || note.join === 'tie'),
        tiedTo: sounds && (to < end || tiedOn),
      });
      from = to;
    }
    at = end;
  });
  return Array.from(bars, (bar) => bar ?? []);
}

/**
 * A lick in bars, every length exact: notes cut at the barlines and into lengths that one sign can write, tied where they sound on. Where no plain lengths
 * add up, a stretch is written as a tuplet of any ratio. The pieces of each bar add up to what the lick has in it, tick for tick.
 */
export function barsOf(notes: readonly LickNote[], perBar: number): BarPiece[][] {
  return cutAtBars(notes, perBar).map((parts) => {
    const end = parts.at(-1)?.to ?? 0;
    const cuts = parts.map((p) => p.from);
    const spans = joined(stretches(perBar).filter(([from]) => from < end).flatMap(([from, to]) => spansOf(from, to, [...cuts, end]).spans)); // prettier-ignore
    return spans.flatMap((span) => piecesIn(span, parts));
  });
}

/** The signs of a span, with where its group begins and ends. */
function piecesIn(span: Span, parts: readonly Part[]): BarPiece[] {
  const pieces: BarPiece[] = [];
  for (const p of parts) {
    const [from, to] = [Math.max(p.from, span.from), Math.min(p.to, span.to)];
    if (from >= to) continue;
    let at = from;
    const signs = signsIn(span, to - from);
    signs.forEach((s, k) => {
      const first = at === p.from;
      const last = k + 1 === signs.length && to === p.to;
      pieces.push({
        index: p.index,
        start: at,
        ...s,
        tuplet: null,
        tiedFrom: first ? p.tiedFrom : p.sounds,
        tiedTo: last ? p.tiedTo : p.sounds,
      });
      at += s.ticks;
    });
  }
  const { tuplet } = span;
  return tuplet ? pieces.map((p, k) => ({ ...p, tuplet: { ...tuplet, first: k === 0, last: k + 1 === pieces.length } })) : pieces;
}
