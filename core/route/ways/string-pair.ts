import type { Place, Shape } from '../../types';
import type { Line } from '../route';
import { checkStrings, settledLine, type Crossing, type Ways } from './way';

/** On a pair of strings from rung to rung, and on no other string; the highest pair first, where `strings` names none. */
export function stringPairWay(c: Crossing): Ways {
  const wanted = checkStrings(c, 'strings', { min: 2, max: 2 });
  const { upward } = c.neck;
  const sorted = (pair: number[]): number[] => [...pair].sort((a, b) => upward.indexOf(a) - upward.indexOf(b));
  if (wanted) return { lines: [lineOn(c, sorted(wanted))] };
  const pairs = upward.slice(1).map((s, k) => [upward[k]!, s]);
  return { preferred: [lineOn(c, pairs[pairs.length - 1]!)], lines: pairs.slice(0, -1).map((p) => lineOn(c, p)) };
}

function lineOn(c: Crossing, pair: number[]): Line {
  const places = c.rungs.flatMap((rung, k) => {
    const up = [...cellOn(rung, pair[0]!), ...cellOn(rung, pair[1]!)];
    return (c.up ? up : up.reverse()).map((p) => ({ ...p, rung: k }));
  });
  return settledLine(places, c.numbers);
}

const cellOn = (rung: Shape, string: number): Place[] =>
  rung.cells.filter((cell) => cell.string === string).flatMap((cell) => cell.frets.map((fret) => ({ string, fret })));
