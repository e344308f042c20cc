import fc from 'fast-check';
import { soundJoins, type Instrument, type LickNote } from '../../core';

/** Lengths that one sign writes. */
const LENGTHS = [60, 80, 120, 160, 180, 240, 320, 360, 480, 720, 960, 1440, 1920];

/** Random licks on an instrument: rests, joins that hold, bends, palm muting. */
export const anyLick = (i: Instrument): fc.Arbitrary<LickNote[]> =>
  fc
    .array(
      fc.record({
        string: fc.integer({ min: 1, max: i.strings.length }),
        fret: fc.integer({ min: i.capo ?? 0, max: i.frets }),
        near: fc.integer({ min: -3, max: 3 }),
        same: fc.boolean(),
        ticks: fc.constantFrom(...LENGTHS),
        join: fc.constantFrom(undefined, undefined, 'hammer', 'pull', 'slide', 'tap', 'tie'),
        bend: fc.constantFrom(undefined, undefined, undefined, 1, 2, 3),
        muted: fc.boolean(),
        release: fc.boolean(),
        stroke: fc.constantFrom(undefined, undefined, 'down', 'up'),
        rest: fc.integer({ min: 0, max: 6 }),
      }),
      { minLength: 1, maxLength: 24 },
    )
    .map((list) => {
      const notes: LickNote[] = [];
      for (const { string, fret, near, same, ticks, join, bend, muted, release, stroke, rest } of list) {
        const before = notes[notes.length - 1]?.place;
        if (rest === 0) {
          notes.push({ place: null, ticks });
          continue;
        }
        const nearby = before && same ? { string: before.string, fret: Math.max(i.capo ?? 0, Math.min(i.frets, before.fret + (join === 'tie' ? 0 : near))) } : { string, fret }; // prettier-ignore
        notes.push({ place: nearby, ticks, ...(join ? { join } : {}), ...(bend && join !== 'tie' ? { bend, ...(release ? { release } : {}) } : {}), ...(stroke && !join ? { stroke } : {}), ...(muted ? { muted } : {}) }); // prettier-ignore
      }
      return soundJoins(notes);
    });
