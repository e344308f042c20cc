import { Machine, type Task } from './automaton';
import { layerMaker } from './lattice';
import type { State } from './states';

export type { Task } from './automaton';

/** Costs closer than this are a tie. */
const TIE = 1e-9;
/** Notes between two reports of progress. */
const REPORT = 64;
/** Most ways that are looked through for ones that differ, and most notes of them all together. */
const LOOKED = { ways: 600, notes: 30_000 };

/** One way through: its states, what each added to the cost, and its nodes in the machine. */
export interface Path {
  states: State[];
  added: number[];
  cost: number;
  nodes: number[];
  machine: Machine;
}

/** The layers so far, the least cost of reaching each node, and the node before it on that way. */
interface Reached {
  machine: Machine;
  costs: Float64Array[];
  from: Int32Array[];
}

/** A path under construction from its end: what is settled beyond layer k, and what the rest will cost at best. */
interface Partial {
  cost: number;
  k: number;
  /** Nodes of layer k that count as one, and from each of them the cost to the end. */
  label: number[];
  rest: number[];
  after: Partial | null;
}

/** The cheapest way to play a line, or null where no hand can. Linear in the notes. */
export function bestPath(task: Task): Path | null {
  const r = start(task);
  const make = layerMaker(task.hand, task);
  for (let k = 0; k < task.options.length; k++) reach(r, make(k, r.machine.layers[k - 1]));
  return readBack(r);
}

/**
 * The `count` cheapest ways to play a line that differ in a place or a hand fret somewhere, or, with `differs`, from each of
 * those before them as it says; cheapest first. Exact; with `differs`, as long as no more ways need to be looked through than
 * LOOKED allows. Yields the share of the work done, from 0 to 1; returns fewer ways where there are fewer, none where no hand can.
 *
 * Forward, the least cost of reaching every node (Sayegh's optimum path, one layer a note). Backward, the best way
 * is read off; each place and hand that it passed by roots a family of other ways, disjoint from all other families,
 * whose cheapest member is known exactly from the forward costs (the partition of Lawler, "A procedure for computing
 * the k best solutions to discrete optimization problems", Management Science 18(7), 1972). No family worse than the
 * last that may be looked at is kept.
 */
