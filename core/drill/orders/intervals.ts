import { fail } from '../../errors';
import { along, turned, type OrderRule } from './rule';

/** n1 n(v), n2 n(v+1), and so on to the top; with `back`, the same downwards from the top. */
export const intervals: OrderRule = {
  options: ['interval', 'back', 'down'],
  play: ({ up, down, o }) => {
    const interval = o.interval ?? 3;
    const picks = [0, interval - 1];
    if (up.length < interval) fail('BAD_OPTION', 'interval', `interval: it spans ${interval} notes of the scale, and here are ${up.length}.`); // prettier-ignore
    return [...along(up, picks), ...(o.back ? along(turned(down), picks) : [])];
  },
};
