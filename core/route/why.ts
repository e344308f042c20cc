import { checkWhole } from '../errors';
import { bestPath, bestPaths, checkHand, fingersFor, noCosts, partsOf, runToEnd, type Path, type Why } from '../fingering';
import type { FingeredStep, FingeringSchool, Hand, Instrument, RouteWeights } from '../types';
import { routeTask, weightsOf, type RouteTask } from './costs';

/**
 * Why this step of a route costs what it does, part by part in mm of effort, and how much more the line would cost on
 * the same places with another finger there. Throws BAD_OPTION for an index off the route.
 */
export function whyStep(
  i: Instrument,
  steps: readonly FingeredStep[],
  index: number,
  o: { readonly school: FingeringSchool; readonly hand?: Hand; readonly weights?: Partial<RouteWeights> },
): Why {
  checkHand(o.school, o.hand);
  checkWhole('BAD_OPTION', 'index', index, 0, steps.length - 1);
  const costs = routeTask(i, o.school, o.hand, weightsOf(o.weights));
  const held = played(costs, steps);
  return { step: steps[index]!, parts: held ? partsOf(held, index) : [], others: othersAt(i, costs, steps, index, o) };
}

/** The route as the search saw it: its places, fingers and hand frets. Null where no hand can. */
const played = (costs: RouteTask, steps: readonly FingeredStep[]): Path | null =>
  runToEnd(
    bestPaths(
      {
        ...costs,
        kept: noCosts(),
        options: steps.map((s, k) => [{ string: s.string, fret: s.fret, tag: k }]),
        pins: steps.map((s) => s.finger),
        follows: (a, b) => [a, b].every((s) => !s.finger || s.hand === steps[s.tag]!.handFret),
        startsAt: (s) => !s.finger || s.hand === steps[0]!.handFret,
      },
      1,
    ),
  ).at(0) ?? null;

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
  const { string, fret, finger } = steps[index]!;
  const best = total(finger);
  return fingersFor(i, { string, fret }, { school: o.school, ...(o.hand ? { hand: o.hand } : {}) })
    .filter((f) => f !== finger)
    .map((f) => ({ finger: f, moreMm: total(f) - best }));
}
