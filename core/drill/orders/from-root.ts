import type { ShapeNote } from '../../types';
import { meet, turned, type Asked, type OrderRule } from './rule';

/** From home up to the top, down to the bottom, and back up to home; or so from every root in turn. */
export const fromRoot: OrderRule = {
  options: ['turn', 'root', 'start', 'everyRoot', 'down'],
  play: (asked) => {
    const { up, isRoot, o } = asked;
    if (!o.everyRoot) return round(asked, asked.home());
    asked.home();
    return up.flatMap((n, k) => (isRoot(n) ? round(asked, k) : []));
  },
};

function round({ up, down, o }: Asked, home: number): ShapeNote[] {
  return meet(o.turn, up.slice(home), turned(down), up.slice(0, home + 1));
}
