import { checkWhole, fail, shown } from '../errors';
import { checkHand, runToEnd } from '../fingering';
import { layOut } from '../layout';
import { scaledNeck } from '../neck';
import { CONNECT_WAYS } from '../line-types';
import type { ConnectRequest, ConnectWay, Instrument, Route, ScaleRef } from '../types';
import { routeTask, weightsOf } from './costs';
import { PINNED } from './plan';
import { distinct, solve, USUAL_COUNT, type Line } from './route';
import { betweenPlaces, missed } from './ways/cut';
import { diagonalWay } from './ways/diagonal';
import { mergeSkipWay } from './ways/merge-skip';
import { oneStringWay } from './ways/one-string';
import { regionWay } from './ways/region';
import { seamWay } from './ways/seam';
import { splitWay } from './ways/split';
import { stringPairWay } from './ways/string-pair';
import type { Crossing, Ways } from './ways/way';

/** A new way to connect is one file and one line here. */
const WAYS: Readonly<Record<ConnectWay, (c: Crossing) => Ways>> = {
  seam: seamWay,
  'one-string': oneStringWay,
  'string-pair': stringPairWay,
  diagonal: diagonalWay,
  split: splitWay,
  region: regionWay,
  'merge-skip': mergeSkipWay,
};

const NOTHING: Record<ConnectWay, string> = {
  seam: 'Two of these rungs share no note to change hands on: choose other strings, or another way.',
  'one-string': 'No string leads from the one rung into the other: choose another string, or another way.',
  'string-pair': 'These rungs have nothing on this pair of strings: choose another pair.',
  diagonal: 'No diagonal from a root of the lower rung leads to the other: choose other rungs, or another way.',
  split: 'These rungs cannot be split: choose others.',
  region: 'These rungs have no notes far enough apart to leap between: choose rungs farther apart.',
  'merge-skip': 'These rungs cannot be merged: choose neighbours.',
};

/**
 * The best line from one rung of a ladder to another in one of seven ways; rungs by index, from the nut up. From a higher
 * rung to a lower one it descends. Throws NO_ROUTE with what to choose instead, BAD_OPTION, and what layOut throws.
 * @example connect(six, minor, { way: 'seam', layout: boxes, fromRung: 0, toRung: 1, school: 'finger-per-fret' }).shifts // 0
 */
export const connect = (i: Instrument, ref: ScaleRef, o: ConnectRequest): Route => connectAll(i, ref, { ...o, count: 1 })[0]!;

/** The best lines of a way, cheapest first; as many as `count` (3 unless given). Throws as connect does. */
export const connectAll = (i: Instrument, ref: ScaleRef, o: ConnectRequest): Route[] => runToEnd(connecting(i, ref, o));

/** connectAll bit by bit, for a worker: yields the share of the work done, 0 to 1. */
export function* connecting(i: Instrument, ref: ScaleRef, o: ConnectRequest): Generator<number, Route[]> {
  if (!Object.hasOwn(WAYS, o.way)) fail('BAD_OPTION', 'way', `way: "${shown(o.way)}" is none of ${CONNECT_WAYS.join(', ')}.`);
  checkHand(o.school, o.hand);
  const c = crossingOf(i, ref, o);
  const costs = routeTask(i, o.school, o.hand, weightsOf(o.weights));
  const ways = WAYS[o.way](c);
  const cut = (some: Line[] = []): Line[] => betweenPlaces(i, some, o);
  const [preferred, lines, otherwise] = [cut(ways.preferred), cut(ways.lines), cut(ways.otherwise)];
  if (!preferred.length && !lines.length && !otherwise.length && (o.start || o.goal)) missed([...(ways.preferred ?? []), ...ways.lines], o);
  const count = o.count ?? USUAL_COUNT;
  const among = function* (some: Line[], most: number): Generator<number, Route[]> {
    const usable = some.filter((l) => l.options.length > 0);
    return usable.length && most > 0 ? yield* solve(c.neck, costs, usable, { ...o, count: most }) : [];
  };
  const best = yield* among(preferred, 1);
  const others = yield* among(lines, count > best.length ? count : 0);
  const found = distinct([...best, ...others]).slice(0, count);
  const routes = found.length ? found : yield* among(otherwise, count);
  if (!routes.length) fail('NO_ROUTE', o.pins?.length ? 'pins' : 'way', o.pins?.length ? PINNED : NOTHING[o.way]);
  return routes;
}

function crossingOf(i: Instrument, ref: ScaleRef, o: ConnectRequest): Crossing {
  const shapes = layOut(i, ref, o.layout);
  checkWhole('BAD_OPTION', 'fromRung', o.fromRung, 0, shapes.length - 1);
  checkWhole('BAD_OPTION', 'toRung', o.toRung, 0, shapes.length - 1);
  if (shapes.length < 2) fail('NO_ROUTE', 'layout', 'This layout has one rung only: choose boxes, windows or notes per string.');
  if (o.fromRung === o.toRung) fail('NO_ROUTE', 'toRung', 'Start and goal are the same rung: choose two different ones.');
  const up = o.fromRung < o.toRung;
  const numbers = Array.from({ length: Math.abs(o.toRung - o.fromRung) + 1 }, (_, k) => o.fromRung + (up ? k : -k));
  return { instrument: i, ref, neck: scaledNeck(i, ref), rungs: numbers.map((n) => shapes[n]!), numbers, up, request: o };
}
