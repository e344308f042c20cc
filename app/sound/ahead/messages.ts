import type { FromEngine, ToEngine } from '../engine/messages';

/** The audio clock as the page sees it: a frame, and the wall clock in ms then. */
export interface Clock {
  readonly frame: number;
  readonly at: number;
}
export type ToAhead = { readonly rate: number } | { readonly clock: Clock; readonly order?: ToEngine };
export type FromAhead = FromEngine | { readonly block: Float32Array; readonly frame: number };
