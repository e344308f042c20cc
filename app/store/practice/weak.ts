import { PLAIN_DRILL, type StudyBody } from '../../../contract';
import type { Instrument, LickNote } from '../../../core';
import { addLick, freshLick, sameNeck } from '../licks';
import { practiceOf } from './edit';

const LONGEST_NAME = 120;

/** The weak spots of a line as a lick of the study, drilled as it is written; null where the study has no room. The ladder stays. One of the same name is written anew. */
export function drillWeakSpots(body: StudyBody, on: Instrument, notes: LickNote[], name: string): Partial<StudyBody> | null {
  const title = name.slice(0, LONGEST_NAME).trim();
  const instrument = sameNeck(on, body.instrument) ? null : on;
  const known = body.licks.find((l) => l.name === title);
  const lick = { ...(known ?? freshLick(body, title)), instrument, notes };
  const edit = known ? { licks: body.licks.map((l) => (l === known ? lick : l)), lick: lick.id } : addLick(body, lick);
  if (!edit) return null;
  const { climb, form } = practiceOf(body);
  // What is said and what sounds under it stay; how it is ordered is the lick's.
  const { words, hidden, under, root } = form;
  return { ...edit, practice: { climb, form: { ...PLAIN_DRILL, words, hidden, under, root, of: 'lick', line: lick.id, order: 'up' } } };
}
