import { endsIn, TIE, type Graph } from './graph';
import { FREE } from './model';

/** What a way still costs from each node of the notes that its next stay may be at: note, node, cost. */
type Ahead = Map<number, Map<number, number>>;

/** All ways whose last stays are these: the first of them, what is ahead of it, and the stays after it. */
interface Stays {
  /** Fret under the index finger. */
  readonly hand: number;
  /** What may follow, with its least cost. */
  readonly ahead: Ahead;
  /** The stay that follows. */
  readonly after: Stays | null;
  /** The least cost of a way with these stays. */
  readonly cost: number;
  /** No stay comes before this one. */
  readonly whole: boolean;
}

/**
 * The cheapest way of each succession of hand places (repeats dropped), cheapest first, as nodes of the graph by note: at most
 * `count`. Families of ways with the same last stays are split by the stay before them, as in search: exact within the graph.
 */
export function* bySuccession(graph: Graph, count: number): Generator<number[]> {
  const list = endStays(graph);
  for (let found = 0; found < count;) {
    list.sort((a, b) => a.cost - b.cost);
    const first = list.shift();
    if (!first || first.cost === Infinity) return;
    if (first.whole) {
      found++;
      yield follow(graph, first);
    } else list.push(wholeOf(graph, first), ...before(graph, first));
  }
}

const handOf = ({ machine, layers }: Graph, k: number, j: number): number => machine.stateOf(k, layers[k]!.nodes[j]!).hand;

/** Ways of one last stay each. */
function endStays(graph: Graph): Stays[] {
  const hands = new Map<number, Ahead>();
  for (let k = graph.layers.length - 1; k >= 0; k--) {
    for (const j of endsIn(graph.machine, graph.layers, k)) at(aheadOf(hands, handOf(graph, k, j)), k).set(j, 0);
    if (k > 0) for (const [hand, ahead] of hands) staying(graph, hand, ahead, k);
  }
  return [...hands].map(([hand, ahead]) => stays(graph, hand, ahead, null));
}

/** Ways with one more stay before the first of these. */
function before(graph: Graph, s: Stays): Stays[] {
  const hands = new Map<number, Ahead>();
  let [last, first] = [0, Infinity];
  for (const k of s.ahead.keys()) [last, first] = [Math.max(last, k), Math.min(first, k)];
  for (let k = last; k > 0; k--) {
    const ahead = s.ahead.get(k);
    if (ahead) leaving(graph, s.hand, ahead, hands, k);
    for (const [hand, there] of hands) staying(graph, hand, there, k);
    // Below the stay itself, and below every stay before it, nothing is left to do.
    if (k <= first && [...hands.values()].every((there) => !there.has(k - 1))) break;
  }
  return [...hands].map(([hand, ahead]) => stays(graph, hand, ahead, s));
}

/** From notes before k whose hand is elsewhere, on into the stay. */
function leaving(graph: Graph, hand: number, ahead: Map<number, number>, hands: Map<number, Ahead>, k: number): void {
  const { nodes, to, by, costs } = graph.layers[k - 1]!;
  for (let j = 0; j < nodes.length; j++) {
    const from = handOf(graph, k - 1, j);
    if (from === hand || from === FREE) continue;
    let best = Infinity;
    for (let e = 0; e < to[j]!.length; e++) best = Math.min(best, by[j]![e]! + (ahead.get(to[j]![e]!) ?? Infinity));
    if (costs[j]! + best <= graph.bound) keep(aheadOf(hands, from), k - 1, j, best);
  }
}

/** From notes before k on within the same stay; a hand that has not come down yet comes down into it. */
function staying(graph: Graph, hand: number, ahead: Ahead, k: number): void {
  const there = ahead.get(k);
  if (!there) return;
  const { nodes, to, by, costs } = graph.layers[k - 1]!;
  for (let j = 0; j < nodes.length; j++) {
    const from = handOf(graph, k - 1, j);
    if (from !== hand && from !== FREE) continue;
    let best = Infinity;
    for (let e = 0; e < to[j]!.length; e++) best = Math.min(best, by[j]![e]! + (there.get(to[j]![e]!) ?? Infinity));
    if (costs[j]! + best <= graph.bound) keep(ahead, k - 1, j, best);
  }
}

const aheadOf = (hands: Map<number, Ahead>, hand: number): Ahead => {
  const known = hands.get(hand);
  if (known) return known;
  const made: Ahead = new Map();
  hands.set(hand, made);
  return made;
};
const at = (ahead: Ahead, k: number): Map<number, number> => {
  const known = ahead.get(k);
  if (known) return known;
  const made = new Map<number, number>();
  ahead.set(k, made);
  return made;
};
function keep(ahead: Ahead, k: number, j: number, cost: number): void {
  const nodes = at(ahead, k);
  nodes.set(j, Math.min(cost, nodes.get(j) ?? Infinity));
}

function stays(graph: Graph, hand: number, ahead: Ahead, after: Stays | null): Stays {
  let cost = Infinity;
  for (const [k, nodes] of ahead) for (const [j, rest] of nodes) cost = Math.min(cost, graph.layers[k]!.costs[j]! + rest);
  return { hand, ahead, after, cost, whole: false };
}

/** The ways that begin with the first of these stays. */
function wholeOf(graph: Graph, s: Stays): Stays {
  let cost = Infinity;
  for (const [j, rest] of s.ahead.get(0) ?? []) cost = Math.min(cost, graph.layers[0]!.costs[j]! + rest);
  return { ...s, cost, whole: true };
}

/** The cheapest way of exactly these stays, from its first note on. */
function follow(graph: Graph, s: Stays): number[] {
  let node = -1;
  let least = Infinity;
  for (const [j, rest] of s.ahead.get(0) ?? [])
    if (graph.layers[0]!.costs[j]! + rest < least - TIE) [node, least] = [j, graph.layers[0]!.costs[j]! + rest];
  const way = [node];
  for (let stay: Stays | null = s, k = 0; ; k++) {
    const rest = stay.ahead.get(k)?.get(node) ?? Infinity;
    const { to, by } = graph.layers[k]!;
    const on = next(stay, to[node]!, by[node]!, k + 1, rest);
    if (!on) return way;
    [stay, node] = on;
    way.push(node);
  }
}

/** The next node of the cheapest way, in this stay or in the one after it; null where the way ends here. */
function next(s: Stays, to: number[], by: number[], k: number, rest: number): [Stays, number] | null {
  for (const stay of [s, s.after])
    for (let e = 0; stay && e < to.length; e++) {
      const ahead = stay.ahead.get(k)?.get(to[e]!);
      if (ahead !== undefined && Math.abs(by[e]! + ahead - rest) < 1e-6) return [stay, to[e]!];
    }
  return null;
}
