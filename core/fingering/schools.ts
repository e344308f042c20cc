import type { FingeringSchool, Hand } from '../types';

/**
 * What a hand's moves cost, in millimetres of effort: one table for fingers on settled places and for routes alike, so that the
 * same notes get the same fingers everywhere. Each row is described in `COST_ROWS`.
 */
export interface HandCosts {
  /** Highest finger of the school; finger. */
  readonly fingers: 3 | 4;
  /** Finger that reaches a fret forward; finger. */
  readonly forwardFinger: 3 | 4;
  /** Index or middle a fret back of its rest; per mm. */
  readonly back: number;
  /** The outer finger a fret forward; per mm. */
  readonly forward: number;
  /** Moving the hand, once (weight: shifts); mm. */
  readonly shift: number;
  /** Letting go of a place; mm, all or a share of it. */
  readonly leave: number;
  /** Moving between two notes of one string; mm, all or a share of it. */
  readonly inside: number;
  /** How far the hand moves (weight: travel); per mm. */
  readonly perMm: number;
  /** Going up, landing beyond the index, a finger; mm, all or a share of it. */
  readonly landing: number;
  /** Going down, landing short of the outer finger, a finger; mm, all or a share of it. */
  readonly landingDown: number;
  /** Shorter moves than this pay for the landing in proportion; mm. */
  readonly landingMm: number;
  /** Moving over more than a half step, a half step, two at most; mm, all or a share of it. */
  readonly overWhole: number;
  /** Moving against the line, a fret beyond two; mm. */
  readonly backward: number;
  /** One finger gliding along its string, in place of letting go; mm, all or a share of it. */
  readonly slide: readonly [number, number, number, number, number];
  /** A slide after a slide (two half steps are one slide); mm. */
  readonly again: number;
  /** Moving the hand within a hammer-on or pull-off; mm. */
  readonly slur: number;
  /** Using the finger at all; mm. */
  readonly finger: readonly [number, number, number, number, number];
  /** A finger that the school leaves out, half when it comes and half when it stays; mm. */
  readonly avoid: readonly [number, number, number, number, number];
  /** Middle and little finger in a row; mm. */
  readonly pair24: number;
  /** Ring and little finger in a row; mm. */
  readonly pair34: number;
  /** Middle and ring finger in a row; mm. */
  readonly pair23: number;
  /** One finger on the next string, same fret; mm. */
  readonly roll: readonly [number, number, number, number, number];
  /** One finger to another fret of another string, the hand staying; mm. */
  readonly hop: number;
  /** Another finger on the same place at once, or when it comes back; mm. */
  readonly change: number;
  /** Share of * after an open string; share. */
  readonly afterOpen: number;
  /** Share of * where a finger stays on its string as a guide; share. */
  readonly guide: number;
}

const BASE: HandCosts = {
  fingers: 4, forwardFinger: 4, back: 1.5, forward: 2,
  shift: 6, leave: 3, inside: 6, perMm: 0.15, landing: 4, landingDown: 2, landingMm: 60, overWhole: 1, backward: 4,
  slide: [0, 40, 40, 40, 40], again: 60, slur: 60,
  finger: [0, 0, 0.05, 0.2, 0.6], avoid: [0, 0, 0, 0, 0],
  pair24: 1, pair34: 1.5, pair23: 0.5, roll: [0, 2, 4, 6, 15], hop: 10, change: 10, afterOpen: 0.5, guide: 0,
}; // prettier-ignore

/** What each school of fingering charges; rows and reasons stand in docs/hand.md (common practice, no published source). */
export const SCHOOLS: Readonly<Record<FingeringSchool, HandCosts>> = Object.freeze({
  'finger-per-fret': BASE,
  stretch: { ...BASE, back: 0.3, forward: 0.6 },
  'first-and-third': { ...BASE, forwardFinger: 3, forward: 0.5, slide: [0, 20, 40, 2, 40], avoid: [0, 0, 14, 0, 36] },
  'no-little-finger': { ...BASE, fingers: 3, forwardFinger: 3, back: 0.6, forward: 0.5, slide: [0, 20, 20, 10, 10] },
});

/** Frets that a hand may go against the line at no extra cost: a jog of the tuning, a reach closed. */
export const FREE_BACKWARD = 2;
/** What is known of a cost: what is paid for, its unit, the values that make sense, and where it is from. */
export interface CostRow {
  /** What it is, in words. */
  readonly says: string;
  /** What it is counted in. */
  readonly unit: string;
  /** Which values make sense. */
  readonly range: string;
  /** Where the value is from. */
  readonly source: string;
}
const FIT = 'fit to common practice';
const JUDGED = 'judgement';

