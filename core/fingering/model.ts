import { fretFromNutMm, lengthMm, nutFret, openMidis, stringsUpward } from '../instrument';
import type { FingeringSchool, Hand, HandReach, Instrument, Join } from '../types';
import { AVOIDED_HALF_STEP, AVOIDED_IN_OPEN, FREE_BACKWARD, NO_HAND, RING_SHARE, SCHOOLS, SPAN_MM, type HandCosts } from './schools';
import { noCosts, type Costs, type HeldPlace, type Layer, type CostTally } from './states';

/** A hand on an instrument: where every fret lies, what every move costs. Built once for many lines. */
export interface HandModel {
  /** What the school charges. */
  readonly costs: HandCosts;
  /** By hand fret: how wide the hand opens, the same when the forward finger reaches, and how wide without strain. */
  readonly spanMm: number[];
  /** How far each finger reaches forward of the index at most, in mm. */
  readonly forwardSpanMm: number[];
  /** How far it reaches with ease, in mm. */
  readonly comfortMm: number[];
  /** The fret where strings are open: 0, or the capo's. */
  readonly nut: number;
  /** The last fret. */
  readonly last: number;
  /** mm from the nut by string and fret; index 0 is the hand's own line, along the instrument's scale length. */
  readonly mm: number[][];
  /** mm from the nut by fret on the longest string. */
  readonly longest: number[];
  /** Sound of the open strings by string number (MIDI). */
  readonly open: number[];
  /** Holds found so far, by string and fret. */
  readonly known: HeldPlace[][][];
  /** What the search has built for single places, by place index; see lattice. */
  readonly layers: Map<number, Layer>;
  /** What passes between them cost. */
  readonly kept: Costs;
}

/** Hand fret of an open string before the hand has been put anywhere: it takes its place with the first stopped note. */
export const FREE = 0;

/** What a reach beyond the comfortable costs, times what it costs within. */
const STRAIN = 2;

/**
 * The hand on one instrument: what it reaches and costs, in mm of the neck.
 * @throws CoreError where the instrument or the hand is out of range
 */
export function handModel(i: Instrument, school: FingeringSchool, hand: Hand = { size: 'medium' }, costs = SCHOOLS[school]): HandModel {
  const line = (length: number): number[] => Array.from({ length: i.frets + 7 }, (_, f) => fretFromNutMm(length, f));
  const own = line(i.scaleLengthMm);
  const spanMm = own.map((_, fret) => (hand.reaches ? measuredMm(i, hand.reaches, fret, 'most') : SPAN_MM[hand.size]));
  const comfortMm = own.map((_, fret) => (hand.reaches ? measuredMm(i, hand.reaches, fret, 'comfortable') : Infinity));
  return {
    costs,
    spanMm,
    forwardSpanMm: costs.forwardFinger === 3 ? spanMm.map((mm) => mm * RING_SHARE) : spanMm,
    comfortMm,
    nut: nutFret(i),
    last: i.frets,
    mm: [own, ...i.strings.map((s) => (s.scaleLengthMm === undefined ? own : line(s.scaleLengthMm)))],
    longest: line(Math.max(i.scaleLengthMm, ...i.strings.map((s) => s.scaleLengthMm ?? 0))),
    open: [0, ...openMidis(i)],
    known: [],
    layers: new Map(),
    kept: noCosts(),
  };
}

/** Hands on instruments that were asked for last: what their moves cost is worked out once, as rungs and keys change often. */
const lately = new Map<string, HandModel>();
const MOST_LATELY = 8;

/** The hand of a school on an instrument, as its layouts and lines are fingered. The same for equal arguments. */
export function usualModel(i: Instrument, school: FingeringSchool, hand?: Hand): HandModel {
  const { strings, frets, scaleLengthMm, capo } = i;
  const key = JSON.stringify([strings.map((s) => [s.open, s.scaleLengthMm]), frets, scaleLengthMm, capo, school, hand]);
  const known = lately.get(key) ?? handModel(i, school, hand);
  lately.delete(key);
  lately.set(key, known);
  if (lately.size > MOST_LATELY) lately.delete(lately.keys().next().value!);
  return known;
}

