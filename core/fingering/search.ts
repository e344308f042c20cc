import type { Machine, Task } from './automaton';
import { endsIn, graphOf, leastOf, oneWay, prepare, reachedIn, TIE, type Graph, type Prepared, type Reached } from './graph';
import type { State } from './states';
import { bySuccession } from './stays';

export type { Task } from './automaton';

/** Most ways that are looked through for ones that differ, and most notes of them all together. */
const LOOKED = { ways: 600, notes: 30_000 };
/** How much more than the best a way may cost, tried one after another until there are enough; the last for short lines alone. */
const SLACK = [5, 30, 120, 480, Infinity];
/** Longer lines than these are not searched with the last, or the last two, of them. */
const SHORT = 200;
const LONG = 2000;

/** One way through: its states, what each added to the cost, and its nodes in the machine. */
export interface Path {
  /** The state at each note. */
  readonly states: State[];
  /** What each note adds, in mm of travel. */
  readonly added: number[];
  /** The sum of them. */
  readonly cost: number;
  /** The node at each note. */
  readonly nodes: number[];
  /** The states and what steps cost. */
  readonly machine: Machine;
}

/** A path under construction from its end: what is settled beyond layer k, and what the rest will cost at best. */
interface Partial {
  /** The least that a whole way with this end costs. */
  readonly cost: number;
  /** The note it begins at. */
  readonly k: number;
  /** Nodes of layer k that count as one, and from each of them the cost to the end. */
  readonly label: number[];
  /** The nodes that it may come from. */
  readonly rest: number[];
  /** What follows it. */
  readonly after: Partial | null;
}

/** The cheapest way to play a line, or null where no hand can. Linear in the notes. */
export const bestPath = (task: Task): Path | null => runToEnd(best(task));

const best = (task: Task): Generator<number, Path | null> => bestOf(prepare(task));

/**
 * Within the least that any way costs first: nine lines in ten have a way that costs no more (nothing that the hand remembers
 * counts on it), and next to nothing else lies within. Else within what one way costs that is found by looking little ahead.
 */
function* bestOf(ready: Prepared): Generator<number, Path | null> {
  const bound = leastOf(ready);
  if (bound === Infinity) return null;
  const path = wayBack(ready.machine, yield* share(0, reachedIn(ready, bound)));
  if (path) return path;
  const known = oneWay(ready);
  return known < Infinity ? wayBack(ready.machine, yield* share(1, reachedIn(ready, known))) : null;
}

/**
 * The `count` cheapest ways to play a line that differ in a place or a hand fret somewhere, or, with `differs`, from each of
 * those before them as it says; cheapest first. Exact; with `differs`, as long as no more ways need to be looked through than
 * LOOKED allows, and beyond that over the successions of hand places alone. Long lines are searched up to a bound beyond their best (SLACK). Yields the share of the work done, from 0 to 1; returns fewer ways where there are fewer, none where no hand can.
 */
export function* bestPaths(task: Task, count: number, differs?: (a: Path, b: Path) => boolean): Generator<number, Path[]> {
  if (count === 1) {
    const path = yield* best(task);
    return path ? [path] : [];
  }
  const ready = prepare(task);
  // From the best cost itself, not from the first that was found: on a long line the two lie far apart.
  const first = yield* share(0, bestOf(ready));
  if (!first) return [];
  let found: Path[] = [];
  let stage = 1;
  const beyond = task.options.length > LONG ? 2 : task.options.length > SHORT ? 1 : 0;
  for (const slack of SLACK.slice(0, SLACK.length - beyond)) {
    const graph = yield* share(stage++, graphOf(ready, first.cost + slack));
    const { paths, all } = differing(graph, count, differs);
    found = all ? paths : [...bySuccession(graph, count)].map((nodes) => pathOf(graph, nodes));
    // Ways put together from passes of cheaper ones may cost more than the bound: others may then be cheaper.
    if (found.length >= count && found[count - 1]!.cost <= graph.bound) break;
  }
  return found;
}

