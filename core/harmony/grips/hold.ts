import { usualModel, type HandModel } from '../../fingering';
import type { Hand, Instrument } from '../../types';
import { BEYOND, FLAT_MOST, GRIP, SHARE } from './costs';

/** Fret of a string that does not sound, in an array of frets by string number; index 0 is unused. */
export const MUTED = -1;

/** Fingers that open over so many frets at most, from the lowest stopped one. */
const SPAN = 8;

/** A hand on a neck, for grips: what two fingers can open at one place is worked out once a place. */
export interface Grasp {
  /** The hand. */
  readonly model: HandModel;
  /** How many strings the instrument has. */
  readonly strings: number;
  /** Fingers of the hold found last, in the order of `order`; and the stopped strings, lowest fret first, thick before thin. */
  readonly fingers: number[];
  /** The stopped strings in the order in which fingers are given. */
  readonly order: number[];
  /** By lowest stopped fret: what finger b on a fret costs after finger a on another, Infinity where they do not open so wide. */
  readonly pairs: Float64Array[];
  /** The finger tried for each place of `order`. */
  readonly used: number[];
  /** Cost of the best way found. */
  best: number;
}

/** A hand on an instrument, ready to try grips. */
export const graspOf = (i: Instrument, hand?: Hand): Grasp => ({
  model: usualModel(i, 'finger-per-fret', hand),
  strings: i.strings.length,
  fingers: [],
  order: [],
  pairs: [],
  used: [],
  best: 0,
});

/** Whether two fingers open so wide: a fret a finger always, beyond it by their share of the span, in mm on the longest string. */
export function opens(m: HandModel, a: number, fretA: number, b: number, fretB: number): boolean {
  const frets = fretB - fretA;
  if (frets <= b - a) return true;
  if (frets > b - a + BEYOND[a]![b]!) return false;
  return m.longest[fretB]! - m.longest[fretA]! <= SHARE[a]![b]! * m.spanMm[fretA]!;
}

/** What two fingers that follow each other cost: opened beyond a fret a finger, or squeezed. */
function pairCost(m: HandModel, a: number, fretA: number, b: number, fretB: number): number {
  const mm = m.longest[fretB]! - m.longest[fretA]!;
  const rest = m.longest[fretA + b - a]! - m.longest[fretA]!;
  return mm >= rest ? GRIP.open * (mm - rest) : GRIP.squeezed * (rest - mm);
}

const pairAt = (a: number, offA: number, b: number, offB: number): number => ((a * SPAN + offA) * 5 + b) * SPAN + offB;

function pairsFrom(m: HandModel, low: number): Float64Array {
  const table = new Float64Array(5 * SPAN * 5 * SPAN).fill(Infinity);
  for (let a = 1; a < 4; a++)
    for (let b = a + 1; b <= 4; b++)
      for (let p = 0; p < SPAN; p++)
        for (let q = p; q < SPAN && low + q < m.longest.length; q++)
          if (opens(m, a, low + p, b, low + q)) table[pairAt(a, p, b, q)] = pairCost(m, a, low + p, b, low + q);
  return table;
}

const barreCost = (m: HandModel, finger: number, strings: number, fret: number): number =>
  (finger === 1 ? GRIP.barreIndex : finger === 3 ? GRIP.barreRing : GRIP.barreOther) +
  GRIP.barreString * strings +
  (fret === 1 && m.nut === 0 ? GRIP.barreAtNut : 0);

/** Whether one finger can lie flat from one string to a thinner one of the same fret: whatever lies between is stopped there or above. */
function flatBetween(frets: readonly number[], from: number, to: number): boolean {
  for (let s = from - 1; s > to; s--) if (frets[s]! < frets[from]!) return false;
  return true;
}

/** The stopped strings into `grasp.order`; the lowest stopped fret, 0 for none. */
function sortStopped(grasp: Grasp, frets: readonly number[]): number {
  const { order, strings } = grasp;
  order.length = 0;
  for (let s = strings; s >= 1; s--) {
    if (frets[s]! <= grasp.model.nut) continue;
    let at = order.length;
    while (at > 0 && frets[order[at - 1]!]! > frets[s]!) {
      order[at] = order[at - 1]!;
      at--;
    }
    order[at] = s;
  }
  return order.length ? frets[order[0]!]! : 0;
}

/** Puts the k-th stopped string under `finger`, which began at the `first`, or under a later one; keeps the cheapest way. */
function put(
  g: Grasp,
  frets: readonly number[],
  low: number,
  table: Float64Array,
  k: number,
  finger: number,
  first: number,
  cost: number,
): void {
  // prettier-ignore
  const { order, used } = g;
  const flat = k - first > 1 && finger ? barreCost(g.model, finger, order[first]! - order[k - 1]! + 1, frets[order[first]!]!) : 0;
  const so = cost + flat;
  if (so >= g.best) return;
  if (k === order.length) {
    g.best = so;
    for (let j = 0; j < k; j++) g.fingers[j] = used[j]!;
    return;
  }
  const string = order[k]!;
  const fret = frets[string];
  if (finger && frets[order[first]!] === fret && order[first]! - string < FLAT_MOST[finger]! && flatBetween(frets, order[k - 1]!, string)) {
    used[k] = finger;
    put(g, frets, low, table, k + 1, finger, first, cost);
  }
  for (let next = finger + 1; next <= 4; next++) {
    let pair = 0;
    for (let j = 0; j < k && pair !== Infinity; j++) pair = table[pairAt(used[j]!, frets[order[j]!]! - low, next, fret! - low)]!;
    if (pair === Infinity) continue;
    used[k] = next;
    put(g, frets, low, table, k + 1, next, k, so + pair + GRIP.finger[next]!);
  }
}

/**
 * The least that holding some frets (by string number) costs, in mm, or Infinity where no hand holds them; `grasp.order` and
 * `grasp.fingers` then say which strings are stopped by which fingers. Fingers rise with frets, on one fret from thick to thin; a
 * finger lies flat over neighbouring strings of one fret. Of holds that cost the same the lower fingers are taken.
 */
export function leastHoldCost(g: Grasp, frets: readonly number[]): number {
  const low = sortStopped(g, frets);
  if (!low) return 0;
  const { longest } = g.model;
  const high = frets[g.order[g.order.length - 1]!]!;
  g.best = Infinity;
  g.fingers.length = g.order.length;
  if (high - low < SPAN) put(g, frets, low, (g.pairs[low] ??= pairsFrom(g.model, low)), 0, 0, 0, 0);
  return g.best + GRIP.wide * (longest[high]! - longest[low]!);
}

/** How few fingers would hold some frets, if a hand had as many as it liked and opened as wide; for saying why it cannot. */
export function fingersNeeded(g: Grasp, frets: readonly number[]): number {
  sortStopped(g, frets);
  return g.order.filter((s, k) => k === 0 || frets[g.order[k - 1]!] !== frets[s] || !flatBetween(frets, g.order[k - 1]!, s)).length;
}
