import { type Pass, type StudyBody } from '../../../contract';
import { LOOSE } from '../editor';
import { newId } from '../licks';
import { now } from './clock';
import { dayOf } from '../../../contract';
import type { Drilled } from './drilled';
import type { Outcome } from './run';

/** What of a pass is known before it is played. */
export type About = Pick<Pass, 'study' | 'studyName' | 'shape' | 'what' | 'order' | 'rhythm' | 'goal'>;

const MOST = { name: 120, what: 160, shape: 64 };

export const aboutOf = (id: string | null, body: StudyBody, drill: Drilled, what: string, goal: number): About => ({
  study: id === null || id === LOOSE ? null : id,
  studyName: body.name.slice(0, MOST.name).trim() || 'Loose leaf',
  shape: drill.key.slice(0, MOST.shape),
  what: what.slice(0, MOST.what).trim(),
  order: drill.form.order,
  rhythm: drill.form.rhythm,
  goal,
});

/** A pass that ended now, with an id of its own. */
export function passOf(about: About, outcome: Outcome): Pass {
  const at = now();
  return { id: newId(), at, day: dayOf(at), ...about, ...outcome };
}
