import { fail } from '../../errors';
import type { Place, Shape } from '../../types';
import type { Line } from '../route';
import { checkStrings, settledLine, type Crossing, type Ways } from './way';

/** Notes that a string of the merged line carries. */
const NOTES = 3;

/**
 * Two neighbouring rungs as one line of three notes a string on skipped strings. Over more than two rungs the pairs
 * follow each other up the strings. `strings` names the strings played.
 */
export function mergeSkipWay(c: Crossing): Ways {
  const wanted = checkStrings(c, 'strings', { min: 2, max: 12 });
  const { upward } = c.neck;
  const skips = wanted ? [upward.filter((s) => wanted.includes(s))] : [0, 1].map((from) => upward.filter((_, k) => k % 2 === from));
  const usable = skips.filter((strings) => strings.length >= 2 && strings.length >= c.rungs.length - 1);
  if (!usable.length)
    fail(
      'NO_ROUTE',
      'toRung',
      `${Math.max(...skips.map((s) => s.length))} strings can merge no more than as many pairs of rungs: choose a nearer goal.`,
    );
  const lines = usable.map((strings) => lineOn(c, strings)).filter((l) => l !== null);
  if (!lines.length) fail('NO_ROUTE', 'layout', 'These rungs do not have three notes together on each of the strings: choose others.');
  return { lines };
}

function lineOn(c: Crossing, strings: number[]): Line | null {
  const rungs = c.up ? c.rungs : [...c.rungs].reverse();
  const pairs = rungs.length - 1;
  const cells = strings.map((string, k) => {
    const pair = Math.floor((k * pairs) / strings.length);
    const tag = c.up ? pair : rungs.length - 1 - pair;
    return merged(string, rungs[pair]!, rungs[pair + 1]!).map((p) => ({ ...p, rung: tag }));
  });
  if (cells.some((cell) => cell.length < NOTES)) return null;
  const places = cells.flat();
  return settledLine(c.up ? places : places.reverse(), c.numbers);
}

/** The first three notes that two rungs have together on a string; of a mode over a pentatonic skeleton, those of the skeleton. */
function merged(string: number, a: Shape, b: Shape): Place[] {
  const notes = [...a.notes, ...b.notes].filter((n) => n.string === string && !n.added);
  return [...new Set(notes.map((n) => n.fret))]
    .sort((x, y) => x - y)
    .slice(0, NOTES)
    .map((fret) => ({ string, fret }));
}
