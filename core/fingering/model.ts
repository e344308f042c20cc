import { fretFromNutMm, nutFret } from '../instrument';
import type { FingeringSchool, Hand, Instrument } from '../types';
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
}

/** One way of stopping a note: finger 0 (open) to 4, the fret where finger 1 rests, the effort of the reach. */
export interface Hold {
  finger: number;
  hand: number;
  /** 0 at rest; otherwise how far beyond it in mm. */
  reachMm: number;
  cost: number;
}

export function handModel(i: Instrument, school: FingeringSchool, size: Hand['size'] = 'medium'): HandModel {
  const costs = SCHOOLS[school];
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
  };
}

/** Every hold of a fretted note, lowest hand fret first, then lowest finger. Never empty: the first finger always serves. */
export const holdsOf = (m: HandModel, string: number, fret: number): Hold[] =>
  ((m.known[string] ??= [])[fret] ??= findHolds(m, string, fret));

function findHolds(m: HandModel, string: number, fret: number): Hold[] {
  const holds: Hold[] = [];
  for (let finger = m.costs.fingers; finger >= 1; finger--) {
    const rest = fret - finger + 1;
    if (finger === m.costs.forwardFinger) addForward(m, holds, string, fret, finger);
    if (rest > m.nut) holds.push({ finger, hand: rest, reachMm: 0, cost: m.costs.finger[finger] });
    if (finger <= 2) addBack(m, holds, string, fret, finger);
  }
  return holds.sort((a, b) => a.hand - b.hand || a.finger - b.finger);
}

function addForward(m: HandModel, holds: Hold[], string: number, fret: number, finger: number): void {
  const hand = fret - finger;
  if (hand <= m.nut) return;
  const mm = m.mm[string];
  const reachMm = mm[fret] - mm[fret - 1];
  if (mm[fret] - mm[hand] <= m.forwardSpanMm)
    holds.push({ finger, hand, reachMm, cost: m.costs.finger[finger] + m.costs.forward * reachMm });
}

function addBack(m: HandModel, holds: Hold[], string: number, fret: number, finger: number): void {
  const hand = fret - finger + 2;
  if (hand <= m.nut || hand > m.last) return;
  const mm = m.mm[string];
  const reachMm = mm[fret + 1] - mm[fret];
  const top = hand + m.costs.fingers - 1;
  const low = finger === 1 ? fret : hand;
  if (mm[top] - mm[low] <= m.spanMm) holds.push({ finger, hand, reachMm, cost: m.costs.finger[finger] + m.costs.back * reachMm });
}

/** Cost of passing from one hold to the next, the reach of the next one not included; Infinity where a hand cannot. */
export function passCost(m: HandModel, a: Hold, aString: number, aFret: number, b: Hold, bString: number, bFret: number): number {
  if (b.finger === 0) return 0;
  if (a.finger === 0) return a.hand === b.hand ? 0 : shiftCost(m, a, b, false);
  const pair = pairCost(m.costs, a.finger, b.finger);
  if (aString === bString && aFret === bFret) return sameplaceCost(m, a, b);
  return pair + (a.hand === b.hand ? heldCost(m, a, aString, aFret, b, bString, bFret) : movedCost(m, a, b, aString === bString));
}

const shiftCost = (m: HandModel, a: Hold, b: Hold, inside: boolean): number =>
  m.costs.shift + m.costs.shiftPerMm * Math.abs(m.mm[0][b.hand] - m.mm[0][a.hand]) + (inside ? m.costs.shiftInsideString : 0);

const sameplaceCost = (m: HandModel, a: Hold, b: Hold): number =>
  (a.finger === b.finger ? 0 : m.costs.change) + (a.hand === b.hand ? 0 : shiftCost(m, a, b, false));

function heldCost(m: HandModel, a: Hold, aString: number, aFret: number, b: Hold, bString: number, bFret: number): number {
  if (aString === bString)
    return (bFret > aFret ? b.finger > a.finger : b.finger < a.finger) && fits(m, aString, aFret, bFret) ? 0 : Infinity;
  if (a.finger !== b.finger) return fits(m, bString, aFret, bFret) ? 0 : Infinity;
  return aFret === bFret ? m.costs.roll : m.costs.hop;
}

const fits = (m: HandModel, string: number, a: number, b: number): boolean =>
  Math.abs(m.mm[string][b] - m.mm[string][a]) <= Math.max(m.spanMm, m.mm[string][Math.min(a, b) + 3] - m.mm[string][Math.min(a, b)]);

function movedCost(m: HandModel, a: Hold, b: Hold, sameString: boolean): number {
  if (sameString && a.finger === b.finger) return m.costs.slide + m.costs.slidePerMm * Math.abs(m.mm[0][b.hand] - m.mm[0][a.hand]);
  return shiftCost(m, a, b, sameString);
}

function pairCost(c: HandCosts, a: number, b: number): number {
  const both = a * b;
  return a === b ? 0 : both === 8 ? c.pair24 : both === 12 ? c.pair34 : both === 6 ? c.pair23 : 0;
}
