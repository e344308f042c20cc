import { samePlace } from '../place';
import { fail } from '../errors';
import { checkHand, runToEnd } from '../fingering';
import { scaledNeck } from '../neck';
import type { Instrument, Route, RouteRequest, ScaleRef, Place } from '../types';
import { routeTask, weightsOf } from './costs';
import { fieldOf, linesOf, type RouteLine } from './line';
import { solve, type Line } from './route';

/** What is said where settled fingers leave no way. */
export const PINNED = 'No hand can play the line with the fingers as settled: free one of them.';

/**
 * The best ways along the neck: from a place or pitch to a place, a fret under the hand or a pitch, as a scale run or in
 * thirds, or through given pitches (MIDI numbers). Exact over every place of every note and every finger; `count`
 * distinct routes (3 unless given), cheapest first. Throws NO_ROUTE saying what is missing, NOT_IN_SCALE, BAD_PLACE,
 * BAD_OPTION.
 * @example planRoute(six, minor, { pitches: [45, 48, 50], school: 'finger-per-fret' })[0].steps.length // 3
 */
export const planRoute = (i: Instrument, ref: ScaleRef, o: RouteRequest): Route[] => runToEnd(planning(i, ref, o));

/** planRoute bit by bit, for a worker: yields the share of the work done, 0 to 1. */
export function* planning(i: Instrument, ref: ScaleRef, o: RouteRequest): Generator<number, Route[]> {
  checkHand(o.school, o.hand);
  const neck = scaledNeck(i, ref);
  const costs = routeTask(i, o.school, o.hand, weightsOf(o.weights));
  const lines = linesOf(fieldOf(neck, o), o).map(lineOf);
  const routes = yield* solve(neck, costs, lines, o);
  if (!routes.length && o.pins?.length) fail('NO_ROUTE', 'pins', PINNED);
  if (!routes.length)
    fail('NO_ROUTE', 'to', 'No line of up to three octaves ends with the hand there: choose another fret, or allow more of the neck.');
  return routes;
}

function lineOf({ options, first, last, lastHand, mayEnd }: RouteLine): Line {
  const at = (p: Place) => (s: Place) => samePlace(s, p);
  const here = first && at(first);
  const there = last && at(last);
  return {
    options,
    ...(here ? { startsAt: here } : {}),
    ...(there ? { endsAt: (s, k) => k === options.length - 1 && there(s) } : {}),
    ...(lastHand !== undefined && mayEnd ? { endsAt: (s, k) => mayEnd(k) && s.hand === lastHand } : {}),
  };
}
