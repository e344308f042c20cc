import { refuseFile } from '../errors';

/** What the barlines of a measure say. */
export interface Bars {
  readonly forward: boolean;
  /** How often what ends here is played; 0 where nothing is repeated. */
  backward: number;
  /** The endings that it belongs to, by number. */
  readonly ending: ReadonlySet<number> | null;
}

/** How often a section is played at most, and measures in all once repeats are played out. */
export const MOST_TIMES = 16;
const MOST_MEASURES = 20_000;

/** How often a section is played whose repeat sign stands in measure k: as its endings count, else as the sign says. */
function passesOf(bars: readonly Bars[], start: number, k: number): number {
  const here = bars[k]!.ending;
  if (!here) return bars[k]!.backward;
  let end = k;
  while (bars[end + 1]?.ending) end++;
  const groups = new Set(bars.slice(start, end + 1).flatMap((b) => b.ending ?? []));
  const most = Math.max(...[...groups].flatMap((g) => [...g]));
  return groups.size > 1 ? most : Math.max(...here) + 1;
}

/**
 * Measures in the order they are played, by index: repeats and endings played out (so in MusicXML 4.0, the elements `repeat` and `ending`, and in ABC 2.1, section 4.8). Jumps to a sign or the
 * coda are not. Example: a first and a second ending over three bars give 0 1 0 2.
 */
export function playOrder(bars: readonly Bars[]): number[] {
  const order: number[] = [];
  let start = 0;
  let pass = 1;
  let jumped = false;
  for (let k = 0; k < bars.length;) {
    const { forward, backward, ending } = bars[k]!;
    if (!jumped && (forward || (!ending && k > 0 && bars[k - 1]!.ending))) [start, pass] = [k, 1];
    jumped = false;
    if (ending && !ending.has(pass)) {
      k++;
      continue;
    }
    order.push(k);
    if (order.length > MOST_MEASURES) refuseFile('this file has more bars than can be played out: over twenty thousand.');
    if (backward && pass < passesOf(bars, start, k)) {
      pass++;
      k = start;
      jumped = true;
      continue;
    }
    if (backward && !ending) [start, pass] = [k + 1, 1];
    k++;
  }
  return order;
}
