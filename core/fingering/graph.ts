import { Machine, type Task } from './automaton';
import { layerMaker } from './lattice';
import { FREE } from './model';

/** Costs closer than this are a tie. */
export const TIE = 1e-9;
/** Sums may differ by this share of them. */
const SLIP = 1e-9;
/** Notes between two reports of progress. */
const REPORT = 64;

/** What is kept of one note: its nodes, the least cost of reaching each, the node before it on that way, and what each leads to. */
export interface GraphLayer {
  /** States of this note that are kept, as numbers of the machine. */
  readonly nodes: number[];
  /** The least cost up to each node, in mm of travel. */
  readonly costs: number[];
  /** The node before each on its cheapest way. */
  back: number[];
  /** By node: nodes of the next layer that may follow, and what each adds, its own cost included. */
  readonly to: number[][];
  /** For each node, the nodes that lead to it. */
  readonly by: number[][];
}

/** The nodes of a line that lie on some way of no more than `bound`, and all that leads from one to the next. */
export interface Graph {
  /** The states and what steps cost. */
  readonly machine: Machine;
  /** A layer for each note. */
  readonly layers: GraphLayer[];
  /** What no way that is looked for costs more than. */
  readonly bound: number;
}

/** A line made ready: its layers, and from each state the least that the rest may cost, whatever the hand remembers. */
export interface Prepared {
  /** The states and what steps cost. */
  readonly machine: Machine;
  /** For each note, the least cost from each state to the end. */
  readonly rest: readonly Float64Array[];
}

/** Readies a task for a search: its states, and the least that the rest of the line costs from each of them. */
export function prepare(task: Task): Prepared {
  const machine = new Machine(task);
  const make = layerMaker(task.hand, task);
  for (let k = 0; k < task.options.length; k++) machine.add(make(k));
  const rest = roomFor(machine);
  for (let k = rest.length - 1; k >= 0; k--) fillRest(machine, rest, k);
  return { machine, rest };
}

/** A number for every state of every note, in one piece of memory. */
function roomFor({ layers }: Machine): Float64Array[] {
  const all = new Float64Array(layers.reduce((sum, { states }) => sum + states.length, 0)).fill(Infinity);
  let from = 0;
  return layers.map(({ states }) => all.subarray(from, (from += states.length)));
}

/** What no way costs less than: what the hand remembers of its way is taken to spare whatever it can. Infinite where there is no way. */
export function leastOf({ machine, rest }: Prepared): number {
  let least = machine.layers.length ? Infinity : 0;
  for (let n = 0; n < (rest[0]?.length ?? 0); n++) if (begins(machine, n)) least = Math.min(least, machine.begins(n) + rest[0]![n]!);
  return least;
}

/** Whether a line may end here. */
const ends = ({ task, layers }: Machine, k: number, n: number): boolean =>
  task.endsAt ? task.endsAt(layers[k]!.states[n]!, k) : k === layers.length - 1;
/** Whether a line may begin here. On an open string no hand has been put down yet. */
function begins({ task, layers }: Machine, n: number): boolean {
  const s = layers[0]!.states[n];
  return (s!.finger > 0 || s!.hand === FREE) && task.startsAt?.(s!) !== false;
}

/** From every state of a note: never more than any way on from there costs. Into a room of infinite costs. */
function fillRest(machine: Machine, rest: readonly Float64Array[], k: number): void {
  const here = rest[k]!;
  const last = k === rest.length - 1;
  if (last || machine.task.endsAt) for (let a = 0; a < here.length; a++) if (ends(machine, k, a)) here[a] = 0;
  if (!last) machine.leastOnward(k, rest[k + 1]!, here);
}

/** How many of the nodes that look best are followed at each note: more on long lines, where what is missed adds up. */
const FOLLOWED = { short: 2, long: 8 };
const LONG = 300;

/** The few nodes of a note that promise the least, each once, the best first. */
class Foremost {
  readonly nodes: number[] = [];
  readonly costs: number[] = [];
  private readonly wholes: number[] = [];

  constructor(private readonly most: number) {}

  /** What a whole way must cost less than, to be among them. */
  get bar(): number {
    return this.nodes.length === this.most ? this.wholes[this.most - 1]! : Infinity;
  }

