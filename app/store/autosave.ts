import { keysOf } from '../../core';
import { createListenerMiddleware, isAnyOf, type ThunkDispatch, type UnknownAction } from '@reduxjs/toolkit';
import { API, problemsOf, studySchema, type Problem, type StudyBody } from '../../contract';
import { dequal } from 'dequal/lite';
import { api } from './api';
import {
  conflictEnded,
  edited,
  followed,
  joined,
  redone,
  saveDone,
  saveFailed,
  saveStarted,
  strayGone,
  studyOpened,
  takenBack,
  triedAgain,
  undone,
  type EditorState,
  type SaveState,
} from './editor';
import { keepOpen, windowName, type OpenRecord } from './local';
import { merged } from './merge';
import { failureOf } from '../words/save-text';

/** After the frame that shows an edit it is kept in the browser; leaving the page keeps it at once. Milliseconds. */
const DRAFT_MS = 40;
/** Rest after the last edit before it is sent, and before another try by itself. A refused save waits for the player. */
const REST_MS: Partial<Record<SaveState, number>> = { waiting: 300, offline: 2500, gone: 5000 };
/** Steps back that are kept in the browser. */
const KEPT_STEPS = 60;

interface State {
  readonly editor: EditorState;
}
type Dispatch = ThunkDispatch<State, unknown, UnknownAction>;

export const autosave = createListenerMiddleware();
const listen = autosave.startListening.withTypes<State, Dispatch>();

/** The last body of the open study that was found to hold. */
let good: StudyBody | null = null;

/** What is wrong with the fields that changed since the last good body. Licks are judged with their neck. */
export function problemsSince(before: StudyBody | null, body: StudyBody): Problem[] {
  if (!before) return problemsOf(studySchema, body);
  const keys = keysOf(body).filter((k) => body[k] !== before[k]);
  if (!keys.length) return [];
  if (keys.includes('licks') && !keys.includes('instrument')) keys.push('instrument');
  if (keys.includes('instrument') && !keys.includes('licks')) keys.push('licks');
  return problemsOf(() => studySchema().pick(keys), Object.fromEntries(keys.map((k) => [k, body[k]])));
}

/** Keeps every edit in the browser at once, whatever stands with the server, and on the server shortly after; one save at a time. */
listen({
  matcher: isAnyOf(
    edited,
    undone,
    redone,
    conflictEnded,
    studyOpened,
    saveDone,
    saveFailed,
    triedAgain,
    strayGone,
    takenBack,
    followed,
    joined,
  ),
  effect: async (action, listener) => {
    listener.cancelActiveListeners();
    if (studyOpened.match(action)) good = action.payload.problems.length ? null : (action.payload.draft ?? action.payload.kept.body);
    if (followed.match(action) || joined.match(action)) good = action.payload.body;
    await listener.delay(DRAFT_MS);
    const { id, body, problems } = listener.getState().editor;
    if (!id || !body) return;
    const broken = good && body !== good ? problemsSince(good, body) : [];
    if (good && broken.length) return void listener.dispatch(takenBack({ good, problems: broken }));
    if (good || !problems.length) good = body;
    await keepEditor(listener.getState().editor);
    const rest = REST_MS[listener.getState().editor.save];
    if (rest === undefined) return;
    await listener.delay(rest);
    const now = listener.getState().editor;
    if (now.sent || now.id !== id) return;
    await send(() => listener.getState(), listener.dispatch);
  },
});

/** The open study as it is kept in the browser. */
async function keepEditor({ id, revision, body, save, sent, savedAt, past, future }: EditorState): Promise<void> {
  if (!id || !body) return;
  const record: OpenRecord = {
    id,
    window: await windowName(),
    revision,
    body,
    unsaved: save !== 'saved',
    sent,
    past: past.slice(-KEPT_STEPS),
    future: future.slice(-KEPT_STEPS),
    savedAt,
    at: Date.now(),
  };
  return keepOpen(record);
}

let underway: Promise<void> = Promise.resolve();

function send(getState: () => State, dispatch: Dispatch): Promise<void> {
  underway = sendNow(getState, dispatch);
  return underway;
}

async function sendNow(getState: () => State, dispatch: Dispatch): Promise<void> {
  const { id, revision, body } = getState().editor;
  if (!id || !body) return;
  dispatch(saveStarted({ id, sent: body }));
  await keepEditor(getState().editor);
  const { data, error } = await dispatch(api.endpoints.saveStudy.initiate({ id, revision, body }));
  if (data) return void dispatch(saveDone({ ...data, id, sent: body }));
  const failure = failureOf(error);
  const arrived = failure.current && [{ id, body }, ...unanswered].find((u) => u.id === id && dequal(u.body, failure.current?.body));
  if (failure.current && arrived) {
    // What stands there is this window's own save, whose answer was lost: the rest goes on from it.
    const { revision: stands, updatedAt } = failure.current;
    return void dispatch(saveDone({ id, revision: stands, updatedAt, sent: arrived.body }));
  }
  const now = getState().editor;
  const both =
    failure.current && failure.current.revision > revision && now.id === id && now.body
      ? merged(now.stands, now.body, failure.current.body)
      : null;
  if (failure.current && both) return void dispatch(joined({ id, body: both, current: failure.current }));
  if (failure.save === 'offline') unanswered = [{ id, body }, ...unanswered].slice(0, MOST_UNANSWERED);
  dispatch(saveFailed({ id, ...failure }));
}

/** Saves that got no answer; each may have arrived all the same. */
let unanswered: { readonly id: string; readonly body: StudyBody }[] = [];
const MOST_UNANSWERED = 5;

/** Sends what the open study still holds and waits for the answer; for going to another study. */
export async function flush(getState: () => State, dispatch: Dispatch): Promise<void> {
  await underway;
  const { editor } = getState();
  await keepEditor(editor);
  if (editor.save === 'waiting' && !editor.sent) await send(getState, dispatch);
}

/** A last try when the page goes away; what is kept in the browser stands in for it if that fails. */
export function saveOnLeaving(getState: () => State): void {
  const { editor } = getState();
  const { id, revision, body, save, sent } = editor;
  if (!id || !body || save === 'saved') return;
  const alone = save === 'waiting' && !sent;
  void keepEditor(alone ? { ...editor, sent: body } : editor);
  if (!alone) return;
  void fetch(`${API.studies}/${encodeURIComponent(id)}`, {
    method: 'PUT',
    keepalive: true,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ revision, body }),
  }).catch(() => undefined);
}
