import type { FingeringSchool, Instrument, Join, Place, RouteWeights } from '../../core';
import { open } from './naive';

// The model of the hand written a second time, from its page in docs/hand.md and with plain loops over the whole way so far:
// a twin to hold the search against.

export interface NaiveHold extends Place {
  finger: number;
  /** 0: not put down yet. */
  hand: number;
  own: number;
  /** Frets beyond the finger's rest: -1 back, 1 forward. */
  beyond: number;
}

interface Costs {
  fingers: number;
  ring: boolean;
  back: number;
  forward: number;
  slides: number[];
  avoid: number[];
}

const BASE: Costs = { fingers: 4, ring: false, back: 1.5, forward: 2, slides: [0, 40, 40, 40, 40], avoid: [0, 0, 0, 0, 0] };
const COSTS: Record<FingeringSchool, Costs> = {
  'finger-per-fret': BASE,
  stretch: { ...BASE, back: 0.3, forward: 0.6 },
  'first-and-third': { ...BASE, ring: true, forward: 0.5, slides: [0, 20, 40, 2, 40], avoid: [0, 0, 14, 0, 36] },
  'no-little-finger': { ...BASE, fingers: 3, ring: true, back: 0.6, forward: 0.5, slides: [0, 20, 20, 10, 10] },
};
const USED = [0, 0, 0.05, 0.2, 0.6];
const ROLLS = [0, 2, 4, 6, 15];

export const SIZES = { small: 105, medium: 120, large: 135 };
export const WEIGHTS: RouteWeights = { travel: 1, shifts: 1, stretch: 1, stringChanges: 1, openStrings: 1, tone: 0, region: 0 };

/** How a line is played, one entry a note. */
export interface Manner {
  joins?: readonly (Join | null | undefined)[];
  bends?: readonly (number | null | undefined)[];
  pace?: readonly number[];
}

/** 0 warm to 1 bright: r / (r + 600), r the sounding length over the diameter; without a gauge that of a plain string at 70 N. */
function toneOf(i: Instrument, p: Place): number {
  const s = i.strings[p.string - 1]!;
  const length = s.scaleLengthMm ?? i.scaleLengthMm;
  const hz = 440 * 2 ** ((open(i, p.string) - 69) / 12);
  const plain = 1000 * Math.sqrt((4 * (70 / (2 * (length / 1000) * hz) ** 2)) / (Math.PI * 7850));
  const ratio = (length * 2 ** (-p.fret / 12)) / (s.gaugeMm ?? plain);
  return ratio / (ratio + 600);
}

