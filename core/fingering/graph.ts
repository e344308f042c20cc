import { Machine, type Task } from './automaton';
import { layerMaker } from './lattice';

/** Costs closer than this are a tie. */
export const TIE = 1e-9;
/** Notes between two reports of progress. */
const REPORT = 64;

/** What is kept of one note: its nodes, the least cost of reaching each, the node before it on that way, and what each leads to. */
export interface GraphLayer {
  nodes: number[];
  costs: number[];
  back: number[];
  /** By node: nodes of the next layer that may follow, and what each adds, its own cost included. */
  to: number[][];
  by: number[][];
}

/** The nodes of a line that lie on some way of no more than `bound`, and all that leads from one to the next. */
export interface Graph {
  machine: Machine;
  layers: GraphLayer[];
  bound: number;
}

/** A line made ready: its layers, and from each state the least that the rest may cost, whatever the hand remembers. */
export interface Prepared {
  machine: Machine;
  rest: Float64Array[];
  /** The cost of one way: the best costs no more. Infinite where there is none. */
  known: number;
}

export function prepare(task: Task): Prepared {
  const machine = new Machine(task);
  const make = layerMaker(task.hand, task);
  for (let k = 0; k < task.options.length; k++) machine.add(make(k, machine.layers[k - 1]));
  const rest: Float64Array[] = [];
  for (let k = machine.layers.length - 1; k >= 0; k--) rest[k] = restAt(machine, rest, k);
  return { machine, rest, known: oneWay(machine, rest) };
}

/** Whether a line may end here. */
const ends = ({ task, layers }: Machine, k: number, n: number): boolean =>
  task.endsAt ? task.endsAt(layers[k].states[n], k) : k === layers.length - 1;
const begins = ({ task, layers }: Machine, n: number): boolean => task.startsAt?.(layers[0].states[n]) !== false;

/** From every state of a note: never more than any way on from there costs. */
function restAt(machine: Machine, rest: Float64Array[], k: number): Float64Array {
  const here = new Float64Array(machine.layers[k].states.length).fill(Infinity);
  const last = k === machine.layers.length - 1;
  const [after, owns] = last ? [[], []] : [rest[k + 1], machine.owns(k + 1)];
  const worth = Float64Array.from(after, (r, b) => r + owns[b]);
  for (let a = 0; a < here.length; a++) {
    if (ends(machine, k, a)) here[a] = 0;
    if (last) continue;
    for (let b = 0; b < worth.length; b++) {
      if (worth[b] >= here[a]) continue;
      const cost = machine.least(k, a, b) + worth[b];
      if (cost < here[a]) here[a] = cost;
    }
  }
  return here;
}

/** The way that follows what looks best at each note. */
function oneWay(machine: Machine, rest: Float64Array[]): number {
  const { layers } = machine;
  if (!layers.length) return 0;
  let [cost, node, best] = [Infinity, 0, Infinity];
  layers[0].states.forEach((_, n) => {
    const c = machine.begins(n);
    if (!begins(machine, n) || c + rest[0][n] >= best) return;
    [cost, node, best] = [c, machine.first(n), c + rest[0][n]];
  });
  for (let k = 0; k + 1 < layers.length && cost < Infinity; k++) {
    if (machine.task.endsAt && ends(machine, k, (node / machine.sizes[k]) | 0)) return cost;
    const owns = machine.owns(k + 1);
    let [next, to] = [Infinity, 0];
    best = Infinity;
    for (let b = 0; b < owns.length; b++) {
      if (rest[k + 1][b] === Infinity) continue;
      const c = cost + machine.step(k, node, b) + owns[b];
      if (c + rest[k + 1][b] < best) [next, to, best] = [c, machine.to, c + rest[k + 1][b]];
    }
    [cost, node] = [next, to];
  }
  return cost;
}

/**
 * Forward, the least cost of reaching every node (Sayegh's optimum path, one layer a note), and all passes that lie on a way
 * of no more than `bound`: what a node costs so far and the least that the rest may cost are together no more. Exact, as the rest
 * never says too much. Yields the share of the work done, 0 to 1.
 */
export function* graphOf({ machine, rest }: Prepared, bound: number): Generator<number, Graph> {
  const graph: Graph = { machine, layers: [], bound: bound + TIE };
  const count = machine.layers.length;
  if (!count) return graph;
  let here = emptyLayer();
  machine.layers[0].states.forEach((_, n) => {
    const cost = machine.begins(n);
    if (begins(machine, n) && cost + rest[0][n] <= graph.bound) enter(here, machine.first(n), cost, -1);
  });
  graph.layers.push(here);
  for (let k = 0; k + 1 < count; k++) {
    graph.layers.push((here = nextLayer(graph, rest[k + 1], k, here)));
    if (k % REPORT === REPORT - 1) yield k / count;
  }
  return graph;
}

const emptyLayer = (): GraphLayer => ({ nodes: [], costs: [], back: [], to: [], by: [] });

function enter(layer: GraphLayer, node: number, cost: number, back: number): number {
  layer.costs.push(cost);
  layer.back.push(back);
  layer.to.push([]);
  layer.by.push([]);
  return layer.nodes.push(node) - 1;
}

function nextLayer({ machine, bound }: Graph, rest: Float64Array, k: number, here: GraphLayer): GraphLayer {
  const next = emptyLayer();
  const seen = new Map<number, number>();
  const owns = machine.owns(k + 1);
  const size = machine.sizes[k];
  here.nodes.forEach((node, j) => {
    const a = (node / size) | 0;
    const so = here.costs[j];
    for (let b = 0; b < owns.length; b++) {
      const worth = owns[b] + rest[b];
      if (!(so + machine.least(k, a, b) + worth <= bound)) continue;
      const step = machine.step(k, node, b);
      if (!(so + step + worth <= bound)) continue;
      const by = step + owns[b];
      let at = seen.get(machine.to);
      if (at === undefined) seen.set(machine.to, (at = enter(next, machine.to, so + by, j)));
      else if (so + by < next.costs[at] - TIE) [next.costs[at], next.back[at]] = [so + by, j];
      here.to[j].push(at);
      here.by[j].push(by);
    }
  });
  return next;
}

/** Nodes of a layer that a line may end with. */
export const endsIn = ({ machine, layers }: Graph, k: number): number[] =>
  layers[k].nodes.flatMap((node, j) => (ends(machine, k, (node / machine.sizes[k]) | 0) ? [j] : []));
