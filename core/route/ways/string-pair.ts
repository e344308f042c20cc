import { samePlace } from '../../place';
import type { Place, Shape } from '../../types';
import { midiAt } from '../line';
import type { Line } from '../route';
import { checkStrings, settledLine, type Crossing, type Ways } from './way';

/** On a pair of strings from rung to rung, touching the root at each; the highest pair first, where `strings` names none. */
export function stringPairWay(c: Crossing): Ways {
  const wanted = checkStrings(c, 'strings', { min: 2, max: 2 });
  const { upward } = c.neck;
  const sorted = (pair: number[]): number[] => [...pair].sort((a, b) => upward.indexOf(a) - upward.indexOf(b));
  if (wanted) return { lines: [lineOn(c, sorted(wanted))] };
  const pairs = upward.slice(1).map((s, k) => [upward[k], s]);
  return { preferred: [lineOn(c, pairs[pairs.length - 1])], lines: pairs.slice(0, -1).map((p) => lineOn(c, p)) };
}

function lineOn(c: Crossing, pair: number[]): Line {
  const places = c.rungs.flatMap((rung, k) => {
    const up = [...cellOn(rung, pair[0]), ...cellOn(rung, pair[1])];
    return withRoot(c, rung, c.up ? up : up.reverse()).map((p) => ({ ...p, rung: k }));
  });
  return settledLine(places, c.numbers);
}

const cellOn = (rung: Shape, string: number): Place[] =>
  rung.cells.filter((cell) => cell.string === string).flatMap((cell) => cell.frets.map((fret) => ({ string, fret })));

/** Where no root lies on the pair, the rung's nearest root in pitch is touched: before the notes above it, after those below. */
function withRoot({ neck, up }: Crossing, rung: Shape, line: Place[]): Place[] {
  const isRoot = (p: Place): boolean => rung.roots.some((r) => samePlace(r, p));
  if (!line.length || !rung.roots.length || line.some(isRoot)) return line;
  const away = (r: Place): number => Math.min(...line.map((p) => Math.abs(midiAt(neck, p) - midiAt(neck, r))));
  const root = rung.roots.reduce((a, b) => (away(b) < away(a) ? b : a));
  const first = midiAt(neck, root) < midiAt(neck, line[0]) === up;
  return first ? [root, ...line] : [...line, root];
}
