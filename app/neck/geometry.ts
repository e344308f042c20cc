import type { Place } from '../../core';

/** Where things lie on a drawn neck, in pixels. Pure: no drawing here. */
export interface NeckGeometry {
  readonly width: number;
  /** Whole height, fret numbers included. */
  readonly height: number;
  /** Nut and end of the board. */
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  readonly gap: number;
  readonly nut: number;
  readonly frets: number;
  readonly mirrored: boolean;
  /** How large marks and letters are: 1 is normal. */
  readonly scale: number;
  /** Frets over which the width is spread: as many as there are, or more, so that another neck lies under it fret by fret. */
  readonly span: number;
  /** Lines between rows: `rows[k]` is the y of string k+1. */
  readonly rows: number[];
}

interface Options {
  readonly width: number;
  readonly frets: number;
  readonly strings: number;
  /** First fret that exists. */
  readonly nut?: number;
  readonly gap?: number;
  readonly mirrored?: boolean;
  readonly scale?: number;
  readonly span?: number;
}

const GUTTER = 58;
const TOP = 30;
const EDGE = 16;
/** Share of true fret spacing against even spacing: high frets stay wide enough to read. */
const TRUE_SHARE = 0.35;
/** No fret narrower than this many pixels on average; beyond, the neck scrolls. */
export const MIN_FRET_PX = 30;

export const minWidth = (frets: number, scale = 1): number => (GUTTER + 8 + frets * MIN_FRET_PX) * scale;

/** Share of the board between nut and last fret that some frets take: from the wire before the first to that of the last. */
export function shareOf(frets: number, from: number, to: number): number {
  const g = { span: frets } as NeckGeometry;
  return along(g, to) - along(g, Math.max(0, from - 1));
}

export function neckGeometry({
  width,
  frets,
  strings,
  nut = 0,
  gap = 39,
  mirrored = false,
  scale = 1,
  span = frets,
}: Options): NeckGeometry {
  const [top, edge] = [TOP * scale, EDGE * Math.max(scale, (gap / 39) * 0.9)];
  const height = top + edge * 2 + (strings - 1) * gap;
  return {
    width,
    height,
    left: GUTTER * scale,
    right: width - 8 * scale,
    top,
    bottom: height,
    gap,
    nut,
    frets,
    mirrored,
    scale,
    span,
    rows: Array.from({ length: strings }, (_, k) => top + edge + k * gap),
  };
}

const along = (g: NeckGeometry, fret: number): number => {
  const real = (1 - 2 ** (-fret / 12)) / (1 - 2 ** (-g.span / 12));
  return TRUE_SHARE * real + (1 - TRUE_SHARE) * (fret / g.span);
};
const flip = (g: NeckGeometry, x: number): number => (g.mirrored ? g.width - x : x);

/** x of a fret wire; 0 is the nut. */
export const wireX = (g: NeckGeometry, fret: number): number => flip(g, g.left + (g.right - g.left) * along(g, fret));

/** x where a finger stops a fret: between the wires; an open string is marked behind the nut. */
export function fretX(g: NeckGeometry, fret: number): number {
  if (fret === 0) return flip(g, g.left - 23 * g.scale);
  const middle = (along(g, fret - 1) + along(g, fret)) / 2;
  return flip(g, g.left + (g.right - g.left) * middle);
}

export const stringY = (g: NeckGeometry, string: number): number => g.rows[string - 1]!;

/** The place of the board nearest to a point. */
export function boardPlace(g: NeckGeometry, x: number, y: number): Place {
  const nearest = (count: number, from: number, away: (n: number) => number): number =>
    Array.from({ length: count }, (_, k) => k + from).reduce((a, b) => (away(b) < away(a) ? b : a));
  const string = nearest(g.rows.length, 1, (n) => Math.abs(stringY(g, n) - y));
  return { string, fret: nearest(g.frets - g.nut + 1, g.nut, (f) => Math.abs(fretX(g, f) - x)) };
}

/** Frets that carry inlays and numbers (common practice, no published source). */
export const INLAYS = [3, 5, 7, 9, 12, 15, 17, 19, 21, 24, 27, 29, 31, 33, 36];
export const isOctave = (fret: number): boolean => fret % 12 === 0;

/** Spreads spans over lanes so that none touches another in its lane, in whatever order they come; returns the lane of each. */
export function lanesOf(spans: { readonly from: number; readonly to: number }[]): number[] {
  const ends: number[] = [];
  const lanes: number[] = [];
  const leftFirst = [...spans.keys()].sort((a, b) => spans[a]!.from - spans[b]!.from);
  for (const k of leftFirst) {
    const free = ends.findIndex((end) => end <= spans[k]!.from);
    lanes[k] = free < 0 ? ends.length : free;
    ends[lanes[k]] = spans[k]!.to;
  }
  return lanes;
}