export function* bestPaths(task: Task, count: number, differs?: (a: Path, b: Path) => boolean): Generator<number, Path[]> {
  const r = start(task);
  const make = layerMaker(task.hand, task);
  for (let k = 0; k < task.options.length; k++) {
    reach(r, make(k, r.machine.layers[k - 1]));
    if (k % REPORT === REPORT - 1) yield k / task.options.length;
  }
  if (count === 1 && !task.endsAt) {
    const best = readBack(r);
    return best ? [best] : [];
  }
  const most = differs && count > 1 ? Math.max(count, Math.min(LOOKED.ways, Math.floor(LOOKED.notes / task.options.length))) : count;
  const families = shortList();
  for (const end of endings(r)) families.add(end, most);
  const paths: Path[] = [];
  for (let looked = 1; looked <= most && paths.length < count; looked++) {
    const next = families.take();
    if (!next) break;
    const path = readForward(r, dive(r, next, (p) => families.add(p, most - looked))); // prettier-ignore
    if (!differs || paths.every((p) => differs(p, path))) paths.push(path);
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

const start = (task: Task): Reached => ({ machine: new Machine(task), costs: [], from: [] });

/** Adds a layer. */
function reach({ machine, costs, from }: Reached, layer: Parameters<Machine['add']>[0]): void {
  const k = machine.layers.length;
  machine.add(layer);
  const owns = machine.owns(k);
  const cost = new Float64Array(machine.nodes(k)).fill(Infinity);
  const back = new Int32Array(cost.length);
  costs.push(cost);
  from.push(back);
  if (k === 0) {
    const { startsAt } = machine.task;
    layer.states.forEach((s, n) => (startsAt?.(s) === false ? 0 : (cost[machine.first(n)] = machine.begins(n))));
    return;
  }
  const known = costs[k - 1];
  for (let node = 0; node < known.length; node++) {
    const so = known[node];
    if (so === Infinity) continue;
    for (let b = 0; b < owns.length; b++) {
      const next = so + machine.step(k - 1, node, b) + owns[b];
      if (next < cost[machine.to] - TIE) {
        cost[machine.to] = next;
        back[machine.to] = node;
      }
    }
  }
}

/** The nodes of a label that can be reached. */
function nodesOf({ machine, costs }: Reached, k: number, label: readonly number[]): number[] {
  const size = machine.sizes[k];
  const nodes: number[] = [];
  for (const n of label) for (let node = n * size; node < (n + 1) * size; node++) if (costs[k][node] < Infinity) nodes.push(node);
  return nodes;
}

/** Every place and hand that a line may end with, the shortest lines first. */
function* endings(r: Reached): Generator<Partial> {
  const { layers, task } = r.machine;
  const ends = task.endsAt;
  for (let k = ends ? 0 : layers.length - 1; k < layers.length; k++)
    for (const all of layers[k].labels) {
      const label = nodesOf(r, k, ends ? all.filter((n) => ends(layers[k].states[n], k)) : all);
      if (label.length) yield { cost: least(label, r.costs[k]), k, label, rest: label.map(() => 0), after: null };
    }
}

function least(label: number[], costs: Float64Array, rest?: number[]): number {
  let best = Infinity;
  for (let j = 0; j < label.length; j++) best = Math.min(best, costs[label[j]] + (rest ? rest[j] : 0));
  return best;
}

/** The one best way, read back from its end. */
function readBack({ machine, costs, from }: Reached): Path | null {
  let k = costs.length - 1;
  if (k < 0) return { states: [], added: [], cost: 0, nodes: [], machine };
  let at = cheapest(costs[k]);
  const cost = costs[k][at];
  if (!(cost < Infinity)) return null;
  const nodes: number[] = [];
  const added: number[] = [];
  for (; k >= 0; k--) {
    nodes.push(at);
    const last = from[k][at];
    added.push(costs[k][at] - (k > 0 ? costs[k - 1][last] : 0));
    at = last;
  }
  nodes.reverse();
  return { states: nodes.map((n, j) => machine.stateOf(j, n)), added: added.reverse(), cost, nodes, machine };
}

/** Follows the best way down to the first note; hands over the ways it passes by. Returns the way at its first note. */
function dive(r: Reached, from: Partial, passBy: (p: Partial) => void): Partial {
  let here = from;
  while (here.k > 0) {
    let best: Partial | null = null;
    const at = restAt(r, here);
    for (const label of r.machine.layers[here.k - 1].labels) {
      const there = stepBack(r, here, at, label);
      if (!best || there.cost < best.cost - TIE) {
        if (best) passBy(best);
        best = there;
      } else passBy(there);
    }
    here = best as Partial;
  }
  return here;
}

/** What remains to be paid from each node of a layer: infinite off the label. */
function restAt({ machine }: Reached, here: Partial): { rest: Float64Array; states: number[] } {
  const rest = new Float64Array(machine.nodes(here.k)).fill(Infinity);
  here.label.forEach((node, j) => (rest[node] = here.rest[j]));
  return { rest, states: [...new Set(here.label.map((node) => (node / machine.sizes[here.k]) | 0))] };
}

function stepBack(r: Reached, here: Partial, at: { rest: Float64Array; states: number[] }, states: readonly number[]): Partial {
  const k = here.k - 1;
  const { machine } = r;
  const owns = machine.owns(here.k);
  const label = nodesOf(r, k, states);
  const rest = label.map((node) => {
    let best = Infinity;
    for (const b of at.states) best = Math.min(best, machine.step(k, node, b) + owns[b] + at.rest[machine.to]);
    return best;
  });
  return { cost: least(label, r.costs[k], rest), k, label, rest, after: here };
}

/** Settles the fingers, from the first note on, of a way whose places and hands are settled. */
function readForward({ machine, costs }: Reached, first: Partial): Path {
  const nodes: number[] = [];
  const added: number[] = [];
  for (let p: Partial | null = first; p; p = p.after) {
    const { k, label, rest } = p;
    const owns = machine.owns(k);
    const into = label.map((node) => (k ? intoNode(machine, k, nodes[k - 1], node) + owns[(node / machine.sizes[k]) | 0] : costs[0][node]));
    const at = cheapest(into.map((c, j) => c + rest[j]));
    nodes.push(label[at]);
    added.push(into[at]);
  }
  return { states: nodes.map((n, k) => machine.stateOf(k, n)), added, cost: added.reduce((a, b) => a + b, 0), nodes, machine };
}

function intoNode(machine: Machine, k: number, last: number, node: number): number {
  const cost = machine.step(k - 1, last, (node / machine.sizes[k]) | 0);
  return machine.to === node ? cost : Infinity;
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