/** A search of unknown length told on: each stage takes half of what was left. */
function* share<T>(stage: number, search: Generator<number, T>): Generator<number, T> {
  let turn = search.next();
  for (; !turn.done; turn = search.next()) yield 1 - 0.5 ** stage + turn.value * 0.5 ** (stage + 1);
  return turn.value;
}

/** The cheapest ways of a graph that differ, and whether all were looked through that needed to be. */
function differing(
  graph: Graph,
  count: number,
  differs?: (a: Path, b: Path) => boolean,
): { readonly paths: Path[]; readonly all: boolean } {
  const most = differs ? Math.min(LOOKED.ways, Math.floor(LOOKED.notes / graph.layers.length)) : count;
  if (most < count) return { paths: [], all: false };
  const paths: Path[] = [];
  let looked = 0;
  for (const path of inOrder(graph, most)) {
    looked++;
    if (!differs || paths.every((p) => differs(p, path))) paths.push(path);
    if (paths.length === count) return { paths, all: true };
  }
  return { paths, all: looked < most };
}

/**
 * The cheapest ways that differ in a place or a hand fret, in order. Backward, the best way is read off; each place and hand that it
 * passed by roots a family of other ways, disjoint from all other families, whose cheapest member is known exactly from the
 * forward costs (the partition of Lawler, "A procedure for computing the k best solutions to discrete optimization problems",
 * Management Science 18(7), 1972). No family worse than the last that may be looked at is kept.
 */
function* inOrder(graph: Graph, most: number): Generator<Path> {
  const labels = graph.layers.map((_, k) => labelled(graph, k));
  const families = shortList();
  for (const end of endings(graph, labels)) families.add(end, most);
  for (let looked = 1; looked <= most; looked++) {
    const next = families.take();
    if (!next) return;
    yield readForward(graph, dive(graph, labels, next, (p) => families.add(p, most - looked))); // prettier-ignore
  }
}

/** The nodes of a layer in groups of one place and hand fret. */
function labelled({ machine, layers }: Graph, k: number): number[][] {
  const groups = new Map<number, number[]>();
  layers[k]!.nodes.forEach((node, j) => {
    const label = machine.layers[k]!.labelOf[(node / machine.sizes[k]!) | 0]!;
    const known = groups.get(label);
    if (known) known.push(j);
    else groups.set(label, [j]);
  });
  return [...groups].sort((a, b) => a[0] - b[0]).map(([, nodes]) => nodes);
}

/** The cheapest families known, no more of them than there is room for. */
function shortList(): { readonly add: (p: Partial, room: number) => void; readonly take: () => Partial | undefined } {
  const list: Partial[] = [];
  return {
    take: () => list.shift(),
    add: (p, room) => {
      if (p.cost === Infinity || (list.length >= room && !(room > 0 && p.cost < list[room - 1]!.cost - TIE))) return;
      let at = list.length;
      while (at > 0 && list[at - 1]!.cost > p.cost + TIE) at--;
      list.splice(at, 0, p);
      list.length = Math.min(list.length, room);
    },
  };
}

/** Every place and hand that a line may end with, the shortest lines first. */
function* endings(graph: Graph, labels: number[][][]): Generator<Partial> {
  for (let k = graph.machine.task.endsAt ? 0 : graph.layers.length - 1; k < graph.layers.length; k++) {
    const may = new Set(endsIn(graph.machine, graph.layers, k));
    for (const all of may.size ? labels[k]! : []) {
      const label = all.filter((j) => may.has(j));
      const rest = label.map(() => 0);
      if (label.length) yield { cost: least(label, graph.layers[k]!.costs, rest), k, label, rest, after: null };
    }
  }
}

function least(label: number[], costs: number[], rest: number[]): number {
  let cost = Infinity;
  for (let j = 0; j < label.length; j++) cost = Math.min(cost, costs[label[j]!]! + rest[j]!);
  return cost;
}

