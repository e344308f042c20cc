import { createListenerMiddleware, isAnyOf, type ThunkDispatch, type UnknownAction } from '@reduxjs/toolkit';
import { API, type ConflictAnswer, type StudyBody } from '../../contract';
import { api } from './api';
import { draftOf, dropDraft, keepDraft } from './drafts';
import { conflictEnded, edited, redone, saveDone, saveFailed, saveStarted, studyOpened, undone, type EditorState } from './editor';

/** Rest after the last edit before it is sent, and before another try when the server is away. Milliseconds. */
const DRAFT_MS = 40; // after the frame that shows the edit; leaving the page keeps it at once
const REST_MS = 300;
const RETRY_MS = 2500;

interface State {
  editor: EditorState;
}

export const autosave = createListenerMiddleware();
const listen = autosave.startListening.withTypes<State, ThunkDispatch<State, unknown, UnknownAction>>();

/** Keeps every edit in the browser at once and on the server shortly after; one save at a time. */
listen({
  matcher: isAnyOf(edited, undone, redone, conflictEnded, studyOpened, saveDone, saveFailed),
  effect: async (_, listener) => {
    const { id, revision, body, save } = listener.getState().editor;
    if (!id || !body || (save !== 'waiting' && save !== 'offline')) return;
    listener.cancelActiveListeners();
    await listener.delay(DRAFT_MS);
    keepDraft(id, { revision, body });
    await listener.delay(save === 'offline' ? RETRY_MS : REST_MS);
    const now = listener.getState().editor;
    if (now.sending || now.id !== id) return;
    await send(() => listener.getState(), listener.dispatch);
  },
});

type Dispatch = ThunkDispatch<State, unknown, UnknownAction>;

async function send(getState: () => State, dispatch: Dispatch): Promise<void> {
  const { id, revision, body } = getState().editor;
  if (!id || !body) return;
  dispatch(saveStarted());
  const result = await dispatch(api.endpoints.saveStudy.initiate({ id, revision, body }));
  if (result.data) {
    dispatch(saveDone({ kept: result.data, sent: body }));
    dropDraftIfSaved(id, body);
  } else dispatch(saveFailed(failureOf(result.error)));
}

const dropDraftIfSaved = (id: string, body: StudyBody): void => {
  if (JSON.stringify(draftOf(id)?.body) === JSON.stringify(body)) dropDraft(id);
};

type Failure = Parameters<typeof saveFailed>[0];

/** What a refused or lost save means for the player. */
export function failureOf(error: unknown): Failure {
  const { status, data } = error as { status?: number | string; data?: Partial<ConflictAnswer<StudyBody>> };
  if (status === 409 && data?.current) return { save: 'conflict', current: data.current };
  if (status === 404) return { save: 'gone' };
  if (status === 422) return { save: 'refused', problems: data?.error?.problems };
  return { save: 'offline' };
}

/** A last try when the page goes away; the draft in the browser stands in for it if that fails. */
export function saveOnLeaving(getState: () => State): void {
  const { id, revision, body, save } = getState().editor;
  if (!id || !body || (save !== 'waiting' && save !== 'offline')) return;
  keepDraft(id, { revision, body });
  void fetch(`${API.studies}/${id}`, {
    method: 'PUT',
    keepalive: true,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ revision, body }),
  }).catch(() => undefined);
}
