import type { Connection, StudyBody } from '../../contract';
import { USUAL_WEIGHTS, type Shape } from '../../core';
import { rungOf } from './study';

/** Changes that ask for another line: what was settled note by note, and which way there was shown, go with the old one. */
export const asAsked = { held: [], fingers: [], choice: 0 };

const BLANK: Omit<Connection, 'from' | 'to'> = {
  way: 'seam',
  strings: [],
  start: null,
  goal: null,
  motion: 'run',
  pitches: [],
  within: null,
  weights: { ...USUAL_WEIGHTS },
  held: [],
  fingers: [],
  picking: 'alternate',
  choice: 0,
  staff: false,
};

/** A question about the rung in hand, with what counts and the picking as the player has set them. */
export const usualQuestion = ({ connection, rung }: StudyBody): Connection => ({
  ...BLANK,
  ...(connection ? { weights: connection.weights, picking: connection.picking } : {}),
  from: rung,
  to: rung,
});

/** Until the player asks for something: from the chosen rung to the one after next, on seams. */
export function usualConnection(shapes: Shape[], current: number): Connection {
  const from = Math.max(0, Math.min(current, shapes.length - 2));
  const to = Math.min(shapes.length - 1, from + 2);
  return { ...BLANK, from: rungOf(shapes[from]!), to: rungOf(shapes[to]!) };
}

/** From one rung to the next on their seam; what counts and the picking stay as they were. */
export const seamConnection = ({ connection }: StudyBody, below: Shape, above: Shape): Connection => ({
  ...(connection ?? BLANK),
  ...asAsked,
  way: 'seam',
  from: rungOf(below),
  to: rungOf(above),
  strings: [],
  start: null,
  goal: null,
});

/** Ends, held notes and settled fingers belong to a scale on a neck: on another they go, the rest stays. */
export const loosened = (c: Connection | null): Connection | null =>
  c && { ...c, ...asAsked, start: null, goal: null, within: null, strings: [] };
