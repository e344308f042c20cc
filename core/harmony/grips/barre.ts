import type { Place } from '../../types';
import type { Grip } from './types';

/** The finger that lies over most strings, the lower one of two alike: its number, and the first and last place it stops. */
export function flattest(
  places: readonly Place[],
  fingers: readonly number[],
): { readonly finger: number; readonly first: number; readonly last: number } | null {
  let best: { readonly finger: number; readonly first: number; readonly last: number } | null = null;
  let most = 1;
  for (let first = 0; first < fingers.length; first++) {
    const finger = fingers[first]!;
    const last = fingers.lastIndexOf(finger);
    if (finger === 0 || last === first || fingers.indexOf(finger) !== first) continue;
    const over = places[first]!.string - places[last]!.string + 1;
    if (over > most || (over === most && best !== null && finger < best.finger)) {
      best = { finger, first, last };
      most = over;
    }
  }
  return best;
}

/** A barre of one finger over adjacent strings, with the places that it presses. */
export const barreFrom = (
  places: readonly Place[],
  { finger, first, last }: { readonly finger: number; readonly first: number; readonly last: number },
) => {
  const from = places[first]!.string;
  return { finger, fret: places[first]!.fret, strings: Array.from({ length: from - places[last]!.string + 1 }, (_, k) => from - k) };
};

/** The barre of a grip by its places and fingers, if it has one. */
export function barreOf(places: readonly Place[], fingers: readonly number[]): Grip['barre'] {
  const found = flattest(places, fingers);
  return found ? barreFrom(places, found) : undefined;
}
