import { checkWhole } from '../errors';
import type { LayoutOf, ScaleRef } from '../types';
import { climb, pitchesFrom, scaleClasses, withFolds } from './climb';
import { scaleNotes } from '../scale';
import { checkRoot } from './diagonal';
import { NOTES_A_STRING, schoolFor } from './per-string';
import { reroot } from './reanchor';
import type { LayoutRule } from './rule';
import { byPitch, type LayoutTask, type Draft } from './shape';
import { atPlace, becameWords, notesAString, octavesWords } from './words';

/**
 * From a chosen root, the lowest note of its string, n notes a string upward and downward; numbered by the scale note
 * that the lowest string starts on (docs/decisions.md).
 */
function layAnchor(task: LayoutTask, layout: LayoutOf<'anchor'>): Draft[] {
  const { neck } = task;
  const root = checkRoot(neck, layout.root, 'layout.root');
  const notes = checkWhole('BAD_LAYOUT', 'layout.notes', layout.notes, 1, 6);
  const classes = scaleClasses(neck);
  const below = neck.upward.indexOf(root.string) * notes;
  const lowest = pitchesFrom(classes, neck.open[root.string]! + root.fret, below + 1, -1)[below]!;
  const places = climb(neck, classes, lowest, neck.upward, neck.upward.map(() => notes)).flat(); // prettier-ignore
  const number = classes.indexOf(lowest % 12) + 1;
  return withFolds(neck, places).map((p) => ({ number, label: `shape ${number}`, places: byPitch(neck, p) }));
}

/** Two notes a string suit a scale of five notes, three any other. */
const suiting = (scale: ScaleRef): number => (scaleNotes(scale).length <= 5 ? 2 : 3);

/** Shapes grown from an anchor root, a hand's span up or down the neck. */
export const grown: LayoutRule<'anchor'> = {
  fields: { root: { is: 'root', label: 'Root place' }, notes: NOTES_A_STRING },
  lay: layAnchor,
  school: (l) => schoolFor(l.notes),
  reanchor: reroot,
  says: (l) => `${notesAString(l.notes)}, grown from ${atPlace(l.root)}`,
  why: (_, { shape, shapes }) =>
    `Filled up and down from the root you chose, which is the lowest note of its string.${becameWords(shape)} ${octavesWords(shapes, shape)}`,
  offers: ({ root, scale }) => [
    { layout: { kind: 'anchor', root, notes: suiting(scale) }, detail: 'builds up from one root, string by string' },
  ],
  grows: true,
  renamed: true,
};
