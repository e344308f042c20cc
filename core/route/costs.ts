import { isBelow, placeIndex, plainPlace } from '../place';
import { checkNumber, fail } from '../errors';
import { handModel, noCosts, SCHOOLS, type HandCosts, type State, type Task } from '../fingering';
import { stringsUpward, toneIndex } from '../instrument';
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

/** Judgement of players, no published source. */
const STRING_CHANGE = 4;
/** Each string that is skipped, once more. */
const SKIPPED_STRING = 3;
/** Rising to a lower-sounding string, or falling to a higher one. */
const AGAINST = 60;
/** A leap between two stopped notes, for each fret beyond what a hand covers. */
const LEAP_PER_FRET = 6;
const COVERED_FRETS = 4;
/** An open string, wished for or not; and by where the hand is: at home near the nut, a change of tone above. */
const OPEN_STRING = 16;
const OPEN_NEAR_NUT = -18;
const OPEN_ABOVE = 14;
const NEAR_NUT = 5;
/** A thick string above the fret where the hand has to tilt, a fret. */
const THICK_PER_FRET = 3;
const TILT_FRET = 15;
const TONE = 30;
const CROSSING = 60;

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
export function routeTask(i: Instrument, school: FingeringSchool, size: Hand['size'], w: RouteWeights): RouteTask {
  const hand = handModel(i, school, size, weighted(SCHOOLS[school], w));
  const { open, nut } = hand;
  const rank = stringsUpward(i).reduce<number[]>((ranks, s, k) => ((ranks[s] = k), ranks), []);
  const thick = (string: number): boolean => rank[string] < i.strings.length / 2;
  const tones: number[] = [];
  const toneOf = (s: State): number => (tones[placeIndex(s)] ??= toneIndex(i, plainPlace(s)));
  const missed = (s: State): number => (w.tone > 0 ? w.tone * (1 - toneOf(s)) : -w.tone * toneOf(s));
  return {
    hand,
    kept: noCosts(),
    own: (s, tell) => {
      if (s.finger === 0) tell('open', OPEN_STRING * w.openStrings + (s.hand < nut + NEAR_NUT ? OPEN_NEAR_NUT : OPEN_ABOVE));
      else if (s.fret > TILT_FRET && thick(s.string)) tell('thick', THICK_PER_FRET * (s.fret - TILT_FRET));
      if (w.tone) tell('tone', TONE * missed(s));
    },
    extra: (a, b, tell) => {
      const apart = Math.abs(rank[b.string] - rank[a.string]);
      if (apart > 0) tell('string', w.stringChanges * STRING_CHANGE + SKIPPED_STRING * (apart - 1));
      const rise = open[b.string] + b.fret - open[a.string] - a.fret;
      if (rise * (open[b.string] - open[a.string]) < 0) tell('against', AGAINST);
      const leap = Math.abs(a.fret - b.fret) - COVERED_FRETS;
      if (leap > 0 && a.finger && b.finger) tell('travel', LEAP_PER_FRET * leap);
      if (w.region && isBelow(a.fret) !== isBelow(b.fret)) tell('region', CROSSING * w.region);
    },
  };
}
