import { fail } from '../../errors';
import type { Place } from '../../types';
import type { Line } from '../route';
import { cellsIn, settledLine, type Crossing, type Ways } from './way';

/** Most ways to share the strings out that are tried. */
const MOST = 400;

/**
 * The lower strings of one rung, then one string back and up through the next (common practice, no published source). First as the split layout shares the
 * strings out, evenly; then every other share.
 */
export function splitWay(c: Crossing): Ways {
  const rungs = c.up ? c.rungs : [...c.rungs].reverse();
  const strings = rungs[0]!.cells.length;
  if (rungs.some((r) => r.cells.length !== strings || r.cells.some((cell, k) => cell.string !== rungs[0]!.cells[k]!.string)))
    fail('NO_ROUTE', 'layout', 'A split needs rungs that use the same strings: choose boxes, windows or notes per string.');
  const turns = rungs.length - 1;
  if (turns > strings - 2)
    fail('NO_ROUTE', 'toRung', `A split over ${strings} strings climbs ${Math.max(0, strings - 2)} rungs at most: choose a nearer goal.`);
  const even = Array.from({ length: turns }, (_, k) => Math.floor(((k + 1) * strings) / (turns + 1)));
  const line = (cuts: number[]): Line => lineOf(c, cuts);
  const others = sharings(strings, turns).filter((cuts) => cuts.join() !== even.join());
  return { preferred: [line(even)], lines: others.map(line) };
}

/** Every rising choice of the string (counted from the lowest) that ends each rung but the last. */
function sharings(strings: number, turns: number, from = 1): number[][] {
  if (turns === 0) return [[]];
  const all: number[][] = [];
  for (let cut = from; cut <= strings - 1 && all.length < MOST; cut++)
    for (const rest of sharings(strings, turns - 1, cut + 1)) all.push([cut, ...rest]);
  return all.slice(0, MOST);
}

function lineOf(c: Crossing, cuts: number[]): Line {
  const rungs = c.up ? c.rungs : [...c.rungs].reverse();
  const tag = (k: number): number => (c.up ? k : rungs.length - 1 - k);
  const places = rungs.flatMap((rung, k): (Place & { readonly rung: number })[] => {
    const first = k === 0 ? 0 : Math.max(0, cuts[k - 1]! - 1);
    const last = k < cuts.length ? cuts[k] : rung.cells.length - 1;
    return cellsIn(rung).slice(first, last! + 1).flat().map((p) => ({ ...p, rung: tag(k) })); // prettier-ignore
  });
  return settledLine(c.up ? places : places.reverse(), c.numbers);
}
