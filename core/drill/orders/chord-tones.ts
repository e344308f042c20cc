import { fail } from '../../errors';
import { along, meet, turned, type OrderRule } from './rule';

/** Every other note from each degree in turn, upwards: 1 3 5, 2 4 6, 3 5 7. With `back` down again, with `scaleFirst` after the scale once through. */
export const chordTones: OrderRule = {
  options: ['size', 'back', 'scaleFirst', 'down'],
  play: ({ up, down, o }) => {
    const size = o.size ?? 3;
    const picks = [...Array(size).keys()].map((k) => 2 * k);
    if (up.length <= picks[size - 1]!)
      fail('BAD_OPTION', 'size', `size: a chord of ${size} spans ${picks[size - 1]! + 1} notes of the scale, and here are ${up.length}.`);
    const scale = o.scaleFirst ? meet(o.turn, up, turned(down)) : [];
    return [...scale, ...along(up, picks), ...(o.back ? along(turned(down), picks) : [])];
  },
};
