import type { RouteWeights } from '../types';

/** Usual weights: effort as below, no wish for a tone, regions crossed freely. */
export const USUAL_WEIGHTS: Readonly<RouteWeights> = Object.freeze({
  travel: 1,
  shifts: 1,
  stretch: 1,
  stringChanges: 1,
  openStrings: 1,
  tone: 0,
  region: 0,
});

/** Largest factor of a weight. */
export const MOST_WEIGHT = 4;
