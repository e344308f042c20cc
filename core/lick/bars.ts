import { TICKS } from './rhythm';
import type { LickNote } from './types';

/** Lengths by name, each half of the one before: those that notation has. */
export const WRITTEN_TYPES = ['whole', 'half', 'quarter', 'eighth', '16th', '32nd', '64th', '128th', '256th', '512th', '1024th'] as const;
/** A note value as notation writes it. */
export type WrittenType = (typeof WRITTEN_TYPES)[number];

/** A piece of a note inside one bar, as one sign. */
export interface BarPiece {
  /** Index of the note in the lick. */
  readonly index: number;
  /** Start in the bar and length, in ticks: exact, so that the pieces of a bar are the bar. */
  readonly start: number;
  /** Length, 480 a quarter. */
  readonly ticks: number;
  /** Its written value. */
  readonly type: WrittenType;
  /** Dots behind it. */
  readonly dots: 0 | 1 | 2;
  /** It is one of `actual` in the time of `normal`; whether its group begins or ends with it. */
  readonly tuplet: { readonly actual: number; readonly normal: number; readonly first: boolean; readonly last: boolean } | null;
  /** It sounds on from the piece before, or into the one after. */
  readonly tiedFrom: boolean;
  /** Whether it is tied to the next piece. */
  readonly tiedTo: boolean;
}

/** A stretch of a bar that is written plainly (`tuplet` null), or as one tuplet. */
interface Span {
  /** First tick. */
  readonly from: number;
  /** The tick where it ends. */
  readonly to: number;
  /** So many notes in the time of so many, or null. */
  readonly tuplet: { readonly actual: number; readonly normal: number } | null;
}

/** The finest plain length, a 128th; and the beats of the finest meter, a 32nd, where a stretch may begin and end without a note that does. */
const FINEST = TICKS / 32;
const CELL = TICKS / 8;
/** What a tie at the border of a tuplet, and a tuplet off its own beat, cost in parts of a tuplet. */
const TIE = 4;
const OFF_BEAT = 1;

const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a);
/** The largest power of two that is less than n. */
const below = (n: number): number => 2 ** (Math.ceil(Math.log2(n)) - 1);
/** Lengths that one tuplet may fill: halves of halves of a whole note, and doubles of it. */
const TUPLET_LENGTHS = Array.from({ length: 12 }, (_, k) => FINEST * 2 ** k);

/** Parts of a tuplet that ticks do not divide evenly, and the shortest that one may last. */
const ODD_PARTS = [7, 9, 11, 13];
const SHORTEST_ODD = 8;

/** In how many such parts everything inside a stretch begins, to the nearest tick: sevenths of a quarter are 69 and 68 ticks. Infinity where in none. */
function roundedParts(from: number, length: number, cuts: readonly number[]): number {
  const inside = cuts.filter((c) => c > from && c < from + length).map((c) => c - from);
  const fits = (n: number): boolean =>
    length / n >= SHORTEST_ODD && inside.every((at) => Math.abs(at - Math.round((at * n) / length) * (length / n)) < 0.5);
  return (inside.length > 0 && ODD_PARTS.find(fits)) || Infinity;
}

/** The simplest way to a place in the bar: its cost, and the stretch that ends there. */
interface Way {
  /** How awkward it is to read. */
  readonly cost: number;
  /** The span that ends here. */
  readonly span: Span | null;
}

/**
 * A bar as stretches that are written plainly or as tuplets: all that begins or ends in a plain one lies on 128ths, a tuplet takes the rest. Of all ways the
 * simplest: the parts of its tuplets, a tie where a note goes across the border of one, and tuplets on their own beat before others. `cuts` ascend, from the
 * first note's begin to the end of the last; the last stretch may go beyond it.
 */