  /** Takes in a node with its cost so far and what a whole way through it costs at least, if it is among the best. */
  enter(node: number, cost: number, whole: number): void {
    const { nodes, costs, wholes, most } = this;
    if (whole >= this.bar) return;
    const known = nodes.indexOf(node);
    if (known >= 0 && wholes[known]! <= whole) return;
    let at = known < 0 ? nodes.length : known;
    for (; at > 0 && wholes[at - 1]! > whole; at--) this.move(at - 1, at);
    [nodes[at], costs[at], wholes[at]] = [node, cost, whole];
    if (nodes.length <= most) return;
    nodes.pop();
    costs.pop();
    wholes.pop();
  }

  private move(from: number, to: number): void {
    this.nodes[to] = this.nodes[from]!;
    this.costs[to] = this.costs[from]!;
    this.wholes[to] = this.wholes[from]!;
  }
}

/** The best way that is found by following a few nodes at each note: a cost that the best way does not exceed; infinite where none is found. */
export function oneWay({ machine, rest }: Prepared): number {
  const { layers, task } = machine;
  if (!layers.length) return 0;
  const most = layers.length > LONG ? FOLLOWED.long : FOLLOWED.short;
  let best = Infinity;
  let here = new Foremost(most);
  for (let n = 0; n < layers[0]!.states.length; n++) {
    if (!begins(machine, n)) continue;
    const cost = machine.begins(n);
    here.enter(machine.first(n), cost, cost + rest[0]![n]!);
  }
  for (let k = 0; k < layers.length; k++) {
    const last = k + 1 === layers.length;
    if (last || task.endsAt)
      here.nodes.forEach((node, j) => {
        if (ends(machine, k, (node / machine.sizes[k]!) | 0)) best = Math.min(best, here.costs[j]!);
      });
    if (!last) here = onward(machine, rest[k + 1]!, k, here, most);
  }
  return best;
}

function onward(machine: Machine, rest: Float64Array, k: number, here: Foremost, most: number): Foremost {
  const owns = machine.owns(k + 1);
  const next = new Foremost(most);
  for (let j = 0; j < here.nodes.length; j++) {
    const least = machine.leasts(k, (here.nodes[j]! / machine.sizes[k]!) | 0);
    for (let b = 0; b < owns.length; b++) {
      // What is remembered never makes a step cheaper than the least that it may cost.
      if (!(here.costs[j]! + least[b]! + owns[b]! + rest[b]! < next.bar)) continue;
      const cost = here.costs[j]! + machine.step(k, here.nodes[j]!, b) + owns[b]!;
      if (cost < Infinity) next.enter(machine.to, cost, cost + rest[b]!);
    }
  }
  return next;
}

/** A bound that no way within it can miss: sums of the same costs in another order differ a little, more on long lines. */
const within = (bound: number): number => bound + SLIP * Math.max(1, Math.abs(bound));

/**
 * Forward, the least cost of reaching every node (Sayegh's optimum path, one layer a note), as far as it can lie on a way of no
 * more than `bound`: what a node costs so far and the least that the rest may cost are together no more. Exact, as the rest never
 * says too much. Ends before the note that no such way comes to. Yields the share of the work done, 0 to 1.
 */
export function* reachedIn({ machine, rest }: Prepared, bound: number): Generator<number, Reached[]> {
  const count = machine.layers.length;
  if (!count) return [];
  const most = within(bound);
  const reached: Reached[] = [begun(machine, most, rest[0]!)];
  for (let k = 0; k + 1 < count; k++) {
    const next = nextLayer(machine, most, rest[k + 1]!, k, reached[k]!);
    if (!next.nodes.length) return reached;
    reached.push(next);
    if (k % REPORT === REPORT - 1) yield k / count;
  }
  return reached;
}

/** Forward as above, then backward what the rest does cost, and only the passes that are on a way within the bound. */
export function* graphOf(ready: Prepared, bound: number): Generator<number, Graph> {
  const { machine } = ready;
  const graph: Graph = { machine, layers: [], bound: within(bound) };
  const search = reachedIn(ready, bound);
  let turn = search.next();
  for (; !turn.done; turn = search.next()) yield turn.value / 2;
  const reached = turn.value;
  let ahead: Ahead | null = null;
  const count = reached.length;
  for (let k = count - 1; k >= 0; k--) {
    ahead = kept(graph, k, reached[k]!, ahead);
    reached.pop();
    if (k % REPORT === 0) yield 1 - k / (2 * count);
  }
  return graph;
}

