/** A way through layers of nodes: one node of each, and what it costs in all. */
export interface LayeredWay {
  /** The sum of its nodes and steps. */
  readonly cost: number;
  /** The node in each layer. */
  readonly nodes: number[];
}

/** The cheapest ways to one node so far: what they cost, and which node and way of the layer before they come from. */
type Ways = { readonly cost: number; readonly from: number; readonly rank: number }[];

/**
 * The `count` cheapest ways through layers, exact: `enter` is what beginning with a node of the first layer costs, `step` what going from
 * a node of layer k - 1 to one of layer k costs; Infinity where it cannot be. Ties go to the node that stands earlier in its layer.
 * Yields the layers done. Empty where no way leads through. (Optimum path over stages, with the k best kept a node.)
 */
export function* cheapestWays(
  sizes: readonly number[],
  enter: (node: number) => number,
  step: (layer: number, from: number, to: number) => number,
  count: number,
): Generator<number, LayeredWay[]> {
  const all: Ways[][] = [];
  for (let k = 0; k < sizes.length; k++) {
    const before = all[k - 1];
    const here = Array.from({ length: sizes[k]! }, (_, node): Ways => {
      if (!before) return Number.isFinite(enter(node)) ? [{ cost: enter(node), from: -1, rank: 0 }] : [];
      return bestInto(before, (from) => step(k, from, node), count);
    });
    all.push(here);
    yield k + 1;
  }
  return readBack(all, count);
}

function bestInto(before: readonly Ways[], step: (from: number) => number, count: number): Ways {
  const ways: Ways = [];
  before.forEach((list, from) => {
    if (!list.length) return;
    const by = step(from);
    if (by === Infinity) return;
    for (let rank = 0; rank < list.length; rank++) {
      const cost = list[rank]!.cost + by;
      if (ways.length === count && cost >= ways[count - 1]!.cost) break;
      let at = ways.length < count ? ways.length : count - 1;
      while (at > 0 && ways[at - 1]!.cost > cost) {
        ways[at] = ways[at - 1]!;
        at--;
      }
      ways[at] = { cost, from, rank };
    }
  });
  return ways;
}

function readBack(all: readonly Ways[][], count: number): LayeredWay[] {
  const last = all.at(-1) ?? [];
  const ends = last.flatMap((ways, node) => ways.map((w, rank) => ({ cost: w.cost, node, rank })));
  ends.sort((a, b) => a.cost - b.cost || a.node - b.node || a.rank - b.rank);
  return ends.slice(0, count).map(({ cost, node, rank }) => {
    const nodes: number[] = [];
    for (let k = all.length - 1, at = node, r = rank; k >= 0; k--) {
      nodes.unshift(at);
      const way = all[k]![at]![r]!;
      [at, r] = [way.from, way.rank];
    }
    return { cost, nodes };
  });
}
