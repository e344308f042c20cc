import type { ScaledNeck } from '../neck';
import { countWord } from '../words';
import { midiOn, plainPlace } from '../place';
import type { LayoutOf, Place } from '../types';
import { onNeck } from './climb';
import { checkRoot } from './diagonal';
import { reroot } from './reanchor';
import type { LayoutRule } from './rule';
import { byPitch, type LayoutTask, type Draft } from './shape';
import { atPlace } from './words';

const OCTAVE = 12;
/** How far a hand with its index on a root reaches: one fret back, and four on with the little finger. */
const BACK = 1;
const ON = 4;

/**
 * Octave frames: from a root to the octaves that the hand finds from there, up and down the neck, and at each of them the
 * scale from that root to its octave, as far as it lies under the hand whose index is on the root. Numbered by octave, the
 * lowest first (common practice, no published source; which place counts is in docs/decisions.md).
 */
function layOctaves({ neck }: LayoutTask, layout: LayoutOf<'octaves'>): Draft[] {
  const root = checkRoot(neck, layout.root, 'layout.root');
  const chain = [...octavesFrom(neck, root, -1).reverse(), plainPlace(root), ...octavesFrom(neck, root, 1)];
  return chain.map((at, k) => ({
    number: k + 1,
    label: `octave ${k + 1}`,
    places: byPitch(neck, frameAt(neck, at)),
  }));
}

/** The octaves of a root one after another, as the hand finds them, in one direction. */
function octavesFrom(neck: ScaledNeck, root: Place, by: 1 | -1): Place[] {
  const next = octaveOf(neck, root, by);
  return next ? [next, ...octavesFrom(neck, next, by)] : [];
}

/** The place an octave up or down that one hand holds together with this one: the fewest frets away, then the nearer string. */
function octaveOf(neck: ScaledNeck, root: Place, by: 1 | -1): Place | undefined {
  const midi = midiOn(neck.open, root) + by * OCTAVE;
  const found = neck.upward
    .map((string) => ({ string, fret: midi - neck.open[string]! }))
    .filter((p) => p.string !== root.string && onNeck(neck, p.fret) && (by > 0 ? underHand(root, p) : underHand(p, root)));
  const far = (p: Place): number => Math.abs(p.fret - root.fret) * 100 + Math.abs(p.string - root.string);
  return found.sort((a, b) => far(a) - far(b))[0];
}

/** Whether a place is within reach of the hand whose index is on a root. */
const underHand = (root: Place, p: Place): boolean => p.fret >= root.fret - BACK && p.fret <= root.fret + ON;

/** Every scale note from a root to its octave that lies under the hand, each once: where the hand need not reach, on the lower string. */
function frameAt(neck: ScaledNeck, root: Place): Place[] {
  const base = midiOn(neck.open, root);
  const reach = (p: Place): number => Math.max(0, root.fret - p.fret, p.fret - (root.fret + 3));
  return [...neck.tones.map((t) => base + t.semitones), base + OCTAVE].flatMap((midi) => {
    const here = neck.upward
      .map((string) => ({ string, fret: midi - neck.open[string]! }))
      .filter((p) => onNeck(neck, p.fret) && (midi === base ? p.string === root.string : underHand(root, p)));
    return here.sort((a, b) => reach(a) - reach(b)).slice(0, 1);
  });
}

/** Octave frames: from each root to its next ones. */
export const octaveFrames: LayoutRule<'octaves'> = {
  fields: { root: { is: 'root', label: 'Root place' } },
  lay: layOctaves,
  school: () => 'finger-per-fret',
  reanchor: reroot,
  says: (l) => `octave frames from ${atPlace(l.root)}`,
  why: (_, { shape, shapes }) =>
    `The root's octaves as the hand finds them, ${countWord(shapes.length)} over the neck; round each the scale up to the next, as far as it lies under the hand whose first finger is on the root. The root here: ${shape.roots.map(atPlace).join(' and ')}.`,
  offers: ({ root }) => [{ layout: { kind: 'octaves', root }, detail: 'octaves of one root, all over the neck' }],
};
