import Graph from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { pitchName, placesOf, planRoute, type Instrument } from '../core';
import { naiveHand, WEIGHTS } from '../tests/support/hand';
import { ms, percentile, printTable } from './table';

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
    at = Math.max(1, Math.min(scale.length - 1, at + [-3, -2, -1, -1, 1, 1, 2, 3][(seed >> 16) % 8]));
    return scale[at];
  });
}

function time(rounds: number, work: () => void): number[] {
  work();
  return Array.from({ length: rounds }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
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

/** The same graph in a general library: built, and searched. Stopped notes only. */
function withLibrary(i: Instrument, pitches: number[]): { build: number; search: number; cost: number } {
  const began = performance.now();
  const hand = naiveHand(i, 'finger-per-fret', 'medium', WEIGHTS);
  const graph = new Graph({ type: 'directed' });
  graph.addNode('start');
  graph.addNode('end');
  const layers = pitches.map((p) => placesOf(i, p).filter((q) => q.fret > 0).flatMap((q) => hand.holds(q, 0))); // prettier-ignore
  layers.forEach((layer, k) =>
    layer.forEach((h, n) => {
      graph.addNode(`${k}:${n}`);
      if (k === 0) graph.addEdge('start', `0:${n}`, { cost: h.own });
      else
        layers[k - 1].forEach((b, j) => {
          const cost = hand.pass(b, h) + h.own;
          if (cost < Infinity) graph.addEdge(`${k - 1}:${j}`, `${k}:${n}`, { cost });
        });
      if (k === layers.length - 1) graph.addEdge(`${k}:${n}`, 'end', { cost: 0 });
    }),
  );
  const built = performance.now();
  const path = dijkstra.bidirectional(graph, 'start', 'end', 'cost');
  const done = performance.now();
  const cost = path.slice(1).reduce((sum, node, k) => sum + (graph.getEdgeAttribute(path[k], node, 'cost') as number), 0);
  return { build: built - began, search: done - built, cost };
}

const against = [50, 200].map((n) => {
  const i = instrument(7);
  const pitches = walk(i, n);
  const ours = (): number =>
    planRoute(i, SCALE, { pitches, school: 'finger-per-fret', count: 1, within: { fromFret: 1, toFret: 24 } })[0].cost;
  const own = percentile(time(10, ours), 0.5);
  const theirs = withLibrary(i, pitches);
  const same = Math.abs(ours() - theirs.cost) < 1e-6 ? 'same cost' : 'DIFFERENT';
  return [n, ms(own), ms(theirs.build), ms(theirs.search), `${(theirs.search / own).toFixed(1)} ×`, same];
});
printTable(
  'One best route against graphology’s Dijkstra on the same graph (ours includes building it)',
  ['notes', 'ours ms', 'library build ms', 'library search ms', 'search alone, ratio', ''],
  against,
);