/** A measured reach at a fret in mm: as measured at the nearest fret below and above, in proportion between; beyond the outermost as there. */
function measuredMm(i: Instrument, reaches: readonly HandReach[], fret: number, what: 'comfortable' | 'most'): number {
  const length = lengthMm(i, stringsUpward(i)[0]!);
  const mm = (r: HandReach): number => fretFromNutMm(length, r.fret + r[what]) - fretFromNutMm(length, r.fret);
  const above = reaches.find((r) => r.fret >= fret) ?? reaches[reaches.length - 1];
  const below = reaches.findLast((r) => r.fret <= fret) ?? reaches[0];
  if (above!.fret <= below!.fret) return mm(below!);
  return mm(below!) + ((mm(above!) - mm(below!)) * (fret - below!.fret)) / (above!.fret - below!.fret);
}

/** Every hold of a fretted note, lowest hand fret first, then lowest finger. Never empty: the first finger always serves. */
export const holdsOf = (m: HandModel, string: number, fret: number): HeldPlace[] =>
  ((m.known[string] ??= [])[fret] ??= findHolds(m, string, fret));

function findHolds(m: HandModel, string: number, fret: number): HeldPlace[] {
  const holds: HeldPlace[] = [];
  const mm = m.mm[string]!;
  const add = (finger: number, hand: number, reachMm: number, perMm: number): void => {
    const wide = Math.max(mm[fret]!, mm[hand + m.costs.fingers - 1]!) - Math.min(mm[fret]!, mm[hand]!);
    const share = finger === m.costs.forwardFinger && finger === 3 ? RING_SHARE : 1;
    const strained = reachMm > 0 && wide > share * m.comfortMm[hand]! ? STRAIN : 1;
    holds.push({ string, fret, finger, hand, reachMm, cost: m.costs.finger[finger]! + strained * perMm * reachMm });
  };
  for (let finger = m.costs.fingers; finger >= 1; finger--) {
    const rest = fret - finger + 1;
    if (finger === m.costs.forwardFinger && canReachForward(m, string, fret, fret - finger))
      add(finger, fret - finger, m.mm[string]![fret]! - m.mm[string]![fret - 1]!, m.costs.forward);
    if (rest > m.nut) add(finger, rest, 0, 0);
    if (finger <= 2 && canReachBack(m, string, fret, finger, rest + 1))
      add(finger, rest + 1, m.mm[string]![fret + 1]! - m.mm[string]![fret]!, m.costs.back);
  }
  return holds.sort((a, b) => a.hand - b.hand || a.finger - b.finger);
}

const canReachForward = (m: HandModel, string: number, fret: number, hand: number): boolean =>
  hand > m.nut && m.mm[string]![fret]! - m.mm[string]![hand]! <= m.forwardSpanMm[hand]!;

function canReachBack(m: HandModel, string: number, fret: number, finger: number, hand: number): boolean {
  if (hand <= m.nut || hand > m.last) return false;
  const low = finger === 1 ? fret : hand;
  return m.mm[string]![hand + m.costs.fingers - 1]! - m.mm[string]![low]! <= m.spanMm[hand]!;
}

/** How a hold leaves the four resting frets: the index finger a fret back, the outer one a fret forward, or neither. */
export type ReachSide = 0 | 1 | 2;
/** On which side of the hand's whole place a finger stretches, if it does. */
export const reachSide = (m: HandModel, h: HeldPlace): ReachSide =>
  h.reachMm === 0 ? 0 : h.finger === 1 ? 1 : h.finger === m.costs.forwardFinger ? 2 : 0;

/**
 * Whether a hand that stays at `hand` may not reach back in one note and forward in another: what it holds at one place lies
 * within its span (the resting frets are exempt), measured on the longest string.
 */
export const tooWideBothWays = (m: HandModel, hand: number): boolean => {
  const outer = hand + m.costs.forwardFinger;
  return hand > m.nut + 1 && outer <= m.last && m.longest[outer]! - m.longest[hand - 1]! > m.forwardSpanMm[hand]!;
};

/** Tells what a hold costs by itself: the finger used, and its reach. */
export function ownParts(m: HandModel, h: HeldPlace, tell: CostTally): void {
  if (m.costs.finger[h.finger]) tell('finger', m.costs.finger[h.finger]!);
  if (h.reachMm > 0) tell('reach', h.cost - m.costs.finger[h.finger]!);
}

/** Tells what passing from one hold to the next costs, what the next one costs by itself not included; false where no hand can. */
export function passParts(m: HandModel, a: HeldPlace, b: HeldPlace, tell: CostTally): boolean {
  if (b.finger === 0) {
    avoidedPart(m, a, b, tell);
    return a.hand === b.hand;
  }
  avoidedPart(m, a, b, tell);
  if (a.finger === 0) {
    if (a.hand !== b.hand && a.hand !== FREE) moveParts(m, a, b, tell);
    return true;
  }
  if (a.string === b.string && a.fret === b.fret) {
    if (a.finger !== b.finger) tell('change', m.costs.change);
    if (a.hand !== b.hand) moveParts(m, a, b, tell);
    return true;
  }
  const pair = pairCost(m.costs, a.finger, b.finger);
  if (pair) tell('pair', pair);
  if (a.hand === b.hand) return heldParts(m, a, b, tell);
  moveParts(m, a, b, tell);
  return true;
}

