import type { FingeredStep } from '../types';

/** A stay of the hand: from step to step, both included. */
export interface HandPlace {
  /** Fret under the index finger. */
  readonly fret: number;
  /** First note played from it. */
  readonly from: number;
  /** Last note. */
  to: number;
}

/**
 * Where the hand stays along a line, in order.
 * @example handPlaces(fingerNotes(six, box.notes, plain)).length // 1
 */
export function handPlaces(steps: readonly FingeredStep[]): HandPlace[] {
  const places: HandPlace[] = [];
  steps.forEach((s, k) => {
    const last = places[places.length - 1];
    if (last?.fret === s.handFret) last.to = k;
    else places.push({ fret: s.handFret, from: k, to: k });
  });
  return places;
}
