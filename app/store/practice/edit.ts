import { MOST_DRILLS, PLAIN_CLIMB, PLAIN_DRILL, type Drill, type DrillForm, type Practice, type StudyBody } from '../../../contract';
import type { Climb } from '../../../core';
import { newId } from '../licks';

type Edit = Partial<StudyBody>;

/** What Practise is asked: what was asked last, or what everybody begins with. */
export const practiceOf = (body: Pick<StudyBody, 'practice'>): Practice => body.practice ?? { form: PLAIN_DRILL, climb: PLAIN_CLIMB };

/** Fields of what is drilled, as a change to the study. */
export const withForm = (body: StudyBody, make: (form: DrillForm) => Partial<DrillForm>): Edit => {
  const now = practiceOf(body);
  return { practice: { ...now, form: { ...now.form, ...make(now.form) } } };
};

/** Another ladder; a goal below the start goes up to it. */
export const withClimb = (body: StudyBody, fields: Partial<Climb>): Edit => {
  const now = practiceOf(body);
  const climb = { ...now.climb, ...fields };
  const low = fields.goal !== undefined ? Math.min(climb.start, climb.goal) : climb.start;
  return { practice: { ...now, climb: { ...climb, start: low, goal: Math.max(low, climb.goal) } } };
};

export const withDrill = (form: DrillForm, climb: Climb): Edit => ({ practice: { form, climb } });

/** What is drilled now under a name, in the study; null where it has no room. */
export function keepDrill(body: StudyBody, name: string): Edit | null {
  const trimmed = name.trim().slice(0, 80).trim();
  if (!trimmed || body.drills.length >= MOST_DRILLS) return null;
  const { form, climb } = practiceOf(body);
  const drill: Drill = { id: newId(), name: trimmed, form, climb };
  return { drills: [...body.drills, drill] };
}
export const dropDrill = (body: StudyBody, id: string): Edit => ({ drills: body.drills.filter((d) => d.id !== id) });
