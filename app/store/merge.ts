import { dequal } from 'dequal/lite';
import { problemsOf, studySchema, type StudyBody } from '../../contract';

type Key = keyof StudyBody;

/** The fields in which two states of a study differ. */
export const fieldsApart = (a: StudyBody, b: StudyBody): ReadonlySet<Key> =>
  new Set(([...new Set([...Object.keys(a), ...Object.keys(b)])] as Key[]).filter((k) => a[k] !== b[k] && !dequal(a[k], b[k])));

/**
 * Two changes of one study as one, where they touch different fields and what comes of it is a sound study; else null, and the player decides.
 * Example: here the tempo was changed, elsewhere the rung: both stay.
 */
export function merged(base: StudyBody | null, mine: StudyBody, theirs: StudyBody): StudyBody | null {
  if (!base) return null;
  const here = fieldsApart(base, mine);
  const there = fieldsApart(base, theirs);
  if ([...here].some((k) => there.has(k))) return null;
  const body = { ...theirs, ...Object.fromEntries([...here].map((k) => [k, mine[k]])) };
  return problemsOf(studySchema, body).length ? null : body;
}
