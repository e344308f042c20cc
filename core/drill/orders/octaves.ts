import { fail } from '../../errors';
import type { ShapeNote } from '../../types';
import { turned, type OrderRule } from './rule';

/** From each root to the next one, both included, the lowest octave first; then down the same. */
export const octaves: OrderRule = {
  options: ['root', 'down'],
  play: ({ up, down, isRoot }) => {
    const climb = octavesOf(up, isRoot);
    if (!climb.length) fail('BAD_OPTION', 'order', 'order: this shape has no two roots with an octave between them. Choose another order, or a wider shape.'); // prettier-ignore
    return [...climb.flat(), ...turned(octavesOf(down, isRoot)).flatMap((run) => turned(run))];
  },
};

/** Runs from root to root; a root that lies on two strings ends none before it. */
function octavesOf(notes: readonly ShapeNote[], isRoot: (n: ShapeNote) => boolean): ShapeNote[][] {
  const roots = notes.flatMap((n, k) => (isRoot(n) && !(k > 0 && notes[k - 1]!.midi === n.midi) ? [k] : []));
  return roots.slice(1).map((to, k) => notes.slice(roots[k], to + 1));
}