/** The one best way, read back from its end: of equal ends the first, the shortest line first. */
function wayBack(machine: Machine, layers: readonly Reached[]): Path | null {
  if (!layers.length) return { states: [], added: [], cost: 0, nodes: [], machine };
  let [end, at, cost] = [-1, 0, Infinity];
  for (let k = machine.task.endsAt ? 0 : layers.length - 1; k < layers.length; k++)
    for (const j of endsIn(machine, layers, k)) if (layers[k]!.costs[j]! < cost - TIE) [end, at, cost] = [k, j, layers[k]!.costs[j]!];
  if (end < 0) return null;
  const nodes: number[] = [];
  for (let k = end; k >= 0; k--) {
    nodes[k] = layers[k]!.nodes[at]!;
    if (k === 0) cost = layers[0]!.costs[at]!;
    at = layers[k]!.back[at]!;
  }
  const added = nodes.map((node, k) => (k ? stepCost(machine, k, nodes[k - 1]!, node) : cost));
  return { states: nodes.map((n, k) => machine.stateOf(k, n)), added, cost: added.reduce((a, b) => a + b, 0), nodes, machine };
}

/** What a node adds after another. */
function stepCost(machine: Machine, k: number, before: number, node: number): number {
  const b = (node / machine.sizes[k]!) | 0;
  return machine.step(k - 1, before, b) + machine.owns(k)[b]!;
}

/** A way, from its nodes in the graph. */
function pathOf({ machine, layers }: Graph, way: readonly number[]): Path {
  const nodes = way.map((j, k) => layers[k]!.nodes[j]!);
  const added = way.map((j, k) =>
    k ? layers[k - 1]!.by[way[k - 1]!]![layers[k - 1]!.to[way[k - 1]!]!.indexOf(j)]! : layers[0]!.costs[j]!,
  );
  return { states: nodes.map((n, k) => machine.stateOf(k, n)), added, cost: added.reduce((a, b) => a + b, 0), nodes, machine };
}

/** Follows the best way down to the first note; hands over the ways it passes by. Returns the way at its first note. */
function dive(graph: Graph, labels: number[][][], from: Partial, passBy: (p: Partial) => void): Partial {
  let here = from;
  while (here.k > 0) {
    let found: Partial | null = null;
    const rest = new Float64Array(graph.layers[here.k]!.nodes.length).fill(Infinity);
    here.label.forEach((j, n) => (rest[j] = here.rest[n]!));
    for (const label of labels[here.k - 1]!) {
      const there = stepBack(graph, here, rest, label);
      if (!found || there.cost < found.cost - TIE) {
        if (found) passBy(found);
        found = there;
      } else passBy(there);
    }
    here = found as Partial;
  }
  return here;
}

function stepBack({ layers }: Graph, here: Partial, after: Float64Array, label: number[]): Partial {
  const k = here.k - 1;
  const { to, by, costs } = layers[k]!;
  const rest = label.map((j) => {
    let lowest = Infinity;
    for (let e = 0; e < to[j]!.length; e++) lowest = Math.min(lowest, by[j]![e]! + after[to[j]![e]!]!);
    return lowest;
  });
  return { cost: least(label, costs, rest), k, label, rest, after: here };
}

/** Settles the fingers, from the first note on, of a way whose places and hands are settled. */
function readForward(graph: Graph, first: Partial): Path {
  const way: number[] = [];
  for (let p: Partial | null = first; p; p = p.after) {
    const { k, label, rest } = p;
    const last = way[k - 1]!;
    const into = label.map((j) => {
      if (k === 0) return graph.layers[0]!.costs[j];
      const { to, by } = graph.layers[k - 1]!;
      const e = to[last]!.indexOf(j);
      return e < 0 ? Infinity : by[last]![e];
    });
    way.push(label[cheapest(into.map((c, j) => c! + rest[j]!))]!);
  }
  return pathOf(graph, way);
}

function cheapest(costs: ArrayLike<number>): number {
  let at = 0;
  for (let j = 1; j < costs.length; j++) if (costs[j]! < costs[at]! - TIE) at = j;
  return at;
}

/** Runs a search to its end without stopping. */
export function runToEnd<T>(search: Generator<number, T>): T {
  let turn = search.next();
  while (!turn.done) turn = search.next();
  return turn.value;
}