function spansOf(cuts: readonly number[], perBar: number): Span[] {
  const end = cuts.at(-1) ?? 0;
  const isCut = new Set(cuts);
  const cells = Array.from({ length: perBar / CELL + 1 }, (_, k) => k * CELL);
  const stops = [...new Set([...cells, ...cuts])].sort((a, b) => a - b);
  const ways = new Map<number, Way>([[0, { cost: 0, span: null }]]);
  const offer = (cost: number, span: Span): void => {
    if (cost < (ways.get(span.to)?.cost ?? Infinity)) ways.set(span.to, { cost, span });
  };
  stops.forEach((from, k) => {
    const way = ways.get(from);
    if (!way || from >= end) return;
    const next = stops[k + 1];
    if (from % FINEST === 0 && next! % FINEST === 0) offer(way.cost, { from, to: next!, tuplet: null });
    for (const length of TUPLET_LENGTHS) {
      const to = from + length;
      if (to > perBar) break;
      const grid = cuts.reduce((g, c) => (c > from && c < to ? gcd(g, c - from) : g), length);
      const actual = Math.min(length / grid, roundedParts(from, length, cuts));
      if (actual < 3) continue;
      const ties = (isCut.has(from) ? 0 : TIE) + (isCut.has(to) || to > end ? 0 : TIE);
      offer(way.cost + actual + ties + (from % length ? OFF_BEAT : 0), { from, to, tuplet: { actual, normal: below(actual) } });
    }
  });
  const last = stops.filter((s) => s >= end).reduce((a, b) => ((ways.get(b)?.cost ?? Infinity) < (ways.get(a)?.cost ?? Infinity) ? b : a));
  const spans: Span[] = [];
  for (let span = ways.get(last)?.span; span; span = ways.get(span.from)?.span) spans.unshift(span);
  return joined(spans);
}

/** So many units as dotted signs, longest first, none longer than a whole note of `whole` units: 7 is 4 + 2 + 1, one sign with two dots. */
function signsOf(units: number, whole: number): { readonly halves: number; readonly dots: 0 | 1 | 2 }[] {
  const signs: { readonly halves: number; readonly dots: 0 | 1 | 2 }[] = [];
  for (let left = units; left > 0;) {
    const top = Math.min(whole, 2 ** Math.floor(Math.log2(left)));
    const dots = left >= top * 1.75 && top % 4 === 0 ? 2 : left >= top * 1.5 && top % 2 === 0 ? 1 : 0;
    signs.push({ halves: top, dots });
    left -= dots === 2 ? top * 1.75 : dots === 1 ? top * 1.5 : top;
  }
  return signs;
}

/** A length within a span as signs: units of a tuplet, or 128ths. */
function signsIn(span: Span, ticks: number): (Pick<BarPiece, 'type' | 'dots'> & { readonly units: number })[] {
  const unit = unitOf(span);
  const written = span.tuplet ? (span.to - span.from) / span.tuplet.normal : FINEST;
  return signsOf(Math.round(ticks / unit), Math.max(1, Math.floor((TICKS * 4) / written))).map(({ halves, dots }) => ({
    type: WRITTEN_TYPES[Math.round(Math.log2((TICKS * 4) / (written * halves)))]!,
    dots,
    units: halves * (2 - 1 / 2 ** dots),
  }));
}

/** A part of a tuplet, or a 128th, in ticks. */
const unitOf = ({ from, to, tuplet }: Span): number => (tuplet ? (to - from) / tuplet.actual : FINEST);

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
  /** Which note of the line it is of. */
  readonly index: number;
  /** First tick. */
  readonly from: number;
  /** The tick where it ends. */
  readonly to: number;
  /** Whether it is a note and no rest. */
  readonly sounds: boolean;
  /** Whether it is tied to what was before. */
  readonly tiedFrom: boolean;
  /** Whether it is tied to what follows. */
  readonly tiedTo: boolean;
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
 * @example barsOf(lick, 1920).length // 1
 */
export function barsOf(notes: readonly LickNote[], perBar: number): BarPiece[][] {
  return cutAtBars(notes, perBar).map((parts) => {
    const end = parts.at(-1)?.to ?? 0;
    return spansOf([...parts.map((p) => p.from), end], perBar).flatMap((span) => piecesIn(span, parts));
  });
}

/** The signs of a span, with where its group begins and ends. */
function piecesIn(span: Span, parts: readonly Part[]): BarPiece[] {
  const pieces: BarPiece[] = [];
  for (const p of parts) {
    const [from, to] = [Math.max(p.from, span.from), Math.min(p.to, span.to)];
    if (from >= to) continue;
    let at = from;
    let units = 0;
    const signs = signsIn(span, to - from);
    signs.forEach((s, k) => {
      const first = at === p.from;
      const ends = k + 1 === signs.length;
      const last = ends && to === p.to;
      units += s.units;
      const end = ends ? to : Math.round(from + units * unitOf(span));
      pieces.push({
        index: p.index,
        start: at,
        ticks: end - at,
        type: s.type,
        dots: s.dots,
        tuplet: null,
        tiedFrom: first ? p.tiedFrom : p.sounds,
        tiedTo: last ? p.tiedTo : p.sounds,
      });
      at = end;
    });
  }
  const { tuplet } = span;
  return tuplet ? pieces.map((p, k) => ({ ...p, tuplet: { ...tuplet, first: k === 0, last: k + 1 === pieces.length } })) : pieces;
}
