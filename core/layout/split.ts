import type { LayoutOf } from '../types';
import { countWord } from '../words';
import { NOTES_A_STRING, schoolFor, tiersOf, type Tier } from './per-string';
import type { LayoutRule } from './rule';
import type { LayoutTask, Draft } from './shape';
import { notesAString } from './words';

/**
 * The lower strings of one n-per-string shape, then one string back and up through the next shape: a run that
 * climbs without leaving known shapes (docs/decisions.md). The notes keep the order of the run.
 */
function laySplit(task: LayoutTask, layout: LayoutOf<'split'>): Draft[] {
  const turn = lowerOf(task.neck.upward.length);
  const count = task.neck.tones.length;
  const tiers = tiersOf(task.neck, layout.notes ?? USUAL);
  return tiers.flatMap((lower) => {
    const upper = nextTier(tiers, lower, count);
    if (!upper) return [];
    const places = [...lower.cells.slice(0, turn), ...upper.cells.slice(Math.max(0, turn - 2))].flat();
    return [{ number: lower.index + 1, label: `shapes ${lower.index + 1} and ${upper.index + 1}`, places }];
  });
}

/** The tier that starts on the next scale note, at the next fret up. */
const nextTier = (tiers: Tier[], lower: Tier, count: number): Tier | undefined =>
  tiers.find((t) => t.index === (lower.index + 1) % count && t.cells[0]![0]!.fret > lower.cells[0]![0]!.fret);

const USUAL = 3;
/** How many strings the lower shape keeps. */
const lowerOf = (strings: number): number => Math.floor(strings / 2) + 1;

/** The scale split between two strings, the hand shifting along them. */
export const splits: LayoutRule<'split'> = {
  fields: { notes: { ...NOTES_A_STRING, usual: USUAL } },
  lay: laySplit,
  school: (l) => schoolFor(l.notes ?? USUAL),
  says: (l) => `split runs, ${notesAString(l.notes ?? USUAL)}`,
  why: (l, { instrument }) =>
    `The lower ${countWord(lowerOf(instrument.strings.length))} strings of one shape, ${countWord(l.notes ?? USUAL)} notes each, then one string back and up through the next shape.`,
  offers: () => [{ layout: { kind: 'split', notes: USUAL }, detail: 'half of one shape, half of the next' }],
  known: [{ kind: 'split' }],
};