/** A hand to ask what things cost; with weights, along a route. */
export function naiveHand(i: Instrument, school: FingeringSchool, size: keyof typeof SIZES, weights?: RouteWeights, manner: Manner = {}) {
  const span = SIZES[size];
  const capo = i.capo ?? 0;
  const w = weights ?? WEIGHTS;
  const c = COSTS[school];
  const outer = c.ring ? 3 : 4;
  const lengthOf = (string: number): number => i.strings[string - 1]!.scaleLengthMm ?? i.scaleLengthMm;
  const mm = (string: number, a: number, b: number): number => lengthOf(string) * Math.abs(2 ** (-a / 12) - 2 ** (-b / 12));
  const along = (length: number, a: number, b: number): number => length * Math.abs(2 ** (-a / 12) - 2 ** (-b / 12));
  const longest = Math.max(i.scaleLengthMm, ...i.strings.map((_, k) => lengthOf(k + 1)));
  const sound = (p: Place): number => open(i, p.string) + p.fret;
  const order = i.strings.map((_, k) => k + 1).sort((a, b) => open(i, a) - open(i, b) || b - a);

  const placeCost = (p: Place): number => {
    if (!weights) return 0;
    const tone = w.tone ? toneOf(i, p) : 0;
    let cost = 30 * (w.tone > 0 ? w.tone * (1 - tone) : -w.tone * tone);
    if (p.fret === capo) cost += 16 * w.openStrings - 18;
    else if (p.fret > 15 && order.indexOf(p.string) < i.strings.length / 2) cost += 3 * (p.fret - 15);
    return cost;
  };

  const known = new Map<string, NaiveHold[]>();
  /** Every hold; an open string for the place the hand is at. */
  const holds = (p: Place, waiting: number): NaiveHold[] => {
    if (p.fret === capo) return [{ ...p, finger: 0, hand: waiting, own: placeCost(p), beyond: 0 }];
    const key = `${p.string}/${p.fret}`;
    if (!known.has(key)) known.set(key, stopped(p));
    return known.get(key) as NaiveHold[];
  };
  const stopped = (p: Place): NaiveHold[] => {
    const all: NaiveHold[] = [];
    for (let hand = capo + 1; hand <= p.fret + 1; hand++)
      for (let finger = 1; finger <= c.fingers; finger++) {
        const beyond = p.fret - (hand + finger - 1);
        const used = USED[finger]! + placeCost(p);
        if (beyond === 0) all.push({ ...p, finger, hand, own: used, beyond });
        if (beyond === -1 && finger <= 2 && hand <= i.frets) {
          const lowest = finger === 1 ? p.fret : hand;
          if (mm(p.string, lowest, hand + c.fingers - 1) <= span)
            all.push({ ...p, finger, hand, own: used + c.back * w.stretch * mm(p.string, p.fret, p.fret + 1), beyond });
        }
        if (beyond === 1 && finger === outer && mm(p.string, hand, p.fret) <= span * (c.ring ? 0.8 : 1))
          all.push({ ...p, finger, hand, own: used + c.forward * w.stretch * mm(p.string, p.fret - 1, p.fret), beyond });
      }
    return all;
  };

  const waits = (a: NaiveHold, b: NaiveHold): boolean => a.hand === b.hand || a.hand === 0;
  const slid = (a: NaiveHold | undefined, b: NaiveHold | undefined): boolean =>
    !!a && !!b && !waits(a, b) && a.finger > 0 && a.finger === b.finger && a.string === b.string && a.fret !== b.fret;

  /** Moving the hand: what it costs whatever happens, and what time, an open string or a guide may save. */
  const moved = (a: NaiveHold, b: NaiveHold): { fixed: number; spared: number } => {
    const way = along(i.scaleLengthMm, a.hand, b.hand);
    const up = sound(b) - sound(a);
    const backward = up > 0 ? a.hand - b.hand : up < 0 ? b.hand - a.hand : 0;
    const fixed = 6 * w.shifts + 0.15 * w.travel * way + 4 * Math.max(0, backward - 2);
    if (slid(a, b)) return { fixed, spared: c.slides[b.finger]! };
    const inside = a.finger > 0 && a.string === b.string && a.fret !== b.fret;
    let spared = 3;
    if (inside) spared += 6 + Math.min(2, Math.abs(a.fret - b.fret) - 1);
    spared += (b.hand > a.hand ? 4 * (b.finger - 1) : 2 * Math.max(0, outer - b.finger)) * Math.min(1, way / 60);
    return { fixed, spared: a.finger === 0 ? spared / 2 : spared };
  };

  /** One finger after another under a hand that stays. */
  const held = (a: NaiveHold, b: NaiveHold): number => {
    if (a.string === b.string) return (b.fret - a.fret) * (b.finger - a.finger) <= 0 ? Infinity : 0;
    if (a.finger !== b.finger) return 0;
    if (a.fret !== b.fret) return 10;
    return Math.abs(a.string - b.string) === 1 ? ROLLS[a.finger]! : 10_000;
  };

  const begun = (h: NaiveHold): number => (c.avoid[h.finger] ? (h.hand === capo + 1 ? 6 : c.avoid[h.finger]! / 2) : 0);
  const spared = (a: NaiveHold, b: NaiveHold): number => {
    const stays = a.hand === b.hand;
    const half = stays && a.string === b.string && Math.abs(a.fret - b.fret) === 1 && Math.abs(a.finger - b.finger) === 1;
    const paid = stays ? [a, b] : [b];
    return paid.reduce((sum, h) => sum + (half && c.avoid[h.finger] ? 1 : begun(h)), 0);
  };

  /** Whether the hand has reached both back with the index finger and forward with the outer one since it came here, too wide for it. */
  const overreached = (way: NaiveHold[], b: NaiveHold): boolean => {
    const stay = [b];
    for (let k = way.length - 1; k >= 0 && waits(way[k]!, stay[0]!); k--) stay.unshift(way[k]!);
    const back = stay.some((h) => h.finger === 1 && h.beyond < 0);
    const forward = stay.some((h) => h.finger === outer && h.beyond > 0);
    return back && forward && along(longest, b.hand - 1, b.hand + outer) > span * (c.ring ? 0.8 : 1);
  };

  /** What the next hold adds to a way, its own cost included; Infinity where no hand can. */
  const add = (way: NaiveHold[], b: NaiveHold): number => {
    const k = way.length;
    const bend = manner.bends?.[k];
    const own = b.own + (bend ? (bend > 1 ? [0, 300, 15, 0, 45] : [0, 15, 6, 0, 30])[b.finger]! : 0);
    const a = way[k - 1];
    if (!a) return own + begun(b);
    if (overreached(way, b)) return Infinity;
    const pace = manner.pace?.[k] ?? 1;
    const join = manner.joins?.[k];
    let cost = own + spared(a, b) + joinCost(a, b, join);
    if (weights) cost += changeCost(a, b);
    if (b.finger === 0) return a.hand === b.hand ? cost : Infinity;
    const stays = waits(a, b);
    const same = a.string === b.string && a.fret === b.fret;
    if (a.finger > 0 && !same) {
      const [low, high] = [Math.min(a.finger, b.finger), Math.max(a.finger, b.finger)];
      cost += low === 2 && high === 4 ? 1 : low === 3 && high === 4 ? 1.5 : low === 2 && high === 3 ? 0.5 : 0;
    }
    if (a.finger > 0 && same && a.finger !== b.finger) cost += 10;
    if (a.finger > 0 && !same && stays) cost += held(a, b);
    if (!stays) {
      const m = moved(a, b);
      const written = join === 'slide' && slid(a, b);
      cost += m.fixed + (written ? 0 : m.spared) * pace * (guided(way, b) ? 0 : 1);
      if (slid(a, b) && join !== 'slide' && slid(way[k - 2], a) && manner.joins?.[k - 1] !== 'slide')
        cost += Math.abs(a.fret - b.fret) === 1 && Math.abs(way[k - 2]!.fret - a.fret) === 1 ? -c.slides[b.finger]! * pace : 60;
    }
    if (turned(way, b)) {
      const before = way[k - 2];
      const back = before!.finger && b.finger && before!.string === b.string && before!.fret === b.fret;
      if (back && before!.finger !== b.finger && !bend) cost += 10;
    }
    return cost;
  };

  const turned = (way: NaiveHold[], b: NaiveHold): boolean => {
    if (way.length < 2) return false;
    const [first, second, third] = [way[way.length - 2]!, way[way.length - 1]!, b].map(sound);
    return first !== second && Math.sign(second! - first!) !== Math.sign(third! - second!);
  };
  /** A finger stays on its string through the shift. */
  const guided = (way: NaiveHold[], b: NaiveHold): boolean => {
    if (!turned(way, b)) return false;
    const [before, a] = way.slice(-2);
    const here = before!.string === b.string && before!.finger === b.finger && b.finger > 0;
    return here && waits(before!, a!) && before!.string !== a!.string && before!.fret !== b.fret;
  };

  const joinCost = (a: NaiveHold, b: NaiveHold, join: Join | null | undefined): number => {
    if (!a.finger || !b.finger) return 0;
    if (join === 'slide') return a.finger === b.finger ? 0 : 10_000;
    if (join !== 'hammer' && join !== 'pull') return 0;
    return (a.hand === b.hand ? 0 : 60) + (a.finger === b.finger ? 10_000 : 0);
  };

  const changeCost = (a: NaiveHold, b: NaiveHold): number => {
    let cost = a.fret <= 7 !== b.fret <= 7 ? 60 * w.region : 0;
    const apart = Math.abs(order.indexOf(a.string) - order.indexOf(b.string));
    if (apart) cost += 4 * w.stringChanges + 3 * (apart - 1);
    const higher = open(i, b.string) - open(i, a.string);
    if ((sound(b) - sound(a)) * higher < 0) cost += 60;
    if (b.fret === capo && a.fret >= capo + 5) cost += 32;
    if (a.finger && b.finger) cost += 6 * Math.max(0, Math.abs(a.fret - b.fret) - 4);
    return cost;
  };
  return { holds, add };
}

