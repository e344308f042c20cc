import { checkWhole, fail } from '../../errors';
import { drawer } from '../../random';
import type { ShapeNote } from '../../types';
import type { Asked, OrderRule } from './rule';

/** How many times as often a degree comes that is leaned on. */
const LEAN = 4;
/** Notes that a drill by chance may have at most. */
export const MOST_RANDOM = 10_000;

/** Jumps about, never to the pitch it stands on; the same seed plays the same notes. */
export const random: OrderRule = {
  options: ['seed', 'count', 'lean'],
  play: ({ up, isRoot, o }) => {
    const count = checkWhole('BAD_OPTION', 'count', o.count ?? 2 * up.length, 1, MOST_RANDOM);
    const next = drawer(checkWhole('BAD_OPTION', 'seed', o.seed ?? 1, 0, 2 ** 32 - 1));
    const line: ShapeNote[] = [];
    for (let k = 0; k < count; k++) {
      const last = k === count - 1 && !!o.endOnRoot;
      // The note before a last root is none, or there would be nowhere to go.
      const before = k === count - 2 && !!o.endOnRoot;
      line.push(draw(next, candidates(up, line.at(-1), { isRoot, last, before }), o.lean));
    }
    return line;
  },
};

interface Want {
  /** Whether a note is a root. */
  readonly isRoot: Asked['isRoot'];
  /** Whether it is the last note, of a line that ends on a root. */
  readonly last: boolean;
  /** Whether it is the note before such a last one. */
  readonly before: boolean;
}

function candidates(notes: readonly ShapeNote[], at: ShapeNote | undefined, { isRoot, last, before }: Want): ShapeNote[] {
  const others = notes.filter((n) => n.midi !== at?.midi);
  const roots = notes.filter(isRoot);
  const lone = before && roots.every((r) => r.midi === roots[0]!.midi);
  const fit = last ? others.filter(isRoot) : lone ? others.filter((n) => !isRoot(n)) : others;
  if (!fit.length) fail('BAD_OPTION', 'order', 'order: there are too few notes here to jump about without playing one twice in a row.');
  return fit;
}

function draw(next: () => number, notes: readonly ShapeNote[], lean: readonly string[] = []): ShapeNote {
  const weight = (n: ShapeNote): number => (lean.includes(n.degree) ? LEAN : 1);
  let left = next() * notes.reduce((sum, n) => sum + weight(n), 0);
  return notes.find((n) => (left -= weight(n)) < 0) ?? notes[notes.length - 1]!;
}
