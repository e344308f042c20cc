import { isBelow, placeIndex, plainPlace } from '../place';
import { checkNumber, fail } from '../errors';
import { handModel, part, SCHOOLS, type HandCosts, type State, type Task, type Tell } from '../fingering';
import { toneIndex } from '../instrument';
import type { FingeringSchool, Hand, Instrument, RouteWeights } from '../types';

/** Usual weights: effort as below, no wish for a tone, regions crossed freely. */
export const USUAL_WEIGHTS: Readonly<RouteWeights> = Object.freeze({
  travel: 1,
  shifts: 1,
  stretch: 1,
  stringChanges: 1,
  openStrings: 1,
  tone: 0,
  region: 0,
});

/** Largest factor of a weight. */
export const MOST_WEIGHT = 4;

/** Judgement of players, no published source: along a line travel weighs more than in a shape, or it leaps about. */
const SHIFT = 30;
const TRAVEL_PER_MM = 0.5;
const FAR_MM = 80;
const FAR_PER_MM = 1;
const STRING_CHANGE = 4;
const AGAINST = 20;
const OPEN_STRING = 40;
const TONE = 30;
const CROSSING = 60;

/** Checks weights and fills in the usual ones; throws BAD_OPTION. */
export function weightsOf(weights: Partial<RouteWeights> = {}): RouteWeights {
  for (const [name, value] of Object.entries(weights)) {
    if (!Object.hasOwn(USUAL_WEIGHTS, name))
      fail('BAD_OPTION', `weights.${name}`, `weights.${name}: the weights are ${Object.keys(USUAL_WEIGHTS).join(', ')}.`);
    checkNumber('BAD_OPTION', `weights.${name}`, value, name === 'tone' ? -1 : 0, name === 'tone' ? 1 : MOST_WEIGHT);
  }
  return { ...USUAL_WEIGHTS, ...weights };
}

/** What a hand's moves cost along a route: the school's reaches and fingers, with moves of the hand weighed anew. */
const routeCosts = (c: HandCosts, w: RouteWeights): HandCosts => ({
  ...c,
  shift: SHIFT * w.shifts,
  shiftInsideString: c.shiftInsideString * w.shifts,
  slide: c.slide * w.shifts,
  shiftPerMm: TRAVEL_PER_MM * w.travel,
  slidePerMm: TRAVEL_PER_MM * w.travel,
  farMm: FAR_MM,
  farPerMm: FAR_PER_MM * w.travel,
  back: c.back * w.stretch,
  forward: c.forward * w.stretch,
});

/** What a route's search minimises, beside its line. Each cost can be told part by part. */
export interface RouteTask extends Pick<Task, 'hand'> {
  extra: (a: State, b: State, tell?: Tell) => number;
  own: (s: State, tell?: Tell) => number;
}

/** Costs of a route on an instrument: the hand's, and those of strings, tone and regions. `open` by string number. */
export function routeTask(i: Instrument, open: number[], school: FingeringSchool, size: Hand['size'], w: RouteWeights): RouteTask {
  const hand = handModel(i, school, size, routeCosts(SCHOOLS[school], w));
  const tones: number[] = [];
  const toneOf = (s: State): number => (tones[placeIndex(s)] ??= toneIndex(i, plainPlace(s)));
  const missed = (s: State): number => (w.tone > 0 ? w.tone * (1 - toneOf(s)) : -w.tone * toneOf(s));
  return {
    hand,
    own: (s, tell) =>
      part(tell, 'open', s.finger === 0 ? OPEN_STRING * w.openStrings : 0) + part(tell, 'tone', w.tone ? TONE * missed(s) : 0),
    extra: (a, b, tell) =>
      (a.string === b.string ? 0 : changeCost(a, b, open, w.stringChanges, tell)) +
      part(tell, 'region', w.region ? crossing(a, b) * w.region : 0),
  };
}

/** Going up in pitch on a lower string, or down on a higher one, is against the direction. */
function changeCost(a: State, b: State, open: number[], weight: number, tell?: Tell): number {
  const rise = open[b.string] + b.fret - open[a.string] - a.fret;
  const toHigher = open[b.string] - open[a.string];
  return part(tell, 'string', weight * STRING_CHANGE) + part(tell, 'against', rise * toHigher < 0 ? weight * AGAINST : 0);
}

const crossing = (a: State, b: State): number => (isBelow(a.fret) === isBelow(b.fret) ? 0 : CROSSING);
