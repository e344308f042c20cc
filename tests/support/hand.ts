import type { FingeringSchool, Instrument, Place, RouteWeights } from '../../core';
import { open } from './naive';

// The cost model written a second time, from its table in docs/decisions.md and with plain loops: a twin to hold the search against.

export interface NaiveHold extends Place {
  finger: number;
  hand: number;
  own: number;
}

interface Costs {
  fingers: number;
  ring: boolean;
  back: number;
  forward: number;
  shift: number;
  perMm: number;
  farPerMm: number;
  inside: number;
  slide: number;
  slidePerMm: number;
  second: number;
  fourth: number;
}

const BASE: Costs = {
  fingers: 4, ring: false, back: 1, forward: 2, shift: 5, perMm: 0.05, farPerMm: 0, inside: 40, slide: 60, slidePerMm: 0.1, second: 0, fourth: 0,
}; // prettier-ignore

const COSTS: Record<FingeringSchool, Costs> = {
  'finger-per-fret': BASE,
  stretch: { ...BASE, back: 0.3, forward: 0.6, inside: 200 },
  'first-and-third': { ...BASE, ring: true, forward: 0.5, slide: 6, slidePerMm: 0.3, second: 60, fourth: 100 },
  'no-little-finger': { ...BASE, fingers: 3, ring: true, back: 0.6, forward: 0.5, slide: 25 },
};

export const SIZES = { small: 105, medium: 120, large: 135 };
export const WEIGHTS: RouteWeights = { travel: 1, shifts: 1, stretch: 1, stringChanges: 1, openStrings: 1, tone: 0, region: 0 };

/** 0 warm to 1 bright: r / (r + 600), r the sounding length over the diameter; without a gauge that of a plain string at 70 N. */
function toneOf(i: Instrument, p: Place): number {
  const s = i.strings[p.string - 1];
  const length = s.scaleLengthMm ?? i.scaleLengthMm;
  const hz = 440 * 2 ** ((open(i, p.string) - 69) / 12);
  const plain = 1000 * Math.sqrt((4 * (70 / (2 * (length / 1000) * hz) ** 2)) / (Math.PI * 7850));
  const ratio = (length * 2 ** (-p.fret / 12)) / (s.gaugeMm ?? plain);
  return ratio / (ratio + 600);
}

