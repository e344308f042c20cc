import { placeIndex } from '../../place';
import { fretsWithScale } from '../../neck';
import { ARRIVED, checkStrings, lineThrough, placeSet, type Crossing, type Ways } from './way';

/** Along one string from the first rung to the last; `strings` names it, otherwise every string is tried. */
export function oneStringWay(c: Crossing): Ways {
  const strings = checkStrings(c, 'strings', { min: 1, max: 1 }) ?? c.neck.upward;
  const [from, to] = [c.rungs[0], c.rungs[c.rungs.length - 1]];
  const [first, last] = [c.numbers[0], c.numbers[c.numbers.length - 1]];
  const there = placeSet(to!.notes);
  const held = placeSet(c.request.held ?? []);
  const low = Math.min(from!.lowFret, to!.lowFret);
  const high = Math.max(from!.highFret, to!.highFret);
  return {
    lines: strings.map((string) => {
      const places = fretsWithScale(c.neck, string, low, high).map((fret) => ({ string, fret }));
      const parts = [
        { places: from!.notes, rung: first!, least: 1 },
        { places, rung: -1, least: ARRIVED },
        { places: to!.notes, rung: last!, least: 1 },
      ];
      return lineThrough(c, parts, (a, _, part) =>
        part === 1 ? a.string === string : there.has(placeIndex(a)) || held.has(placeIndex(a)),
      );
    }),
  };
}
