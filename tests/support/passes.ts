import type { Pass } from '../../contract';

const DAY = 86_400_000;
export const MONDAY = Date.UTC(2026, 10, 2, 12);

/** A pass of the log: the k-th of its day. */
export function pass(id: string, day = 0, more: Partial<Pass> = {}): Pass {
  const at = MONDAY + day * DAY;
  return {
    id,
    at,
    day: new Date(at).toISOString().slice(0, 10),
    study: 'demo-weathervane',
    studyName: 'Weathervane',
    shape: 'box/1',
    what: 'box 1 of F♯ Dorian',
    order: 'from-root',
    rhythm: 'triplets',
    tempo: 84,
    goal: 96,
    verdict: 'clean',
    reached: false,
    seconds: 8,
    by: 'player',
    ...more,
  };
}