/** A hand to ask what things cost; with weights, along a route. */
export function naiveHand(i: Instrument, school: FingeringSchool, size: keyof typeof SIZES, weights?: RouteWeights) {
  const span = SIZES[size];
  const capo = i.capo ?? 0;
  const w = weights ?? WEIGHTS;
  const plain = COSTS[school];
  const c: Costs = !weights
    ? plain
    : {
        ...plain,
        shift: 30 * w.shifts,
        inside: plain.inside * w.shifts,
        slide: plain.slide * w.shifts,
        perMm: 0.5 * w.travel,
        slidePerMm: 0.5 * w.travel,
        farPerMm: 1 * w.travel,
        back: plain.back * w.stretch,
        forward: plain.forward * w.stretch,
      };
  const lengthOf = (string: number): number => i.strings[string - 1].scaleLengthMm ?? i.scaleLengthMm;
  const mm = (string: number, a: number, b: number): number => lengthOf(string) * Math.abs(2 ** (-a / 12) - 2 ** (-b / 12));
  const along = (a: number, b: number): number => i.scaleLengthMm * Math.abs(2 ** (-a / 12) - 2 ** (-b / 12));

  const placeCost = (p: Place): number => {
    const tone = w.tone ? toneOf(i, p) : 0;
    return (weights && p.fret === capo ? 40 * w.openStrings : 0) + 30 * (w.tone > 0 ? w.tone * (1 - tone) : -w.tone * tone);
  };

  const known = new Map<string, NaiveHold[]>();
  /** Every hold; an open string for the place the hand is at. */
  const holds = (p: Place, waiting: number): NaiveHold[] => {
    if (p.fret === capo) return [{ ...p, finger: 0, hand: waiting, own: placeCost(p) }];
    const key = `${p.string}/${p.fret}`;
    if (!known.has(key)) known.set(key, stopped(p));
    return known.get(key) as NaiveHold[];
  };
  const stopped = (p: Place): NaiveHold[] => {
    const all: NaiveHold[] = [];
    for (let hand = capo + 1; hand <= p.fret + 1; hand++)
      for (let finger = 1; finger <= c.fingers; finger++) {
        const beyond = p.fret - (hand + finger - 1);
        const used = (finger === 2 ? c.second : 0) + (finger === 4 ? c.fourth : 0) + placeCost(p);
        const outer = c.ring ? 3 : 4;
        if (beyond === 0) all.push({ ...p, finger, hand, own: used });
        if (beyond === -1 && finger <= 2 && hand <= i.frets) {
          const lowest = finger === 1 ? p.fret : hand;
          if (mm(p.string, lowest, hand + c.fingers - 1) <= span)
            all.push({ ...p, finger, hand, own: used + c.back * mm(p.string, p.fret, p.fret + 1) });
        }
        if (beyond === 1 && finger === outer && mm(p.string, hand, p.fret) <= span * (c.ring ? 0.8 : 1))
          all.push({ ...p, finger, hand, own: used + c.forward * mm(p.string, p.fret - 1, p.fret) });
      }
    return all;
  };

  const travel = (a: number, b: number, perMm: number): number => perMm * along(a, b) + c.farPerMm * Math.max(0, along(a, b) - 80);

  const handPass = (a: NaiveHold, b: NaiveHold): number => {
    const moved = a.hand !== b.hand;
    if (b.finger === 0) return moved ? Infinity : 0;
    if (a.finger === 0) return moved ? c.shift + travel(a.hand, b.hand, c.perMm) : 0;
    const sameString = a.string === b.string;
    if (sameString && a.fret === b.fret) return (a.finger === b.finger ? 0 : 10) + (moved ? c.shift + travel(a.hand, b.hand, c.perMm) : 0);
    const [low, high] = [Math.min(a.finger, b.finger), Math.max(a.finger, b.finger)];
    let cost = low === 2 && high === 4 ? 2.5 : low === 3 && high === 4 ? 3 : low === 2 && high === 3 ? 0.5 : 0;
    const wide = (string: number): boolean => {
      const from = Math.min(a.fret, b.fret);
      return mm(string, a.fret, b.fret) > Math.max(span, mm(string, from, from + 3));
    };
    if (moved && sameString && a.finger === b.finger) cost += c.slide + travel(a.hand, b.hand, c.slidePerMm);
    else if (moved) cost += c.shift + (sameString ? c.inside : 0) + travel(a.hand, b.hand, c.perMm);
    else if (sameString) cost += (b.fret - a.fret) * (b.finger - a.finger) <= 0 || wide(a.string) ? Infinity : 0;
    else if (a.finger !== b.finger) cost += wide(b.string) ? Infinity : 0;
    else cost += a.fret === b.fret ? 2 : 10;
    return cost;
  };

  const pass = (a: NaiveHold, b: NaiveHold): number => {
    let cost = handPass(a, b);
    if (!weights) return cost;
    const up = open(i, b.string) + b.fret - open(i, a.string) - a.fret;
    const higher = open(i, b.string) - open(i, a.string);
    if (a.string !== b.string) cost += w.stringChanges * (4 + (up * higher < 0 ? 20 : 0));
    if (a.fret <= 7 !== b.fret <= 7) cost += 60 * w.region;
    return cost;
  };
  return { holds, pass };
}

type NaiveHandModel = ReturnType<typeof naiveHand>;

type Allow = (h: NaiveHold, k: number, last: NaiveHold | null) => boolean;

/** Tries every place and every hold of every note; hands over each way with its cost. `enough` cuts off what has become too dear. */
function tryAll(
  hand: NaiveHandModel,
  options: Place[][],
  allow: Allow,
  enough: () => number,
  done: (key: string, cost: number) => void,
): void {
  const walk = (k: number, last: NaiveHold | null, key: string, cost: number): void => {
    if (cost === Infinity || cost > enough()) return;
    if (k === options.length) return done(key, cost);
    for (const p of options[k])
      for (const h of hand.holds(p, last?.hand ?? 0)) {
        if (!allow(h, k, last)) continue;
        // A hand that has not come down yet (0) does so for nothing.
        const from = last && last.hand === 0 && h.finger > 0 ? { ...last, hand: h.hand } : last;
        walk(k + 1, h, `${key} ${p.string}/${p.fret}/${h.hand}`, cost + h.own + (from ? hand.pass(from, h) : 0));
      }
  };
  walk(0, null, '', 0);
}

/** Every way to play a line, each note on any of its places: the least cost of each sequence of places and hand frets. */
export function everyWay(hand: NaiveHandModel, options: Place[][], allow: Allow = () => true): Map<string, number> {
  const ways = new Map<string, number>();
  tryAll(hand, options, allow, () => Infinity, (key, cost) => void ways.set(key, Math.min(cost, ways.get(key) ?? Infinity))); // prettier-ignore
  return ways;
}

/** The least cost of them all. */
export function leastCost(hand: NaiveHandModel, places: Place[], allow: Allow = () => true): number {
  let best = Infinity;
  tryAll(hand, places.map((p) => [p]), allow, () => best, (_, cost) => (best = Math.min(best, cost))); // prettier-ignore
  return best;
}

export const cheapest = (ways: Map<string, number>, count: number): number[] => [...ways.values()].sort((a, b) => a - b).slice(0, count);
