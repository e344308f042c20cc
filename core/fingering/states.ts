import type { CostWord, Join, Place } from '../types';

/** One way of sounding a note: finger 0 (open) to 4, the fret where finger 1 rests, the effort of the reach. */
export interface Hold extends Place {
  finger: number;
  hand: number;
  /** 0 at rest; otherwise how far beyond it in mm. */
  reachMm: number;
  /** What the hold costs by itself: finger and reach. */
  cost: number;
}

/** A place that a note may be played at; `tag` tells apart the same place in two roles (two rungs that share it). */
export interface Option extends Place {
  tag?: number;
}

/** A hold of one option. */
export interface State extends Hold {
  tag: number;
}

/** Every state of one note of a line, in the order of ties: lower hand fret, then lower finger, then the thinner string. */
export interface Layer {
  states: State[];
  /** By state: which way it reaches, and which of the layer's places and fingers (whatever the hand) it is. */
  side: Uint8Array;
  holdOf: Uint8Array;
  /** A state of each place and finger. */
  holds: State[];
  /** By state: which place and hand fret it is. */
  labelOf: Uint16Array;
}

/** Told what a cost is made of, part by part, in mm of effort; `moving` shrinks where there is time, an open string or a guide finger. */
export type Tell = (word: CostWord, mm: number, moving?: boolean) => void;

/** Costs between layers and within them, kept for all lines of one task. */
export interface Costs {
  passes: Map<Layer, Map<Layer, Map<Join | null, Passes>>>;
  owns: Map<Layer, Float64Array>;
}
export const noCosts = (): Costs => ({ passes: new Map(), owns: new Map() });

/** What every pair of states of two layers costs, row by row: still and moving costs, and what kind of pass it is. */
export interface Passes {
  still: Float64Array;
  moving: Float64Array;
  kind: Uint8Array;
}
