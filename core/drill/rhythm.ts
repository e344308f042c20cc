import { keysOf } from '../typed';
import { TICKS } from '../lick';
import type { DrillAccent, DrillRhythm } from './types';

/** The lengths that come round and round in a rhythm, in ticks; each row makes up one beat. Swing is two to one. */
export const RHYTHM_TICKS: Readonly<Record<DrillRhythm, readonly number[]>> = Object.freeze({
  quarters: [TICKS],
  eighths: [TICKS / 2, TICKS / 2],
  triplets: [TICKS / 3, TICKS / 3, TICKS / 3],
  sixteenths: [TICKS / 4, TICKS / 4, TICKS / 4, TICKS / 4],
  swing: [(TICKS * 2) / 3, TICKS / 3],
});
/** Rhythms of a drill, as they are offered. */
export const DRILL_RHYTHMS = keysOf(RHYTHM_TICKS);
/** Where the accents of a drill may lie, as they are offered. */
export const DRILL_ACCENTS: readonly DrillAccent[] = ['beat', 'thirds', 'fourths', 'off-beat', 'none'];

/**
 * Lengths of so many notes in a rhythm; the last holds to the end of its beat, so that a pass is whole beats and the next one begins on one.
 * @example drillTicks(3, 'eighths') // [240, 240, 480]
 * @example drillTicks(3, 'triplets') // [160, 160, 160]
 */
export function drillTicks(count: number, rhythm: DrillRhythm): number[] {
  const beat = RHYTHM_TICKS[rhythm];
  const ticks = Array.from({ length: count }, (_, k) => beat[k % beat.length]!);
  const sum = ticks.reduce((a, b) => a + b, 0);
  if (count) ticks[count - 1]! += (TICKS - (sum % TICKS)) % TICKS;
  return ticks;
}

/**
 * Which notes are loud. Off the beat: the one that stands at or after the middle of a beat; with quarters every second one.
 * @example loudNotes(4, 'eighths', 'beat') // [true, false, true, false]
 */
export function loudNotes(count: number, rhythm: DrillRhythm, accent: DrillAccent): boolean[] {
  const inBeat = RHYTHM_TICKS[rhythm].length;
  const off = Math.ceil(inBeat / 2);
  return Array.from({ length: count }, (_, k) => {
    if (accent === 'beat') return k % inBeat === 0;
    if (accent === 'thirds') return k % 3 === 0;
    if (accent === 'fourths') return k % 4 === 0;
    if (accent === 'off-beat') return inBeat === 1 ? k % 2 === 1 : k % inBeat === off;
    return false;
  });
}