/** The rows of the table, for docs/hand.md and whoever changes a value. The compiler asks for a row for each cost. */
export const COST_ROWS: Readonly<Record<keyof HandCosts, CostRow>> = Object.freeze({
  fingers: { says: 'highest finger of the school', unit: 'finger', range: '3 or 4', source: 'the school' },
  forwardFinger: { says: 'finger that reaches a fret forward', unit: 'finger', range: '3 or 4', source: 'the school' },
  back: { says: 'index or middle a fret back of its rest', unit: 'per mm', range: '0.1 to 2', source: FIT },
  forward: { says: 'the outer finger a fret forward', unit: 'per mm', range: '0.3 to 3', source: FIT },
  shift: { says: 'moving the hand, once (weight: shifts)', unit: 'mm', range: '2 to 10', source: FIT },
  leave: { says: 'letting go of a place', unit: 'mm *', range: '1 to 10', source: FIT },
  inside: { says: 'moving between two notes of one string', unit: 'mm *', range: '3 to 20', source: FIT },
  perMm: { says: 'how far the hand moves (weight: travel)', unit: 'per mm', range: '0.05 to 0.5', source: FIT },
  landing: { says: 'going up, landing beyond the index, a finger', unit: 'mm *', range: '1 to 6', source: JUDGED },
  landingDown: { says: 'going down, landing short of the outer finger, a finger', unit: 'mm *', range: '0.5 to 4', source: JUDGED },
  landingMm: { says: 'shorter moves than this pay for the landing in proportion', unit: 'mm', range: '30 to 120', source: JUDGED },
  overWhole: { says: 'moving over more than a half step, a half step, two at most', unit: 'mm *', range: '0.5 to 3', source: JUDGED },
  backward: { says: 'moving against the line, a fret beyond two', unit: 'mm', range: '2 to 10', source: JUDGED },
  slide: { says: 'one finger gliding along its string, in place of letting go', unit: 'mm *', range: '0 to 60', source: FIT },
  again: { says: 'a slide after a slide (two half steps are one slide)', unit: 'mm', range: '30 to 100', source: FIT },
  slur: { says: 'moving the hand within a hammer-on or pull-off', unit: 'mm', range: '30 to 100', source: JUDGED },
  finger: { says: 'using the finger at all', unit: 'mm', range: '0 to 2', source: JUDGED },
  avoid: {
    says: 'a finger that the school leaves out, half when it comes and half when it stays',
    unit: 'mm',
    range: '20 to 100',
    source: FIT,
  },
  pair24: { says: 'middle and little finger in a row', unit: 'mm', range: '0.5 to 2.5', source: FIT },
  pair34: { says: 'ring and little finger in a row', unit: 'mm', range: '0.5 to 3', source: FIT },
  pair23: { says: 'middle and ring finger in a row', unit: 'mm', range: '0.2 to 1', source: FIT },
  roll: { says: 'one finger on the next string, same fret', unit: 'mm', range: '1 to 20', source: JUDGED },
  hop: { says: 'one finger to another fret of another string, the hand staying', unit: 'mm', range: '5 to 20', source: FIT },
  change: { says: 'another finger on the same place at once, or when it comes back', unit: 'mm', range: '5 to 20', source: FIT },
  afterOpen: { says: 'share of * after an open string', unit: 'share', range: '0.2 to 1', source: JUDGED },
  guide: { says: 'share of * where a finger stays on its string as a guide', unit: 'share', range: '0 to 0.8', source: FIT },
});

/** What an avoided finger costs beside the neighbouring finger a half step away, and in the open position. */
export const AVOIDED_HALF_STEP = 2;
/** What an avoided finger costs in the open position, in mm. */
export const AVOIDED_IN_OPEN = 12;
/** What no hand can do: more than any way round it, and finite, so that fingers settled by the player are obeyed. */
export const NO_HAND = 10_000;
/** Bending a string, by finger: a half step, and more (common practice, no published source: the ring finger, two others behind it). */
export const BEND_HALF: readonly number[] = [0, 15, 6, 0, 30];
/** Bending a string by more than a half step, by finger 0 to 4, in mm (common practice, no published source: the ring finger, two others behind it). */
export const BEND_MORE: readonly number[] = [0, 300, 15, 0, 45];

/** Widest the hand opens from its lowest to its highest finger, in millimetres. */
export const SPAN_MM: Readonly<Record<Hand['size'], number>> = Object.freeze({ small: 105, medium: 120, large: 135 });
/** What is left of the span when the ring finger does the reaching. */
export const RING_SHARE = 0.8;
