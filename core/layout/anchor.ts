import { checkWhole } from '../errors';
import type { LayoutOf } from '../types';
import { climb, pitchesFrom, scaleClasses, withFolds } from './climb';
import { checkRoot } from './diagonal';
import { byPitch, type Bench, type Draft } from './shape';

/**
 * From a chosen root, the lowest note of its string, n notes a string upward and downward; numbered by the scale note
 * that the lowest string starts on (docs/decisions.md).
 */
export function layAnchor(bench: Bench, layout: LayoutOf<'anchor'>): Draft[] {
  const { neck } = bench;
  const root = checkRoot(neck, layout.root, 'layout.root');
  const notes = checkWhole('BAD_LAYOUT', 'layout.notes', layout.notes, 1, 6);
  const classes = scaleClasses(neck);
  const below = neck.upward.indexOf(root.string) * notes;
  const lowest = pitchesFrom(classes, neck.open[root.string] + root.fret, below + 1, -1)[below];
  const places = climb(neck, classes, lowest, neck.upward, neck.upward.map(() => notes)).flat(); // prettier-ignore
  const number = classes.indexOf(lowest % 12) + 1;
  return withFolds(neck, places).map((p) => ({ number, label: `shape ${number}`, places: byPitch(neck, p) }));
}
