import { meet, turned, type OrderRule } from './rule';

/** Home before every other note: up through all of them, and down again; home alone where there is no other. */
export const rootBetween: OrderRule = {
  options: ['turn', 'root', 'start', 'down'],
  play: ({ up, down, home, o }) => {
    const root = up[home()];
    const others = (notes: typeof up) => notes.filter((n) => n.string !== root!.string || n.fret !== root!.fret);
    const line = meet(o.turn, others(up), turned(others(down))).flatMap((n) => [root!, n]);
    return line.length ? line : [root!];
  },
};
