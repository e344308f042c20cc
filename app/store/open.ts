import type { Kept, Problem, StudyBody } from '../../contract';
import { store } from './index';
import { api } from './api';
import { saveOnLeaving } from './autosave';
import { draftOf, dropDraft, rememberLast } from './drafts';
import { studyClosed, studyOpened } from './editor';

/** Opens a study: what the server holds, and over it what this browser had not yet got through. */
export async function openStudy(id: string): Promise<'open' | 'missing' | 'offline'> {
  saveOnLeaving(() => store.getState());
  const query = store.dispatch(api.endpoints.study.initiate(id, { forceRefetch: true }));
  const { data, error } = await query;
  query.unsubscribe();
  if (!data) {
    store.dispatch(studyClosed());
    return (error as { status?: unknown }).status === 404 ? 'missing' : 'offline';
  }
  const { problems, ...kept } = data;
  store.dispatch(studyOpened({ kept, problems, ...unsaved(kept, problems) }));
  rememberLast(id);
  return 'open';
}

/** A draft from the revision that stands is an edit still to be saved; from an older one it is a conflict to be settled. */
function unsaved(kept: Kept<StudyBody>, problems: Problem[]): { draft?: StudyBody; conflict?: Kept<StudyBody> } {
  const draft = draftOf(kept.id);
  if (!draft || problems.length || JSON.stringify(draft.body) === JSON.stringify(kept.body)) {
    dropDraft(kept.id);
    return {};
  }
  return { draft: draft.body, ...(draft.revision === kept.revision ? {} : { conflict: kept }) };
}
