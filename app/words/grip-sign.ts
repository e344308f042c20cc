import { samePlace, type Instrument, type Place } from '../../core';

/** A place pressed on the neck: one a string; the same place again lifts it. */
export const pressed = (grip: readonly Place[], at: Place): Place[] => {
  const others = grip.filter((p) => p.string !== at.string);
  return grip.some((p) => samePlace(p, at)) ? others : [...others, at].sort((a, b) => b.string - a.string);
};

/** A grip as it is written: thickest string first, x where none sounds; with dashes where a fret has two digits. */
export function gripText(i: Instrument, grip: readonly Place[]): string {
  const signs = i.strings.map((_, k) => grip.find((p) => p.string === i.strings.length - k)?.fret ?? 'x');
  return signs.join(signs.some((s) => typeof s === 'number' && s > 9) ? '-' : '');
}
