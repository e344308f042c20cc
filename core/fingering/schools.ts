import type { FingeringSchool, Hand } from '../types';

/**
 * What a hand's moves cost, in millimetres of effort: one table for fingers on settled places and for routes alike, so that the
 * same notes get the same fingers everywhere. Each row is described in `COST_ROWS`.
 */
export interface HandCosts {
  fingers: 3 | 4;
  forwardFinger: 3 | 4;
  back: number;
  forward: number;
  shift: number;
  leave: number;
  inside: number;
  perMm: number;
  landing: number;
  landingDown: number;
  landingMm: number;
  overWhole: number;
  backward: number;
  slide: readonly [number, number, number, number, number];
  again: number;
  slur: number;
  finger: readonly [number, number, number, number, number];
  avoid: readonly [number, number, number, number, number];
  pair24: number;
  pair34: number;
  pair23: number;
  roll: readonly [number, number, number, number, number];
  hop: number;
  change: number;
  afterOpen: number;
  guide: number;
}

const BASE: HandCosts = {
  fingers: 4, forwardFinger: 4, back: 1.5, forward: 2,
  shift: 6, leave: 3, inside: 6, perMm: 0.15, landing: 4, landingDown: 2, landingMm: 60, overWhole: 1, backward: 4,
  slide: [0, 40, 40, 40, 40], again: 60, slur: 60,
  finger: [0, 0, 0.05, 0.2, 0.6], avoid: [0, 0, 0, 0, 0],
  pair24: 1, pair34: 1.5, pair23: 0.5, roll: [0, 2, 4, 6, 15], hop: 10, change: 10, afterOpen: 0.5, guide: 0,
}; // prettier-ignore

export const SCHOOLS: Readonly<Record<FingeringSchool, HandCosts>> = Object.freeze({
  'finger-per-fret': BASE,
  stretch: { ...BASE, back: 0.3, forward: 0.6 },
  'first-and-third': { ...BASE, forwardFinger: 3, forward: 0.5, slide: [0, 20, 40, 2, 40], avoid: [0, 0, 30, 0, 40] },
  'no-little-finger': { ...BASE, fingers: 3, forwardFinger: 3, back: 0.6, forward: 0.5, slide: [0, 20, 20, 10, 10] },
});

/** Frets that a hand may go against the line at no extra cost: a jog of the tuning, a reach closed. */
export const FREE_BACKWARD = 2;
/** What an avoided finger costs beside the neighbouring finger a half step away, and in the open position. */
export const AVOIDED_HALF_STEP = 2;
export const AVOIDED_IN_OPEN = 12;
/** What no hand can do: more than any way round it, and finite, so that fingers settled by the player are obeyed. */
export const NO_HAND = 10_000;
/** Bending a string, by finger: a half step, and more (common practice, no published source: the ring finger, two others behind it). */
export const BEND_HALF: readonly number[] = [0, 15, 6, 0, 30];
export const BEND_MORE: readonly number[] = [0, 300, 15, 0, 45];

/** Widest the hand opens from its lowest to its highest finger, in millimetres. */
export const SPAN_MM: Readonly<Record<Hand['size'], number>> = Object.freeze({ small: 105, medium: 120, large: 135 });
/** What is left of the span when the ring finger does the reaching. */
export const RING_SHARE = 0.8;
