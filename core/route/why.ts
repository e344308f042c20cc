import { checkWhole } from '../errors';
import { bestPath, checkHand, fingersFor, holdsOf, ownParts, passCost, type State, type Tell, type Why } from '../fingering';
import { openMidis } from '../instrument';
import type { CostWord, FingeredStep, FingeringSchool, Hand, Instrument, RouteWeights } from '../types';
import { routeTask, weightsOf, type RouteTask } from './costs';

/** A step of a route as the search saw it. */
function stateOf({ hand }: RouteTask, s: FingeredStep): State {
  const { string, fret, finger } = s;
  const hold = finger ? holdsOf(hand, string, fret).find((h) => h.finger === finger && h.hand === s.handFret) : undefined;
  return { string, fret, finger, hand: s.handFret, reachMm: hold?.reachMm ?? 0, cost: hold?.cost ?? 0, tag: 0 };
}

/**
 * Why this step of a route costs what it does, part by part in mm of effort, and how much more the line would cost on
 * the same places with another finger there. Throws BAD_OPTION for an index off the route.
 */
export function whyStep(
  i: Instrument,
  steps: readonly FingeredStep[],
  index: number,
  o: { school: FingeringSchool; hand?: Hand; weights?: Partial<RouteWeights> },
): Why {
  checkHand(o.school, o.hand);
  checkWhole('BAD_OPTION', 'index', index, 0, steps.length - 1);
  const costs = routeTask(i, [0, ...openMidis(i)], o.school, o.hand?.size ?? 'medium', weightsOf(o.weights));
  const parts: Why['parts'] = [];
  const tell: Tell = (word: CostWord, mm: number) => void parts.push({ word, mm });
  const here = stateOf(costs, steps[index]);
  if (index > 0) {
    const before = stateOf(costs, steps[index - 1]);
    passCost(costs.hand, before, here, tell);
    costs.extra(before, here, tell);
  }
  ownParts(costs.hand, here, tell);
  costs.own(here, tell);
  return { step: steps[index], parts, others: othersAt(i, costs, steps, index, o) };
}

function othersAt(
  i: Instrument,
  costs: RouteTask,
  steps: readonly FingeredStep[],
  index: number,
  o: Parameters<typeof whyStep>[3],
): Why['others'] {
  const total = (finger?: number): number => {
    const pins: number[] = [];
    if (finger) pins[index] = finger;
    return bestPath({ ...costs, options: steps.map((s) => [{ string: s.string, fret: s.fret }]), pins })?.cost ?? Infinity;
  };
  const { string, fret, finger } = steps[index];
  const best = total(finger);
  return fingersFor(i, { string, fret }, { school: o.school, ...(o.hand ? { hand: o.hand } : {}) })
    .filter((f) => f !== finger)
    .map((f) => ({ finger: f, moreMm: total(f) - best }));
}
