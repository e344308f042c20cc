import type { FromEngine, ToEngine } from '../engine/messages';

/** The audio clock as the page sees it: a frame, and the wall clock in ms then. */
export interface Clock {
  frame: number;
  at: number;
}
export type ToAhead = { rate: number } | { clock: Clock; order?: ToEngine };
export type FromAhead = FromEngine | { block: Float32Array; frame: number };
