import { labelsOf, layerMaker, type Layer, type Line, type Same, type State } from './lattice';
import { passCost, type HandModel } from './model';

/** Costs closer than this are a tie. */
const TIE = 1e-9;
/** Notes between two reports of progress. */
const REPORT = 64;

/** What a search minimises: the hand's own costs, and what is added to them. */
export interface Task extends Line {
  hand: HandModel;
  /** Added from one state to the next, 0 or more; Infinity where the next may not follow. */
  extra?: (a: State, b: State) => number;
  /** Added for a state itself, 0 or more. */
  own?: (s: State) => number;
  /** Where a line may begin, and end: by default any state of the first and of the last note. */
  startsAt?: (s: State) => boolean;
  endsAt?: (s: State, k: number) => boolean;
  /** Ways with the same places and hand frets (unless given), or only places, count as one. */
  same?: Same;
}

/** One way through: its states, and what each added to the cost. */
export interface Path {
  states: State[];
  added: number[];
  cost: number;
}

/** The layers so far, the least cost of reaching each state, and the state before it on that way. */
interface Reached {
  task: Task;
  layers: Layer[];
  costs: Float64Array[];
  from: Int16Array[];
}

/** A path under construction from its end: what is settled beyond layer k, and what the rest will cost at best. */
interface Partial {
  cost: number;
  k: number;
  /** State numbers of layer k that count as one, and from each of them the cost to the end. */
  label: number[];
  rest: number[];
  after: Partial | null;
}

/** The cheapest way to play a line, or null where no hand can. Linear in the notes. */
export function bestPath(task: Task): Path | null {
  const r = start(task);
  const make = layerMaker(task.hand, task);
  for (let k = 0; k < task.options.length; k++) reach(r, make(k, r.layers[k - 1]));
  return readBack(r);
}

/**
 * The `count` cheapest ways to play a line that differ in a place or a hand fret somewhere (docs/decisions.md; or in a place,
 * where the task says so), cheapest first: exact. Yields the share of the work done, from 0 to 1; returns fewer ways where there are fewer, none where
 * no hand can.
 *
 * Forward, the least cost of reaching every state (Sayegh's optimum path, one layer a note). Backward, the best way
 * is read off; each place and hand that it passed by roots a family of other ways, disjoint from all other families,
 * whose cheapest member is known exactly from the forward costs (the partition of Lawler, "A procedure for computing
 * the k best solutions to discrete optimization problems", Management Science 18(7), 1972). No family worse than the
 * k-th best known is kept.
 */
export function* bestPaths(task: Task, count: number): Generator<number, Path[]> {
  const r = start(task);
  const make = layerMaker(task.hand, task);
  for (let k = 0; k < task.options.length; k++) {
    reach(r, make(k, r.layers[k - 1]));
    if (k % REPORT === REPORT - 1) yield k / task.options.length;
  }
  const families = shortList();
  for (const end of endings(r)) families.add(end, count);
  const paths: Path[] = [];
  while (paths.length < count) {
    const next = families.take();
    if (!next) break;
    const room = count - paths.length - 1;
    paths.push(
      readForward(
        r,
        dive(r, next, (p) => families.add(p, room)),
      ),
    );
    yield 1;
  }
  return paths;
}

/** The cheapest families known, no more of them than there is room for. */
function shortList(): { add: (p: Partial, room: number) => void; take: () => Partial | undefined } {
  const list: Partial[] = [];
  return {
    take: () => list.shift(),
    add: (p, room) => {
      if (p.cost === Infinity || (list.length >= room && !(room > 0 && p.cost < list[room - 1].cost - TIE))) return;
      let at = list.length;
      while (at > 0 && list[at - 1].cost > p.cost + TIE) at--;
      list.splice(at, 0, p);
      list.length = Math.min(list.length, room);
    },
  };
}

const start = (task: Task): Reached => ({ task, layers: [], costs: [], from: [] });
const own = (task: Task, s: State): number => (task.own ? s.cost + task.own(s) : s.cost);
function pass(task: Task, a: State, b: State): number {
  if (!task.extra) return passCost(task.hand, a, b);
  const extra = task.extra(a, b);
  return extra === Infinity ? extra : extra + passCost(task.hand, a, b);
}

