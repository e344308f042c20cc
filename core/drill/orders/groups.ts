import { fail } from '../../errors';
import { along, turned, type OrderRule } from './rule';

/** n1 … ng, n2 … ng+1, and so on to the top; then the same downwards. */
export const groups: OrderRule = {
  options: ['group', 'down'],
  play: ({ up, down, o }) => {
    const size = o.group ?? 4;
    if (up.length < size || down.length < size)
      fail('BAD_OPTION', 'group', `group: groups of ${size} need as many notes, and here are ${Math.min(up.length, down.length)}.`);
    const picks = [...Array(size).keys()];
    return [...along(up, picks), ...along(turned(down), picks)];
  },
};
