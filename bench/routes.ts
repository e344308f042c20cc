import Graph from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { pitchName, placesOf, planRoute, type Instrument } from '../core';
import { Machine } from '../core/fingering/automaton';
import { layerMaker } from '../core/fingering/lattice';
import { scaledNeck } from '../core/neck';
import { routeTask, weightsOf } from '../core/route/costs';
import { fieldOf, optionsFor } from '../core/route/line';
import { asGraph, naiveHand, WEIGHTS } from '../tests/support/hand';
import { ms, percentile, printTable, time } from './table';

const OPEN = [35, 40, 45, 50, 55, 59, 64];
const instrument = (strings: number, frets = 24): Instrument => ({
  name: 'bench',
  strings: [...OPEN.slice(7 - strings)].reverse().map((m) => ({ open: pitchName(m) })),
  frets,
  scaleLengthMm: 648,
});
const SCALE = { tonic: 'F#', scale: 'dorian' };
const CLASSES = new Set([6, 8, 9, 11, 1, 3, 4]);

/** A walk of small steps through the scale, the same in every run. */
function walk(i: Instrument, length: number): number[] {
  const lowest = Math.min(...i.strings.map((s) => OPEN.find((m) => pitchName(m) === s.open) ?? 99));
  const scale = Array.from({ length: 64 + 24 - lowest + 1 }, (_, k) => lowest + k).filter((m) => CLASSES.has(m % 12));
  let [at, seed] = [10, 7];
  return Array.from({ length }, () => {
    seed = (seed * 1103515245 + 12345) % 2 ** 31;
    at = Math.max(1, Math.min(scale.length - 1, at + [-3, -2, -1, -1, 1, 1, 2, 3][(seed >> 16) % 8]!));
    return scale[at]!;
  });
}

const plan = (i: Instrument, pitches: number[], count: number) => planRoute(i, SCALE, { pitches, school: 'finger-per-fret', count });

function row(strings: number, length: number, count: number, rounds: number): (string | number)[] {
  const i = instrument(strings);
  const pitches = walk(i, length);
  const times = time(rounds, () => plan(i, pitches, count));
  return [length, strings, count, ms(percentile(times, 0.5)), ms(percentile(times, 0.95))];
}

const HEAD = ['notes', 'strings', 'k', 'p50 ms', 'p95 ms'];
printTable('Best routes, 24 frets: growth with length', HEAD, [50, 100, 200, 400, 800].map((n) => row(7, n, 5, 15))); // prettier-ignore
printTable('Growth with strings', HEAD, [4, 5, 6, 7].map((s) => row(s, 200, 5, 15))); // prettier-ignore
printTable('Growth with k', HEAD, [1, 2, 5, 10, 20, 50].map((k) => row(7, 200, k, 10))); // prettier-ignore

const long = walk(instrument(7), 10_000);
globalThis.gc?.();
const before = process.memoryUsage().heapUsed;
const start = performance.now();
const kept = plan(instrument(7), long, 5);
const took = performance.now() - start;
printTable(
  'Ten thousand notes, seven strings, k = 5',
  ['ms', 'heap after, MB more', 'routes'],
  [[Math.round(took), Math.round((process.memoryUsage().heapUsed - before) / 1e6), kept.length]],
);