/** Adds a layer. */
function reach({ task, layers, costs, from }: Reached, layer: Layer): void {
  const before = layers.length ? layers[layers.length - 1].states : null;
  const known = costs[costs.length - 1];
  const { states } = layer;
  const cost = new Float64Array(states.length);
  const back = new Int16Array(states.length);
  for (let n = 0; n < states.length; n++) {
    const s = states[n];
    let best = before || task.startsAt?.(s) === false ? Infinity : 0;
    if (before)
      for (let j = 0; j < before.length; j++) {
        if (known[j] >= best) continue;
        const next = known[j] + pass(task, before[j], s);
        if (next < best - TIE) {
          best = next;
          back[n] = j;
        }
      }
    cost[n] = best + own(task, s);
  }
  layers.push(layer);
  costs.push(cost);
  from.push(back);
}

/** Every place and hand that a line may end with, the shortest lines first. */
function* endings({ task, layers, costs }: Reached): Generator<Partial> {
  const ends = task.endsAt;
  for (let k = ends ? 0 : layers.length - 1; k < layers.length; k++)
    for (const all of labelsOf(layers[k], task.same ?? 'hand')) {
      const label = ends ? all.filter((n) => ends(layers[k].states[n], k)) : all;
      if (label.length) yield { cost: least(label, costs[k]), k, label, rest: label.map(() => 0), after: null };
    }
}

function least(label: number[], costs: Float64Array, rest?: number[]): number {
  let best = Infinity;
  for (let j = 0; j < label.length; j++) best = Math.min(best, costs[label[j]] + (rest ? rest[j] : 0));
  return best;
}

/** The one best way, read back from its end. */
function readBack({ layers, costs, from }: Reached): Path | null {
  let k = layers.length - 1;
  if (k < 0) return { states: [], added: [], cost: 0 };
  let at = cheapest(costs[k]);
  const cost = costs[k][at];
  if (!(cost < Infinity)) return null;
  const states: State[] = [];
  const added: number[] = [];
  for (; k >= 0; k--) {
    states.push(layers[k].states[at]);
    const last = from[k][at];
    added.push(costs[k][at] - (k > 0 ? costs[k - 1][last] : 0));
    at = last;
  }
  return { states: states.reverse(), added: added.reverse(), cost };
}

/** Follows the best way down to the first note; hands over the ways it passes by. Returns the way at its first note. */
function dive(r: Reached, from: Partial, passBy: (p: Partial) => void): Partial {
  let here = from;
  while (here.k > 0) {
    let best: Partial | null = null;
    for (const label of labelsOf(r.layers[here.k - 1], r.task.same ?? 'hand')) {
      const there = stepBack(r, here, label);
      if (!best || there.cost < best.cost - TIE) {
        if (best) passBy(best);
        best = there;
      } else passBy(there);
    }
    here = best as Partial;
  }
  return here;
}

function stepBack({ task, layers, costs }: Reached, here: Partial, label: number[]): Partial {
  const k = here.k - 1;
  const before = layers[k].states;
  const after = layers[here.k].states;
  const rest = label.map((n) => {
    let best = Infinity;
    for (let j = 0; j < here.label.length; j++) {
      const s = after[here.label[j]];
      best = Math.min(best, pass(task, before[n], s) + own(task, s) + here.rest[j]);
    }
    return best;
  });
  return { cost: least(label, costs[k], rest), k, label, rest, after: here };
}

/** Settles the fingers, from the first note on, of a way whose places and hands are settled. */
function readForward({ task, layers, costs }: Reached, first: Partial): Path {
  const states: State[] = [];
  const added: number[] = [];
  for (let p: Partial | null = first; p; p = p.after) {
    const { k, label, rest } = p;
    const last = states[states.length - 1] as State | undefined;
    const all = layers[k].states;
    const into = label.map((n) => (last ? pass(task, last, all[n]) + own(task, all[n]) : costs[k][n]));
    const at = cheapest(into.map((c, j) => c + rest[j]));
    states.push(all[label[at]]);
    added.push(into[at]);
  }
  return { states, added, cost: added.reduce((a, b) => a + b, 0) };
}

function cheapest(costs: ArrayLike<number>): number {
  let best = 0;
  for (let j = 1; j < costs.length; j++) if (costs[j] < costs[best] - TIE) best = j;
  return best;
}

/** Runs a search to its end without stopping. */
export function runToEnd<T>(search: Generator<number, T>): T {
  let turn = search.next();
  while (!turn.done) turn = search.next();
  return turn.value;
}
