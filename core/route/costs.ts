import { isBelow, placeIndex, plainPlace } from '../place';
import { checkNumber, fail } from '../errors';
import { handModel, noCosts, SCHOOLS, type CostRow, type HandCosts, type State, type Task } from '../fingering';
import { stringsUpward, toneIndex } from '../instrument';
import { keysOf, recordOf } from '../typed';
import type { FingeringSchool, Hand, Instrument, RouteWeights } from '../types';
import { MOST_WEIGHT, USUAL_WEIGHTS } from './weights';

const JUDGED = 'judgement';
/** What is paid for along a route beside the hand's own costs: judgement of players, no published source. One table, for the search and for docs/hand.md. */
export const ROUTE_ROWS = Object.freeze({
  stringChange: { says: 'changing strings (weight: stringChanges)', value: 4, unit: 'mm', range: '1 to 10', source: JUDGED },
  skipped: { says: 'each string skipped', value: 3, unit: 'mm', range: '1 to 10', source: JUDGED },
  against: {
    says: 'rising to a lower-sounding string, or falling to a higher one',
    value: 60,
    unit: 'mm',
    range: '40 to 200',
    source: JUDGED,
  },
  leap: { says: 'a fret between two stopped notes beyond four', value: 6, unit: 'mm', range: '2 to 15', source: JUDGED },
  open: { says: 'an open string (weight: openStrings, −1 liked to 4 avoided)', value: 16, unit: 'mm', range: '5 to 30', source: JUDGED },
  openNearNut: {
    says: 'an open string near the nut, whatever the weight',
    value: -18,
    unit: 'mm',
    range: '−25 to 0',
    source: JUDGED,
  },
  openAbove: {
    says: 'an open string after a note at fret 5 or above, once more',
    value: 32,
    unit: 'mm',
    range: '10 to 50',
    source: JUDGED,
  },
  thick: { says: 'a string of the thicker half beyond fret 15, a fret', value: 3, unit: 'mm', range: '1 to 6', source: JUDGED },
  tone: { says: 'tone wholly other than wished (weight: tone)', value: 30, unit: 'mm', range: '10 to 60', source: JUDGED },
  region: { says: 'crossing the border fret (weight: region)', value: 60, unit: 'mm', range: '30 to 100', source: JUDGED },
} satisfies Record<string, CostRow & { readonly value: number }>);
const COSTS = Object.freeze(recordOf(keysOf(ROUTE_ROWS), (key) => ROUTE_ROWS[key].value));
const COVERED_FRETS = 4;
const NEAR_NUT = 5;
const TILT_FRET = 15;

/** Tone and open strings can be liked or not. */
export const leastWeight = (name: keyof RouteWeights): number => (name === 'tone' || name === 'openStrings' ? -1 : 0);

/** Checks weights and fills in the usual ones; throws BAD_OPTION. */
export function weightsOf(weights: Partial<RouteWeights> = {}): RouteWeights {
  for (const [name, value] of Object.entries(weights)) {
    if (!Object.hasOwn(USUAL_WEIGHTS, name))
      fail('BAD_OPTION', `weights.${name}`, `weights.${name}: the weights are ${Object.keys(USUAL_WEIGHTS).join(', ')}.`);
    checkNumber('BAD_OPTION', `weights.${name}`, value, leastWeight(name as keyof RouteWeights), name === 'tone' ? 1 : MOST_WEIGHT);
  }
  return { ...USUAL_WEIGHTS, ...weights };
}

/** The hand's costs as weighted: each weight multiplies what it names and nothing else, so that more of it never gives more of that. */
const weighted = (c: HandCosts, w: RouteWeights): HandCosts => ({
  ...c,
  shift: c.shift * w.shifts,
  perMm: c.perMm * w.travel,
  back: c.back * w.stretch,
  forward: c.forward * w.stretch,
});

/** What a route's search minimises, beside its line. */
export type RouteTask = Required<Pick<Task, 'hand' | 'extra' | 'own' | 'kept'>>;

/** Costs of a route on an instrument: the hand's, and those of strings, tone and regions. */
export function routeTask(i: Instrument, school: FingeringSchool, of: Hand | undefined, w: RouteWeights): RouteTask {
  const hand = handModel(i, school, of, weighted(SCHOOLS[school], w));
  const { open, nut } = hand;
  const rank = stringsUpward(i).reduce<number[]>((ranks, s, k) => ((ranks[s] = k), ranks), []);
  const thick = (string: number): boolean => rank[string]! < i.strings.length / 2;
  const tones: number[] = [];
  const toneOf = (s: State): number => (tones[placeIndex(s)] ??= toneIndex(i, plainPlace(s)));
  const missed = (s: State): number => (w.tone > 0 ? w.tone * (1 - toneOf(s)) : -w.tone * toneOf(s));
  return {
    hand,
    kept: noCosts(),
    own: (s, tell) => {
      if (s.finger === 0) tell('open', COSTS.open * w.openStrings + COSTS.openNearNut);
      else if (s.fret > TILT_FRET && thick(s.string)) tell('thick', COSTS.thick * (s.fret - TILT_FRET));
      if (w.tone) tell('tone', COSTS.tone * missed(s));
    },
    extra: (a, b, tell) => {
      const apart = Math.abs(rank[b.string]! - rank[a.string]!);
      if (apart > 0) tell('string', w.stringChanges * COSTS.stringChange + COSTS.skipped * (apart - 1));
      const rise = open[b.string]! + b.fret - open[a.string]! - a.fret;
      if (rise * (open[b.string]! - open[a.string]!) < 0) tell('against', COSTS.against);
      const leap = Math.abs(a.fret - b.fret) - COVERED_FRETS;
      if (leap > 0 && a.finger && b.finger) tell('travel', COSTS.leap * leap);
      if (b.finger === 0 && a.fret >= nut + NEAR_NUT) tell('open', COSTS.openAbove);
      if (w.region && isBelow(a.fret) !== isBelow(b.fret)) tell('region', COSTS.region * w.region);
    },
  };
}
