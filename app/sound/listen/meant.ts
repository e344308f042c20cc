import { openMidis, TICKS, type Instrument } from '../../../core';
import type { DrillHeard } from '../drill-score';
import { HELD } from '../heard';
import type { MeantNote } from './simulated';

/** A drill as a player means to play it, in ms from the beginning of a pass. `starts` are those of the notes in beats. */
export const meantOf = (
  { sounds, ticks, slurred }: Pick<DrillHeard, 'sounds' | 'ticks' | 'slurred'>,
  starts: readonly number[],
  msPerBeat: number,
): MeantNote[] =>
  sounds.map(({ midi, string }, k) => ({
    midi,
    string,
    atMs: starts[k]! * msPerBeat,
    lengthMs: (ticks[k]! / TICKS) * msPerBeat * HELD,
    slurred: slurred[k],
  }));

/** The lowest and the highest note of an instrument, a bend above the highest. */
export function rangeOf(i: Instrument): [lowest: number, highest: number] {
  const open = openMidis(i);
  return [Math.min(...open), Math.max(...open) + i.frets + BEND];
}
const BEND = 3;
