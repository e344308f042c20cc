import Graph from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import fc from 'fast-check';
import { placesOf, planRoute, type FingeringSchool, type Instrument, type Place } from '../../core';
import { naiveHand, WEIGHTS, type NaiveHold } from '../support/hand';
import { guitar } from '../support/random';

// Held against a general shortest-path library (graphology's Dijkstra) on graphs far too large to enumerate, with the
// costs of the twin in tests/support/hand.ts.

const seven: Instrument = { ...guitar(24), strings: [...guitar().strings, { open: 'B1' }] };

/** The graph of every place and hold of every note. Stopped notes only: an open string's hold depends on the one before. */
function leastByDijkstra(i: Instrument, pitches: number[], school: FingeringSchool): number {
  const hand = naiveHand(i, school, 'medium', WEIGHTS);
  const graph = new Graph({ type: 'directed' });
  const stopped = (p: number): Place[] => placesOf(i, p).filter((q) => q.fret > 0);
  const layers = pitches.map((p) => stopped(p).flatMap((q) => hand.holds(q, 0)));
  const name = (k: number, n: number): string => `${k}:${n}`;
  graph.addNode('start');
  graph.addNode('end');
  layers.forEach((layer, k) =>
    layer.forEach((h: NaiveHold, n) => {
      graph.addNode(name(k, n));
      if (k === 0) graph.addEdge('start', name(k, n), { cost: h.own });
      else
        layers[k - 1].forEach((before, j) => {
          const cost = hand.pass(before, h) + h.own;
          if (cost < Infinity) graph.addEdge(name(k - 1, j), name(k, n), { cost });
        });
      if (k === layers.length - 1) graph.addEdge(name(k, n), 'end', { cost: 0 });
    }),
  );
  const path = dijkstra.bidirectional(graph, 'start', 'end', 'cost');
  return path.slice(1).reduce((sum, node, k) => sum + (graph.getEdgeAttribute(path[k], node, 'cost') as number), 0);
}

describe('against a general shortest-path library', () => {
  it('the best route of a long line costs the same', () => {
    const school = fc.constantFrom<FingeringSchool>('finger-per-fret', 'first-and-third', 'stretch', 'no-little-finger');
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 36, max: 84 }), { minLength: 20, maxLength: 30 }), school, (pitches, by) => {
        const fretted = { fromFret: 1, toFret: 24 };
        const [best] = planRoute(seven, { tonic: 'C', scale: 'ionian' }, { pitches, school: by, within: fretted, count: 1 });
        expect(best.cost).toBeCloseTo(leastByDijkstra(seven, pitches, by), 5);
      }),
      { numRuns: 8 },
    );
  });
});