export type NaiveHandModel = ReturnType<typeof naiveHand>;

type Allow = (h: NaiveHold, k: number, last: NaiveHold | null) => boolean;

/**
 * The line as a graph for a general library: a node for each two last holds and each way of having reached out in this stay,
 * which is all that `add` looks at. Stopped notes only.
 */
export function asGraph(hand: NaiveHandModel, options: Place[][]): { nodes: string[][]; edges: [string, string, number][] } {
  const name = (h: NaiveHold): string => `${h.string}/${h.fret}/${h.finger}/${h.hand}/${h.beyond}`;
  let layer = new Map<string, NaiveHold[]>();
  const nodes: string[][] = [];
  const edges: [string, string, number][] = [];
  options.forEach((places, k) => {
    const next = new Map<string, NaiveHold[]>();
    const holds = places.filter((p) => p.fret > 0).flatMap((p) => hand.holds(p, 0));
    const from: [string, NaiveHold[]][] = k ? [...layer] : [['start', []]];
    for (const [before, way] of from)
      for (const h of holds) {
        const cost = hand.add(way, h);
        if (!(cost < Infinity)) continue;
        const whole = [...way, h];
        const stay = whole.slice(whole.findLastIndex((w) => w.hand !== h.hand) + 1);
        const reached = [stay.some((s) => s.finger === 1 && s.beyond < 0), stay.some((s) => s.finger > 2 && s.beyond > 0)];
        const node = `${k}: ${whole.slice(-2).map(name).join(' ')} ${reached.join()}`;
        if (!next.has(node)) next.set(node, whole);
        edges.push([before, node, cost]);
      }
    nodes.push([...next.keys()]);
    layer = next;
  });
  for (const node of layer.keys()) edges.push([node, 'end', 0]);
  return { nodes, edges };
}