/**
 * A finger that the school leaves out is paid for half when it comes, half when the hand goes on from it without moving; little
 * beside the half step that its neighbour plays, and less in the open position.
 */
function avoidedPart(m: HandModel, a: HeldPlace, b: HeldPlace, tell: CostTally): void {
  const { avoid } = m.costs;
  if (!avoid[a.finger] && !avoid[b.finger]) return;
  const stays = a.hand === b.hand;
  const chromatic = stays && a.string === b.string && Math.abs(a.fret - b.fret) === 1 && Math.abs(a.finger - b.finger) === 1;
  const half = (h: HeldPlace): number => (chromatic && avoid[h.finger] ? AVOIDED_HALF_STEP / 2 : beginCost(m, h));
  tell('finger', (stays ? half(a) : 0) + half(b));
}

/** What a line that begins with this hold pays for a finger that the school leaves out. */
export const beginCost = (m: HandModel, h: HeldPlace): number =>
  m.costs.avoid[h.finger]! && (h.hand === m.nut + 1 ? AVOIDED_IN_OPEN : m.costs.avoid[h.finger]!) / 2;

/** Moving the hand along the neck. */
function moveParts(m: HandModel, a: HeldPlace, b: HeldPlace, tell: CostTally): void {
  const c = m.costs;
  const far = Math.abs(m.mm[0]![b.hand]! - m.mm[0]![a.hand]!);
  tell('shift', c.shift);
  tell('travel', c.perMm * far);
  const rise = m.open[b.string]! + b.fret - m.open[a.string]! - a.fret;
  const backward = Math.sign(rise) * (a.hand - b.hand) - FREE_BACKWARD;
  if (backward > 0) tell('against', c.backward * backward);
  const inside = a.string === b.string && a.finger > 0 && a.fret !== b.fret;
  if (inside && a.finger === b.finger) return tell('slide', c.slide[b.finger]!, true);
  const share = a.finger === 0 ? c.afterOpen : 1;
  tell('shift', share * (c.leave + (inside ? c.inside : 0)), true);
  const outer = Math.min(c.fingers, c.forwardFinger);
  const off = b.hand > a.hand ? c.landing * (b.finger - 1) : c.landingDown * Math.max(0, outer - b.finger);
  const whole = inside ? Math.min(2, Math.abs(a.fret - b.fret) - 1) : 0;
  if (off || whole) tell('landing', share * (off * Math.min(1, far / c.landingMm) + c.overWhole * whole), true);
}

/** Two notes of a hand that stays; false where its fingers would cross. */
function heldParts(m: HandModel, a: HeldPlace, b: HeldPlace, tell: CostTally): boolean {
  if (a.string === b.string) return b.fret > a.fret ? b.finger > a.finger : b.finger < a.finger;
  if (a.finger !== b.finger) return true;
  if (a.fret !== b.fret) tell('hop', m.costs.hop);
  else tell('roll', Math.abs(a.string - b.string) === 1 ? m.costs.roll[a.finger]! : NO_HAND);
  return true;
}

/** What a join asks: two fingers and a hand that stays for a hammer-on or pull-off, one finger for a slide, which costs no more than its way where it is written. */
export function joinParts(m: HandModel, a: HeldPlace, b: HeldPlace, join: Join | null | undefined, tell: CostTally): void {
  if (!a.finger || !b.finger) return;
  const slurred = join === 'hammer' || join === 'pull';
  if (slurred && a.hand !== b.hand) tell('change', m.costs.slur);
  if (join === 'slide' && a.finger === b.finger && a.hand !== b.hand && a.string === b.string && a.fret !== b.fret)
    tell('slide', -m.costs.slide[b.finger]!, true);
  if ((slurred && a.finger === b.finger) || (join === 'slide' && a.finger !== b.finger)) tell('change', NO_HAND);
}

function pairCost(c: HandCosts, a: number, b: number): number {
  const both = a * b;
  return a === b ? 0 : both === 8 ? c.pair24 : both === 12 ? c.pair34 : both === 6 ? c.pair23 : 0;
}
