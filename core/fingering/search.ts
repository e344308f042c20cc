import type { FingeredStep, Move, Place } from '../types';
import { holdsOf, passCost, type HandModel, type Hold } from './model';

/** Costs closer than this are a tie; the lower hand fret, then the lower finger wins (rulings, 14). */
const TIE = 1e-9;

interface Stage {
  holds: Hold[];
  /** Least cost of reaching each hold, and the hold before it on that path. */
  cost: number[];
  from: number[];
}

/** Limits the holds of the note at `index`; the identity where nothing is pinned. */
export type HoldFilter = (holds: Hold[], index: number) => Hold[];

/**
 * The cheapest way to finger a line: an exact shortest path over (finger, hand fret), one stage a note.
 * Linear in the notes; about seven holds a note. Deterministic.
 */
export function fingerPath(m: HandModel, places: Place[], keep: HoldFilter = (h) => h): FingeredStep[] {
  const stages: Stage[] = [];
  places.forEach((p, k) => stages.push(nextStage(m, places, keep, stages[k - 1], k, p)));
  return readBack(places, stages);
}

function nextStage(m: HandModel, places: Place[], keep: HoldFilter, before: Stage | undefined, k: number, p: Place): Stage {
  const holds = p.fret === m.nut ? openHolds(m, places, before) : keep(holdsOf(m, p.string, p.fret), k);
  if (!before) return { holds, cost: holds.map((h) => h.cost), from: holds.map(() => -1) };
  const stage: Stage = { holds, cost: [], from: [] };
  for (const hold of holds) enter(m, stage, before, places[k - 1], hold, p);
  return stage;
}

/** Adds the cheapest way into a hold from any hold before it. */
function enter(m: HandModel, stage: Stage, before: Stage, a: Place, hold: Hold, b: Place): void {
  let cost = Infinity;
  let from = -1;
  for (let j = 0; j < before.holds.length; j++) {
    if (before.cost[j] >= cost) continue;
    const next = before.cost[j] + passBetween(m, before.holds[j], a, hold, b);
    if (next < cost - TIE) {
      cost = next;
      from = j;
    }
  }
  stage.cost.push(cost + hold.cost);
  stage.from.push(from);
}

/** On an open string the hand stays where it was; it may move only when it next stops a string. */
const passBetween = (m: HandModel, a: Hold, at: Place, b: Hold, to: Place): number =>
  b.finger === 0 && a.hand !== b.hand ? Infinity : passCost(m, a, at.string, at.fret, b, to.string, to.fret);

/** One hold for every hand place the line could come from, or go to if it starts open. */
function openHolds(m: HandModel, places: Place[], before: Stage | undefined): Hold[] {
  const first = places.find((p) => p.fret !== m.nut);
  const hands = before ? before.holds.map((h) => h.hand) : first ? holdsOf(m, first.string, first.fret).map((h) => h.hand) : [m.nut + 1];
  return [...new Set(hands)].sort((a, b) => a - b).map((hand) => ({ finger: 0, hand, reachMm: 0, cost: 0 }));
}

function readBack(places: Place[], stages: Stage[]): FingeredStep[] {
  const steps: FingeredStep[] = [];
  let at = cheapest(stages[stages.length - 1]);
  for (let k = places.length - 1; k >= 0; k--) {
    const from = stages[k].from[at];
    steps.push(stepOf(places, k, stages[k], at, stages[k - 1], from));
    at = from;
  }
  return steps.reverse();
}

function cheapest(stage: Stage | undefined): number {
  if (!stage) return -1;
  let best = 0;
  stage.cost.forEach((c, j) => { if (c < stage.cost[best] - TIE) best = j; }); // prettier-ignore
  return best;
}

function stepOf(places: Place[], k: number, stage: Stage, at: number, before: Stage | undefined, from: number): FingeredStep {
  const { finger, hand, reachMm } = stage.holds[at];
  const last = before?.holds[from];
  const costMm = stage.cost[at] - (before ? before.cost[from] : 0);
  const move = moveOf(stage.holds[at], places[k], last, places[k - 1], reachMm);
  return { string: places[k].string, fret: places[k].fret, finger: finger as FingeredStep['finger'], handFret: hand, move, costMm };
}

/** The first that applies of start, slide, shift, stretch, roll, stay (rulings, 16). */
function moveOf(hold: Hold, p: Place, last: Hold | undefined, before: Place | undefined, reachMm: number): Move {
  if (!last || !before) return 'start';
  if (hold.hand !== last.hand)
    return hold.finger === last.finger && p.string === before.string && p.fret !== before.fret ? 'slide' : 'shift';
  if (reachMm > 0) return 'stretch';
  return hold.finger !== 0 && hold.finger === last.finger && p.string !== before.string && p.fret === before.fret ? 'roll' : 'stay';
}