/** Tries every place and every hold of every note; hands over each way with its cost. `enough` cuts off what has become too dear. */
function tryAll(
  hand: NaiveHandModel,
  options: Place[][],
  allow: Allow,
  enough: () => number,
  done: (way: NaiveHold[], cost: number) => void,
): void {
  const way: NaiveHold[] = [];
  const walk = (k: number, cost: number): void => {
    if (cost === Infinity || cost > enough()) return;
    if (k === options.length) return done(way, cost);
    const last = way[k - 1];
    for (const p of options[k]!)
      for (const h of hand.holds(p, last?.hand ?? 0)) {
        if (!allow(h, k, last ?? null)) continue;
        const added = hand.add(way, h);
        way.push(h);
        walk(k + 1, cost + added);
        way.pop();
      }
  };
  walk(0, 0);
}

/** Every way to play a line, each note on any of its places: the least cost of each sequence of places and hand frets. */
export function everyWay(hand: NaiveHandModel, options: Place[][], allow: Allow = () => true): Map<string, number> {
  const ways = new Map<string, number>();
  tryAll(hand, options, allow, () => Infinity, (way, cost) => {
    const key = way.map((h) => ` ${h.string}/${h.fret}/${h.hand}`).join('');
    ways.set(key, Math.min(cost, ways.get(key) ?? Infinity));
  }); // prettier-ignore
  return ways;
}

/** The least cost of them all. */
export function leastCost(hand: NaiveHandModel, places: Place[], allow: Allow = () => true): number {
  let best = Infinity;
  tryAll(hand, places.map((p) => [p]), allow, () => best + 100, (_, cost) => (best = Math.min(best, cost))); // prettier-ignore
  return best;
}

export const cheapest = (ways: Map<string, number>, count: number): number[] => [...ways.values()].sort((a, b) => a - b).slice(0, count);

/**
 * The cheapest ways each of which differs from all before it: another succession of hand places, or another place for a quarter
 * of the notes.
 */
export function distinctCheapest(ways: Map<string, number>, count: number): number[] {
  const kept: { hands: string; places: string[]; cost: number }[] = [];
  const ascending = [...ways].sort((a, b) => a[1] - b[1]);
  for (const [key, cost] of ascending) {
    const steps = key.trim().split(' ').map((s) => s.split('/')); // prettier-ignore
    const hands = steps.map((s) => s[2]).filter((h) => h !== '0').filter((h, k, all) => h !== all[k - 1]).join(); // prettier-ignore
    const places = steps.map((s) => `${s[0]}/${s[1]}`);
    const same = (k: (typeof kept)[number]): boolean =>
      k.hands === hands && k.places.length === places.length && k.places.filter((p, n) => p !== places[n]).length * 4 < places.length;
    if (!kept.some(same)) kept.push({ hands, places, cost });
    if (kept.length === count) break;
  }
  return kept.map((k) => k.cost);
}
