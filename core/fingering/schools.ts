import type { FingeringSchool, Hand } from '../types';

/**
 * What a hand's moves cost, in millimetres of effort. The shape of the model (states of finger and hand place,
 * costs along and between notes, one optimum path) is Sayegh's: "Fingering for String Instruments with the
 * Optimum Path Paradigm", Computer Music Journal 13(3), 1989. The weights are a fit to common practice.
 */
export interface HandCosts {
  /** Highest finger the school uses. */
  fingers: 3 | 4;
  /** The finger that reaches one fret forward. */
  forwardFinger: 3 | 4;
  /** Per mm beyond the finger's rest. */
  back: number;
  forward: number;
  /** Moving the hand: once, per mm, and more if it happens between two notes of one string. */
  shift: number;
  shiftPerMm: number;
  shiftInsideString: number;
  /** Once more per mm for what lies beyond `farMm` of one move. */
  farMm: number;
  farPerMm: number;
  /** One finger gliding along its string, in place of a shift. */
  slide: number;
  slidePerMm: number;
  /** Extra for using a finger at all, by finger. */
  finger: readonly [number, number, number, number, number];
  /** Two fingers in a row, in either order. */
  pair24: number;
  pair34: number;
  pair23: number;
  /** One finger on the next string, same fret; another fret; another finger on the same place. */
  roll: number;
  hop: number;
  change: number;
}

const BASE: HandCosts = {
  fingers: 4, forwardFinger: 4, back: 1, forward: 2,
  shift: 5, shiftPerMm: 0.05, shiftInsideString: 40, farMm: 0, farPerMm: 0,
  slide: 60, slidePerMm: 0.1,
  finger: [0, 0, 0, 0, 0], pair24: 2.5, pair34: 3, pair23: 0.5, roll: 2, hop: 10, change: 10,
}; // prettier-ignore

export const SCHOOLS: Readonly<Record<FingeringSchool, HandCosts>> = Object.freeze({
  'finger-per-fret': BASE,
  stretch: { ...BASE, back: 0.3, forward: 0.6, shiftInsideString: 200 },
  'first-and-third': { ...BASE, forwardFinger: 3, forward: 0.5, slide: 6, slidePerMm: 0.3, finger: [0, 0, 60, 0, 100] },
  'no-little-finger': { ...BASE, fingers: 3, forwardFinger: 3, back: 0.6, forward: 0.5, slide: 25 },
});

/** Widest the hand opens from its lowest to its highest finger, in millimetres. */
export const SPAN_MM: Readonly<Record<Hand['size'], number>> = Object.freeze({ small: 105, medium: 120, large: 135 });
/** What is left of the span when the ring finger does the reaching. */
export const RING_SHARE = 0.8;
