import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Kept, Problem, StudyBody } from '../../contract';

/** One edit as the difference it made: the fields before and after. */
interface Change {
  before: Partial<StudyBody>;
  after: Partial<StudyBody>;
}

/** Where the open study stands against the server. */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'refused' | 'conflict' | 'gone';

export interface EditorState {
  id: string | null;
  revision: number;
  body: StudyBody | null;
  past: Change[];
  future: Change[];
  save: SaveState;
  /** A save is on its way; the next waits for its answer. */
  sending: boolean;
  savedAt: number | null;
  /** What the server holds instead, while the player decides. */
  conflict: Kept<StudyBody> | null;
  /** Why the server refused the last save, or what is wrong with the study as it was opened. */
  problems: Problem[];
}

const UNDO_LIMIT = 300;
/** Fields whose edits in a row count as one: stepping through rungs is one step to undo. */
const RUNNING: (keyof StudyBody)[] = ['rung', 'tempo', 'name', 'note', 'built'];

const initialState: EditorState = {
  id: null,
  revision: 0,
  body: null,
  past: [],
  future: [],
  save: 'saved',
  sending: false,
  savedAt: null,
  conflict: null,
  problems: [],
};

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The fields that an edit really changes, as they were and as they become; null where it changes nothing. */
export function differenceOf(body: StudyBody, edit: Partial<StudyBody>): Change | null {
  const keys = (Object.keys(edit) as (keyof StudyBody)[]).filter((k) => !same(body[k], edit[k]));
  if (!keys.length) return null;
  const pick = (from: Partial<StudyBody>): Partial<StudyBody> => Object.fromEntries(keys.map((k) => [k, from[k]]));
  return { before: pick(body), after: pick(edit) };
}

/** Whether an edit goes on with the one before it. */
function continues(last: Change | undefined, change: Change): boolean {
  const keys = Object.keys(change.after);
  return !!last && keys.length === 1 && RUNNING.includes(keys[0] as keyof StudyBody) && same(Object.keys(last.after), keys);
}

function remember(state: EditorState, change: Change): void {
  const last = state.past[state.past.length - 1];
  if (continues(last, change)) last.after = change.after;
  else state.past.push(change);
  if (state.past.length > UNDO_LIMIT) state.past.shift();
  state.future = [];
}

function apply(state: EditorState, fields: Partial<StudyBody>): void {
  Object.assign(state.body as StudyBody, fields);
  if (state.save !== 'conflict' && state.save !== 'gone') state.save = 'waiting';
}

const editor = createSlice({
  name: 'editor',
  initialState,
  reducers: {
    studyOpened: (
      _,
      { payload }: PayloadAction<{ kept: Kept<StudyBody>; problems: Problem[]; draft?: StudyBody; conflict?: Kept<StudyBody> }>,
    ): EditorState => ({
      ...initialState,
      id: payload.kept.id,
      revision: payload.kept.revision,
      body: payload.draft ?? payload.kept.body,
      save: payload.conflict ? 'conflict' : payload.draft ? 'waiting' : 'saved',
      conflict: payload.conflict ?? null,
      savedAt: payload.kept.updatedAt,
      problems: payload.problems,
    }),
    studyClosed: (): EditorState => initialState,
    edited: (state, { payload }: PayloadAction<Partial<StudyBody>>) => {
      const change = state.body && differenceOf(state.body, payload);
      if (!change) return;
      remember(state, change);
      apply(state, change.after);
    },
    undone: (state) => {
      const change = state.body && state.past.pop();
      if (!change) return;
      state.future.push(change);
      apply(state, change.before);
    },
    redone: (state) => {
      const change = state.body && state.future.pop();
      if (!change) return;
      state.past.push(change);
      apply(state, change.after);
    },
    saveStarted: (state) => {
      state.save = 'saving';
      state.sending = true;
    },
    saveDone: (state, { payload }: PayloadAction<{ kept: Kept<StudyBody>; sent: StudyBody }>) => {
      if (payload.kept.id !== state.id) return;
      state.sending = false;
      state.revision = payload.kept.revision;
      state.savedAt = payload.kept.updatedAt;
      state.problems = [];
      state.save = same(payload.sent, state.body) ? 'saved' : 'waiting';
    },
    saveFailed: (state, { payload }: PayloadAction<{ save: SaveState; problems?: Problem[]; current?: Kept<StudyBody> }>) => {
      state.sending = false;
      state.save = payload.save;
      state.problems = payload.problems ?? [];
      state.conflict = payload.current ?? null;
    },
    conflictEnded: (state, { payload }: PayloadAction<'mine' | 'theirs'>) => {
      const { conflict } = state;
      if (!conflict || !state.body) return;
      const mine = payload === 'mine';
      const change = mine ? null : differenceOf(state.body, conflict.body);
      if (change) remember(state, change);
      if (!mine) state.body = conflict.body;
      Object.assign(state, { revision: conflict.revision, conflict: null, save: mine ? 'waiting' : 'saved', savedAt: conflict.updatedAt });
    },
  },
});

export const { studyOpened, studyClosed, edited, undone, redone, saveStarted, saveDone, saveFailed, conflictEnded } = editor.actions;
export const editorReducer = editor.reducer;
