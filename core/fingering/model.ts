import { fretFromNutMm, nutFret } from '../instrument';
import type { CostWord, FingeringSchool, Hand, Instrument, Place } from '../types';
import { RING_SHARE, SCHOOLS, SPAN_MM, type HandCosts } from './schools';

/** A hand on an instrument: where every fret lies, what every move costs. Built once for many lines. */
export interface HandModel {
  costs: HandCosts;
  spanMm: number;
  /** Span when the forward finger reaches. */
  forwardSpanMm: number;
  nut: number;
  last: number;
  /** mm from the nut by string and fret; index 0 is the hand's own line, along the instrument's scale length. */
  mm: number[][];
  /** Holds found so far, by string and fret. */
  known: Hold[][][];
  /** What the search has built for single places; see lattice. */
  layers: Map<number, unknown>;
}

/** One way of sounding a note: finger 0 (open) to 4, the fret where finger 1 rests, the effort of the reach. */
export interface Hold extends Place {
  finger: number;
  hand: number;
  /** 0 at rest; otherwise how far beyond it in mm. */
  reachMm: number;
  cost: number;
}

/** Hand fret of an open string before the hand has been put anywhere: it takes its place with the first stopped note. */
export const FREE = 0;

/** Told what a cost is made of, part by part, in mm of effort. */
export type Tell = (word: CostWord, mm: number) => void;

export function handModel(i: Instrument, school: FingeringSchool, size: Hand['size'] = 'medium', costs = SCHOOLS[school]): HandModel {
  const line = (length: number): number[] => Array.from({ length: i.frets + 7 }, (_, f) => fretFromNutMm(length, f));
  const hand = line(i.scaleLengthMm);
  const spanMm = SPAN_MM[size];
  return {
    costs,
    spanMm,
    forwardSpanMm: costs.forwardFinger === 3 ? spanMm * RING_SHARE : spanMm,
    nut: nutFret(i),
    last: i.frets,
    mm: [hand, ...i.strings.map((s) => (s.scaleLengthMm === undefined ? hand : line(s.scaleLengthMm)))],
    known: [],
    layers: new Map(),
  };
}

/** Every hold of a fretted note, lowest hand fret first, then lowest finger. Never empty: the first finger always serves. */
export const holdsOf = (m: HandModel, string: number, fret: number): Hold[] =>
  ((m.known[string] ??= [])[fret] ??= findHolds(m, string, fret));

function findHolds(m: HandModel, string: number, fret: number): Hold[] {
  const holds: Hold[] = [];
  const add = (finger: number, hand: number, reachMm: number, perMm: number): void =>
    void holds.push({ string, fret, finger, hand, reachMm, cost: m.costs.finger[finger] + perMm * reachMm });
  for (let finger = m.costs.fingers; finger >= 1; finger--) {
    const rest = fret - finger + 1;
    if (finger === m.costs.forwardFinger && canReachForward(m, string, fret, fret - finger))
      add(finger, fret - finger, m.mm[string][fret] - m.mm[string][fret - 1], m.costs.forward);
    if (rest > m.nut) add(finger, rest, 0, 0);
    if (finger <= 2 && canReachBack(m, string, fret, finger, rest + 1))
      add(finger, rest + 1, m.mm[string][fret + 1] - m.mm[string][fret], m.costs.back);
  }
  return holds.sort((a, b) => a.hand - b.hand || a.finger - b.finger);
}

const canReachForward = (m: HandModel, string: number, fret: number, hand: number): boolean =>
  hand > m.nut && m.mm[string][fret] - m.mm[string][hand] <= m.forwardSpanMm;

function canReachBack(m: HandModel, string: number, fret: number, finger: number, hand: number): boolean {
  if (hand <= m.nut || hand > m.last) return false;
  const low = finger === 1 ? fret : hand;
  return m.mm[string][hand + m.costs.fingers - 1] - m.mm[string][low] <= m.spanMm;
}

/** Tells what a hold costs by itself: the finger used, and its reach. */
export function ownParts(m: HandModel, h: Hold, tell: Tell): void {
  if (m.costs.finger[h.finger]) tell('finger', m.costs.finger[h.finger]);
  if (h.reachMm > 0) tell('reach', h.cost - m.costs.finger[h.finger]);
}

/**
 * Cost of passing from one hold to the next, what the next one costs by itself not included; Infinity where a hand
 * cannot. With `tell` the sum is told part by part.
 */
export function passCost(m: HandModel, a: Hold, b: Hold, tell?: Tell): number {
  if (b.finger === 0) return a.hand === b.hand ? 0 : Infinity;
  if (a.finger === 0) return a.hand === b.hand || a.hand === FREE ? 0 : moveCost(m, a, b, false, tell);
  const pair = pairCost(m.costs, a.finger, b.finger);
  if (a.string === b.string && a.fret === b.fret) return sameplaceCost(m, a, b, tell);
  return part(tell, 'pair', pair) + (a.hand === b.hand ? heldCost(m, a, b, tell) : movedCost(m, a, b, tell));
}

/** Moving the hand along the neck. */
function moveCost(m: HandModel, a: Hold, b: Hold, inside: boolean, tell?: Tell): number {
  const { shift, shiftPerMm, shiftInsideString } = m.costs;
  return part(tell, 'shift', shift + (inside ? shiftInsideString : 0)) + travelCost(m, a, b, shiftPerMm, tell);
}

function travelCost(m: HandModel, a: Hold, b: Hold, perMm: number, tell?: Tell): number {
  const far = Math.abs(m.mm[0][b.hand] - m.mm[0][a.hand]);
  return part(tell, 'travel', perMm * far + m.costs.farPerMm * Math.max(0, far - m.costs.farMm));
}

/** Tells a part of a cost, and gives it back. */
export function part(tell: Tell | undefined, word: CostWord, mm: number): number {
  if (tell && mm) tell(word, mm);
  return mm;
}

const sameplaceCost = (m: HandModel, a: Hold, b: Hold, tell?: Tell): number =>
  (a.finger === b.finger ? 0 : part(tell, 'change', m.costs.change)) + (a.hand === b.hand ? 0 : moveCost(m, a, b, false, tell));

function heldCost(m: HandModel, a: Hold, b: Hold, tell?: Tell): number {
  if (a.string === b.string) {
    const inOrder = b.fret > a.fret ? b.finger > a.finger : b.finger < a.finger;
    return inOrder && fits(m, a.string, a.fret, b.fret) ? 0 : Infinity;
  }
  if (a.finger !== b.finger) return fits(m, b.string, a.fret, b.fret) ? 0 : Infinity;
  return a.fret === b.fret ? part(tell, 'roll', m.costs.roll) : part(tell, 'hop', m.costs.hop);
}

/** Two fingers of a hand that stays: within the span, or within the four frets it rests on. */
const fits = (m: HandModel, string: number, a: number, b: number): boolean => {
  const mm = m.mm[string];
  const low = a < b ? a : b;
  return Math.abs(mm[b] - mm[a]) <= Math.max(m.spanMm, mm[low + 3] - mm[low]);
};

function movedCost(m: HandModel, a: Hold, b: Hold, tell?: Tell): number {
  if (a.string !== b.string || a.finger !== b.finger) return moveCost(m, a, b, a.string === b.string, tell);
  return part(tell, 'slide', m.costs.slide) + travelCost(m, a, b, m.costs.slidePerMm, tell);
}

function pairCost(c: HandCosts, a: number, b: number): number {
  const both = a * b;
  return a === b ? 0 : both === 8 ? c.pair24 : both === 12 ? c.pair34 : both === 6 ? c.pair23 : 0;
}
