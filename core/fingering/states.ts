import type { CostWord, Join, Place } from '../types';

/** One way of sounding a note: finger 0 (open) to 4, the fret where finger 1 rests, the effort of the reach. */
export interface HeldPlace extends Place {
  /** 0 (open) to 4. */
  readonly finger: number;
  /** Fret under the index finger. */
  readonly hand: number;
  /** 0 at rest; otherwise how far beyond it in mm. */
  readonly reachMm: number;
  /** What the hold costs by itself: finger and reach. */
  readonly cost: number;
}

/** A place that a note may be played at; `tag` tells apart the same place in two roles (two rungs that share it). */
export interface Option extends Place {
  /** What tells this option from others at the same place. */
  readonly tag?: number;
}

/** A hold of one option. */
export interface State extends HeldPlace {
  /** Of the option it is from. */
  readonly tag: number;
}

/** Every state of one note of a line, in the order of ties: lower hand fret, then lower finger, then the thinner string. */
export interface Layer {
  /** Ways to play the note. */
  readonly states: State[];
  /** By state: which way it reaches, and which of the layer's places and fingers (whatever the hand) it is. */
  readonly side: Uint8Array;
  /** Index of each state's hold. */
  readonly holdOf: Uint8Array;
  /** A state of each place and finger. */
  readonly holds: State[];
  /** By state: which place and hand fret it is. */
  readonly labelOf: Uint16Array;
}

/** Told what a cost is made of, part by part, in mm of effort; `moving` shrinks where there is time, an open string or a guide finger. */
export type CostTally = (word: CostWord, mm: number, moving?: boolean) => void;

/** Costs between layers and within them, kept for all lines of one task. */
export interface Costs {
  /** Steps that were worked out, by join, from layer to layer. */
  readonly passes: Map<Join | null, Map<Layer, Map<Layer, Passes>>>;
  /** What the states of a layer cost by themselves. */
  readonly owns: Map<Layer, Float64Array>;
}
/** An empty memory of what steps and states cost. */
export const noCosts = (): Costs => ({ passes: new Map(), owns: new Map() });

/** What every pair of states of two layers costs, row by row: still and moving costs, and what kind of pass it is. */
export interface Passes {
  /** What of each step's cost is paid at any pace. */
  readonly still: Float64Array;
  /** What of it counts by the pace. */
  readonly moving: Float64Array;
  /** Signs of what the hand does in each step, a bit each. */
  readonly kind: Uint8Array;
}