/** The nodes of a note that a line may pass, the least cost of reaching each, and the one before it on that way. */
export type Reached = Pick<GraphLayer, 'nodes' | 'costs' | 'back'>;

function begun(machine: Machine, bound: number, rest: Float64Array): Reached {
  const layer: Reached = { nodes: [], costs: [], back: [] };
  machine.layers[0]!.states.forEach((_, n) => {
    const cost = machine.begins(n);
    if (begins(machine, n) && cost + rest[n]! <= bound) enter(layer, machine.first(n), cost, -1);
  });
  return layer;
}

function enter(layer: Reached, node: number, cost: number, back: number): number {
  layer.costs.push(cost);
  layer.back.push(back);
  return layer.nodes.push(node) - 1;
}

function nextLayer(machine: Machine, bound: number, rest: Float64Array, k: number, here: Reached): Reached {
  const next: Reached = { nodes: [], costs: [], back: [] };
  const seen = new Map<number, number>();
  const owns = machine.owns(k + 1);
  const size = machine.sizes[k]!;
  here.nodes.forEach((node, j) => {
    const least = machine.leasts(k, (node / size) | 0);
    const so = here.costs[j]!;
    for (let b = 0; b < owns.length; b++) {
      const worth = owns[b]! + rest[b]!;
      if (!(so + least[b]! + worth <= bound)) continue;
      const cost = so + machine.step(k, node, b) + owns[b]!;
      if (!(cost + rest[b]! <= bound)) continue;
      const at = seen.get(machine.to);
      if (at === undefined) seen.set(machine.to, enter(next, machine.to, cost, j));
      else if (cost < next.costs[at]! - TIE) [next.costs[at], next.back[at]] = [cost, j];
    }
  });
  return next;
}

/** Of the note after: where each node that was kept stands, and what the rest costs from it. */
interface Ahead {
  /** Index of each state in `rest`. */
  readonly at: Map<number, number>;
  /** The least cost from each state to the end. */
  readonly rest: number[];
}

/** Keeps the nodes of note k that are on a way within the bound, with the passes that are; hands on what the rest costs from each. */
function kept(graph: Graph, k: number, here: Reached, ahead: Ahead | null): Ahead {
  const { machine, layers, bound } = graph;
  const layer: GraphLayer = { nodes: [], costs: [], back: [], to: [], by: [] };
  const rest: number[] = [];
  const stands: number[] = [];
  const owns = ahead ? machine.owns(k + 1) : [];
  const size = machine.sizes[k]!;
  here.nodes.forEach((node, j) => {
    const [to, by]: [number[], number[]] = [[], []];
    let least = ends(machine, k, (node / size) | 0) ? 0 : Infinity;
    for (let b = 0; ahead && b < owns.length; b++) {
      const cost = machine.step(k, node, b) + owns[b]!;
      const at = cost < Infinity ? ahead.at.get(machine.to) : undefined;
      if (at === undefined || !(here.costs[j]! + cost + ahead.rest[at]! <= bound)) continue;
      to.push(at);
      by.push(cost);
      least = Math.min(least, cost + ahead.rest[at]!);
    }
    if (!(here.costs[j]! + least <= bound)) return;
    stands[j] = layer.nodes.length;
    enter(layer, node, here.costs[j]!, here.back[j]!);
    layer.to.push(to);
    layer.by.push(by);
    rest.push(least);
  });
  if (layers[k + 1]) layers[k + 1]!.back = layers[k + 1]!.back.map((j) => stands[j]!);
  layers[k] = layer;
  return { at: new Map(layer.nodes.map((node, j) => [node, j])), rest };
}

/** Nodes of a layer that a line may end with. */
export function endsIn(machine: Machine, layers: readonly Reached[], k: number): number[] {
  const { nodes } = layers[k]!;
  const found: number[] = [];
  for (let j = 0; j < nodes.length; j++) if (ends(machine, k, (nodes[j]! / machine.sizes[k]!) | 0)) found.push(j);
  return found;
}
