import {
  type Connection,
  MOST_KEPT,
  MOST_KEPT_NOTES,
  MOST_LICK_NOTES,
  MOST_LICKS,
  type KeptRoute,
  type Lick,
  type StudyBody,
} from '../../contract';
import type { FingeredStep, LickNote } from '../../core';

/** The longest question: every note given, held and fingered. */
const asked = (count: number): Connection => ({
  way: 'best',
  from: { number: 1, fret: 2 },
  to: { number: 3, fret: 7 },
  strings: [],
  start: null,
  goal: null,
  motion: 'given',
  pitches: many(count, (k) => 50 + (k % 20)),
  within: null,
  weights: { travel: 1, shifts: 1, stretch: 1, stringChanges: 1, openStrings: 1, tone: 0, region: 0 },
  held: many(count, (index) => ({ index, string: 1, fret: 3 })),
  fingers: many(count, (index) => ({ index, finger: 1 })),
  picking: 'alternate',
  choice: 0,
  staff: false,
});

const many = <T>(count: number, make: (k: number) => T): T[] => Array.from({ length: count }, (_, k) => make(k));

/** A study as large as one may be: every lick and route that it may hold, each with as many notes as it may have; `filled`: every field that may be left out, too. */
export function largestOf(study: StudyBody, filled = true): StudyBody {
  const notes = many(MOST_LICK_NOTES, (k): LickNote => ({
    place: { string: 1 + (k % 6), fret: k % 20 },
    ticks: 240,
    ...(filled ? { bend: 1, muted: false, finger: 1 } : {}),
  }));
  const licks = many(MOST_LICKS, (k): Lick => ({ ...study.licks[0]!, id: `l${k}`, name: `Lick ${k}`, notes }));
  const steps = many(MOST_KEPT_NOTES, (k): FingeredStep => ({
    string: 1 + (k % 6),
    fret: 1 + (k % 20),
    finger: 1,
    handFret: 1 + (k % 20),
    move: 'shift',
    costMm: k / 7,
  }));
  const { instrument, scale, layout, school, hand } = study;
  const routes = many(MOST_KEPT, (k): KeptRoute => ({
    id: `r${k}`,
    name: `Route ${k}`,
    steps,
    strokes: many(steps.length, () => 'down'),
    asked: asked(filled ? steps.length : 0),
    on: { instrument, scale, layout, school, hand },
  }));
  return { ...study, instrumentId: null, licks, lick: 'l0', routes };
}