/** The same nodes and passes as a flat list for each note, and the plainest dynamic programme over them. */
function plainly(i: Instrument, pitches: number[]): { build: number; search: number; cost: number } {
  const began = performance.now();
  const costs = routeTask(i, 'finger-per-fret', undefined, weightsOf());
  const neck = scaledNeck(i, SCALE);
  const task = { ...costs, options: optionsFor(fieldOf(neck, {}), pitches) };
  const machine = new Machine(task);
  const make = layerMaker(costs.hand, task);
  const layers: { from: Int32Array; to: Int32Array; cost: Float64Array; nodes: number }[] = [];
  let live: number[] = [];
  pitches.forEach((_, k) => {
    machine.add(make(k));
    const owns = machine.owns(k);
    const [from, to, cost]: number[][] = [[], [], []];
    const pass = (a: number, b: number, c: number): void => {
      from!.push(a);
      to!.push(b);
      cost!.push(c);
    };
    if (k === 0) owns.forEach((_, n) => pass(0, machine.first(n), machine.begins(n)));
    else
      for (const node of live)
        for (let b = 0; b < owns.length; b++) {
          const step = machine.step(k - 1, node, b);
          if (step < Infinity) pass(node, machine.to, step + owns[b]!);
        }
    live = [...new Set(to)];
    layers.push({ from: Int32Array.from(from!), to: Int32Array.from(to!), cost: Float64Array.from(cost!), nodes: machine.nodes(k) });
  });
  const built = performance.now();
  let known = new Float64Array(1);
  for (const { from, to, cost, nodes } of layers) {
    const next = new Float64Array(nodes).fill(Infinity);
    for (let e = 0; e < from.length; e++) {
      const c = known[from[e]!]! + cost[e]!;
      if (c < next[to[e]!]!) next[to[e]!] = c;
    }
    known = next;
  }
  return { build: built - began, search: performance.now() - built, cost: Math.min(...known) };
}

const plain = [200, 1000].map((n) => {
  const i = instrument(6, 22);
  const pitches = walk(i, n).map((p) => Math.min(p, 86));
  const ours = percentile(time(10, () => plan(i, pitches, 1)), 0.5); // prettier-ignore
  const five = percentile(time(5, () => plan(i, pitches, 5)), 0.5); // prettier-ignore
  const theirs = Array.from({ length: 5 }, () => plainly(i, pitches));
  const whole = percentile(theirs.map((t) => t.build + t.search), 0.5); // prettier-ignore
  const same = Math.abs(plan(i, pitches, 1)[0]!.cost - theirs[0]!.cost) < 1e-6 ? 'same cost' : 'DIFFERENT';
  return [n, ms(ours), ms(five), ms(whole), ms(percentile(theirs.map((t) => t.search), 0.5)), `${(ours / whole).toFixed(1)} ×`, same]; // prettier-ignore
});
printTable(
  'Six strings, 22 frets, against a plain typed-array dynamic programme over the same states',
  ['notes', 'ours, k = 1, ms', 'ours, k = 5, ms', 'plain, tables included, ms', 'plain, search alone, ms', 'ours to plain', ''],
  plain,
);

/** The same graph in a general library: built, and searched. Stopped notes only, on four strings: the graph is large. */
function withLibrary(i: Instrument, pitches: number[]): { build: number; search: number; cost: number } {
  const began = performance.now();
  const stopped = pitches.map((p) => placesOf(i, p).filter((q) => q.fret > 0));
  const { nodes, edges } = asGraph(naiveHand(i, 'finger-per-fret', 'medium', WEIGHTS), stopped);
  const graph = new Graph({ type: 'directed' });
  ['start', ...nodes.flat(), 'end'].forEach((node) => graph.addNode(node));
  const least = edges.reduce((low, [, , cost]) => Math.min(low, cost), 0);
  for (const [from, to, cost] of edges) graph.addEdge(from, to, { cost: cost - least });
  const built = performance.now();
  const path = dijkstra.bidirectional(graph, 'start', 'end', 'cost');
  const done = performance.now();
  const cost = path.slice(1).reduce((sum, node, k) => sum + (graph.getEdgeAttribute(path[k], node, 'cost') as number) + least, 0);
  return { build: built - began, search: done - built, cost };
}

const against = [20, 50].map((n) => {
  const i = instrument(4, 14);
  const pitches = walk(i, n).map((p) => Math.min(p, 69));
  const ours = (): number =>
    planRoute(i, SCALE, { pitches, school: 'finger-per-fret', count: 1, within: { fromFret: 1, toFret: 14 } })[0]!.cost;
  const own = percentile(time(10, ours), 0.5);
  const theirs = withLibrary(i, pitches);
  const same = Math.abs(ours() - theirs.cost) < 1e-6 ? 'same cost' : 'DIFFERENT';
  return [n, ms(own), ms(theirs.build), ms(theirs.search), `${(theirs.search / own).toFixed(1)} ×`, same];
});
printTable(
  'One best route on four strings against graphology’s Dijkstra on the same graph (ours includes building it)',
  ['notes', 'ours ms', 'library build ms', 'library search ms', 'search alone, ratio', ''],
  against,
);
