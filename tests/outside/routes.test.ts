import Graph from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import fc from 'fast-check';
import { placesOf, planRoute, type FingeringSchool, type Instrument } from '../../core';
import { asGraph, naiveHand, WEIGHTS } from '../support/hand';
import { guitar } from '../support/random';

// Held against a general shortest-path library (graphology's Dijkstra) on graphs far too large to enumerate, with the
// costs of the twin in tests/support/hand.ts.

const four: Instrument = { ...guitar(14), strings: guitar().strings.slice(0, 4) };

/** The graph of every place and hold of every note. Stopped notes only: an open string's hold depends on the one before. */
function leastByDijkstra(i: Instrument, pitches: number[], school: FingeringSchool): number {
  const { nodes, edges } = asGraph(naiveHand(i, school, 'medium', WEIGHTS), pitches.map((p) => placesOf(i, p))); // prettier-ignore
  const graph = new Graph({ type: 'directed' });
  ['start', ...nodes.flat(), 'end'].forEach((node) => graph.addNode(node));
  // The library takes no costs below nothing: a finger that slides on saves what a slide costs.
  const least = Math.min(0, ...edges.map(([, , cost]) => cost));
  for (const [from, to, cost] of edges) graph.addEdge(from, to, { cost: cost - least });
  const path = dijkstra.bidirectional(graph, 'start', 'end', 'cost');
  return path.slice(1).reduce((sum, node, k) => sum + (graph.getEdgeAttribute(path[k], node, 'cost') as number) + least, 0);
}

describe('against a general shortest-path library', () => {
  it('the best route of a long line costs the same', () => {
    const school = fc.constantFrom<FingeringSchool>('finger-per-fret', 'first-and-third', 'stretch', 'no-little-finger');
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 52, max: 76 }), { minLength: 12, maxLength: 20 }), school, (pitches, by) => {
        const fretted = { fromFret: 1, toFret: 14 };
        const [best] = planRoute(four, { tonic: 'C', scale: 'ionian' }, { pitches, school: by, within: fretted, count: 1 });
        expect(best!.cost).toBeCloseTo(leastByDijkstra(four, pitches, by), 5);
      }),
      { numRuns: 8 },
    );
  });
});
