import { meet, turned, type OrderRule } from './rule';

/** n1 … nk. */
export const up: OrderRule = { options: [], play: ({ up: notes }) => [...notes] };

/** nk … n1. */
export const down: OrderRule = { options: [], play: ({ down: notes }) => turned(notes) };

/** n1 … nk … n1. */
export const upDown: OrderRule = {
  options: ['turn', 'down'],
  play: ({ up: a, down: b, o }) => meet(o.turn, a, turned(b)),
};

/** nk … n1 … nk. */
export const downUp: OrderRule = {
  options: ['turn', 'down'],
  play: ({ up: a, down: b, o }) => meet(o.turn, turned(b), a),
};
