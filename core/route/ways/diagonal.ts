import { placeIndex, samePlace } from '../../place';
import { layOut } from '../../layout';
import type { Place, Shape } from '../../types';
import { ARRIVED, lineThrough, placeSet, type Crossing, type Ways } from './way';

/** Notes of the diagonal that are played at least: a set of two and one of three. */
const CLIMB = 5;

/** Along a diagonal of alternating sets, grown from a root of the lower rung; the rungs are left and entered on notes that it shares. */
export function diagonalWay(c: Crossing): Ways {
  const [from, to] = [c.rungs[0], c.rungs[c.rungs.length - 1]];
  const [first, last] = [c.numbers[0], c.numbers[c.numbers.length - 1]];
  const there = placeSet(to!.notes);
  const held = placeSet(c.request.held ?? []);
  return {
    lines: rootsOf(c, c.up ? from! : to!).map((root) => {
      const places = climbFrom(c, root).notes;
      const onClimb = placeSet(places);
      const end = placeIndex(places[c.up ? places.length - 1 : 0]!);
      const parts = [
        { places: from!.notes, rung: first!, least: 1 },
        { places, rung: -1, least: CLIMB },
        { places: to!.notes, rung: last!, least: ARRIVED },
      ];
      return lineThrough(c, parts, (a, _, part) => {
        const key = placeIndex(a);
        return held.has(key) || (part === 1 ? onClimb.has(key) : there.has(key) || key === end);
      });
    }),
  };
}

/** The roots that a diagonal may grow from: of the lower rung, or the one root that the player named there. */
function rootsOf({ request: { start, goal }, up }: Crossing, lower: Shape): Place[] {
  const named = lower.roots.filter((r) => samePlace(r, up ? start : goal));
  return named.length ? named : lower.roots;
}

const climbFrom = ({ instrument, ref }: Crossing, root: Place): Shape => {
  const shapes = layOut(instrument, ref, { kind: 'diagonal', root });
  return shapes.find((s) => s.notes.some((n) => samePlace(n, root))) ?? shapes[0]!;
};
