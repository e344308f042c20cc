import { placeIndex } from '../../place';
import { ARRIVED, lineThrough, placeSet, type Crossing, type Ways } from './way';

/** One leap of the hand straight from the first rung to the last, past all that lies between: the line goes on there. */
export function regionWay(c: Crossing): Ways {
  const [from, to] = [c.rungs[0], c.rungs[c.rungs.length - 1]];
  const [here, there] = [placeSet(from!.notes), placeSet(to!.notes)];
  const parts = [
    { places: from!.notes, rung: c.numbers[0]!, least: ARRIVED },
    { places: to!.notes, rung: c.numbers[c.numbers.length - 1]!, least: ARRIVED },
  ];
  return { lines: [lineThrough(c, parts, (a, b) => a.hand !== b.hand && !there.has(placeIndex(a)) && !here.has(placeIndex(b)))] };
}
