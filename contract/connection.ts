import { boolean, lazy, number, object, string } from 'yup';
import {
  CONNECT_WAYS,
  MOST_WEIGHT,
  type ConnectWay,
  type Picking,
  type Place,
  type Route,
  type RouteGoal,
  type RouteWeights,
} from '../core';
import { list, oneOf, place, record, rungRef, whole, type RungRef } from './parts';

export const WAYS = [...CONNECT_WAYS, 'best'] as const;
export type Way = ConnectWay | 'best';

/** Most notes that a line typed by hand has, and most routes that a study keeps. */
export const MOST_TYPED = 400;
export const MOST_KEPT = 60;

/** What is asked of Connect: from where to where, and how. */
export interface Connection {
  way: Way;
  from: RungRef;
  to: RungRef;
  /** Strings that the way is to use; empty: whichever are best. */
  strings: number[];
  /** Best route: other ends than those of the rungs. */
  start: Place | null;
  goal: RouteGoal | null;
  /** Best route: a scale run, in thirds, or through `pitches` (MIDI numbers). */
  motion: 'run' | 'thirds' | 'given';
  pitches: number[];
  within: { fromFret: number; toFret: number } | null;
  weights: RouteWeights;
  /** Notes held on one of their places and fingers settled, by index in the line. */
  held: (Place & { index: number })[];
  fingers: { index: number; finger: number }[];
  picking: Picking;
  /** Which of the ways there is shown. */
  choice: number;
  /** Whether the staff is shown beside the tab. */
  staff: boolean;
}

/** A route kept with the study: what was asked, and the notes as they were then, for drills and files. */
export interface KeptRoute {
  name: string;
  asked: Connection;
  steps: Route['steps'];
}

const factor = (min: number, max: number) => number().strict().required().min(min).max(max);

/** A place, a fret under the hand, or a pitch. */
const goal = lazy((value: unknown) => {
  const fields = value && typeof value === 'object' ? value : {};
  if (value === null) return object().nullable();
  if ('pitch' in fields) return record({ pitch: whole(0, 163) }).required();
  return ('string' in fields ? place : record({ fret: whole(1, 36) })).required();
});

export const connectionSchema = record({
  way: oneOf(WAYS),
  from: rungRef.required(),
  to: rungRef.required(),
  strings: list(whole(1, 12), 12),
  start: place.nullable().defined(),
  goal,
  motion: oneOf(['run', 'thirds', 'given']),
  pitches: list(whole(0, 163), MOST_TYPED),
  within: record({ fromFret: whole(0, 36), toFret: whole(0, 36) })
    .nullable()
    .defined(),
  weights: record({
    travel: factor(0, MOST_WEIGHT),
    shifts: factor(0, MOST_WEIGHT),
    stretch: factor(0, MOST_WEIGHT),
    stringChanges: factor(0, MOST_WEIGHT),
    openStrings: factor(0, MOST_WEIGHT),
    tone: factor(-1, 1),
    region: factor(0, MOST_WEIGHT),
  }).required(),
  held: list(record({ index: whole(0, 20_000), string: whole(1, 12), fret: whole(0, 36) }), MOST_TYPED),
  fingers: list(record({ index: whole(0, 20_000), finger: whole(0, 4) }), MOST_TYPED),
  picking: oneOf(['alternate', 'economy', 'hammered']),
  choice: whole(0, 50),
  staff: boolean().strict().required(),
});

const step = record({
  string: whole(1, 12),
  fret: whole(0, 36),
  finger: whole(0, 4),
  handFret: whole(0, 40),
  move: oneOf(['start', 'stay', 'stretch', 'shift', 'slide', 'roll']),
  costMm: number().strict().required(),
});

export const keptRouteSchema = record({
  name: string().strict().trim().required('routes: give the route a name.').max(120),
  asked: connectionSchema.required(),
  steps: list(step, 2000),
});
