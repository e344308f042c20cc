import { CoreError, fail } from '../errors';
import { checkPlace } from '../instrument';
import type { Instrument, Place } from '../types';
import { checkTicks } from './rhythm';
import type { LickNote } from './types';

const BENDS = { min: 1, max: 5 };

/**
 * Makes joins true: a tie needs the same place before it, a hammer-on a lower fret of the same string, a pull-off a
 * higher one, a slide another one; a tap needs a fret and nothing before it. What cannot be is left out. Returns the same notes where nothing had to go.
 * @example soundJoins(lick).length // 4
 */
export function soundJoins(notes: readonly LickNote[]): LickNote[] {
  return notes.map((n, k) => {
    if (!n.join || joins(notes[k - 1]?.place ?? null, n)) return n;
    const plain = { ...n };
    delete plain.join;
    return plain;
  });
}

function joins(before: Place | null, { place, join }: LickNote): boolean {
  if (join === 'tap') return !!place && place.fret > 0;
  if (!place || !before || before.string !== place.string) return false;
  if (join === 'tie') return before.fret === place.fret;
  return join === 'hammer' ? place.fret > before.fret : join === 'pull' ? place.fret < before.fret : place.fret !== before.fret;
}

/** Throws where a note of a lick is none: BAD_PLACE off the neck, BAD_OPTION for lengths, bends and joins. */
export function checkLick(i: Instrument, notes: readonly LickNote[]): void {
  notes.forEach((n, k) => {
    checkTicks(n.ticks, `notes[${k}].ticks`);
    if (n.place) checkPlace(i, n.place, `notes[${k}]`);
    if (n.bend !== undefined && !(Number.isInteger(n.bend) && n.bend >= BENDS.min && n.bend <= BENDS.max))
      fail('BAD_OPTION', `notes[${k}].bend`, `notes[${k}].bend: a bend is 1 to 5 half steps.`);
    if (n.release && !n.bend) fail('BAD_OPTION', `notes[${k}].release`, `notes[${k}].release: only a bend can be let down again.`);
  });
  const wrong = soundJoins(notes).findIndex((n, k) => n !== notes[k]);
  if (wrong >= 0) throw new CoreError('BAD_OPTION', `notes[${wrong}].join`, `notes[${wrong}].join: nothing before this note that it could be joined to.`); // prettier-ignore
}
