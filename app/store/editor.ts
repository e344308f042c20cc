import { keysOf, isOneOf } from '../../core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { dequal } from 'dequal/lite';
import type { Kept, Problem, StudyBody } from '../../contract';

/** One edit as the difference it made: the fields before and after, and in which view. */
export interface Change {
  readonly before: Partial<StudyBody>;
  after: Partial<StudyBody>;
  readonly view: string;
}

/** The id of a loose leaf: it belongs to no study, stays in this browser, and no record of the server can have it. */
export const LOOSE = '~loose';

/**
 * Where the open study stands against the server: `offline` only where no connection came about, `refused` where the
 * server said why it does not keep it, `gone` where the study was deleted elsewhere, `loose` where it is none of the server's.
 */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'refused' | 'conflict' | 'gone' | 'loose';

/** What a window that was closed left unsaved. */
export interface Stray {
  readonly window: string;
  readonly at: number;
  readonly body: StudyBody;
}

export interface EditorState {
  readonly id: string | null;
  readonly revision: number;
  readonly body: StudyBody | null;
  /** As it stands on the server, as far as this window knows; null where it does not. */
  readonly stands: StudyBody | null;
  readonly past: Change[];
  future: Change[];
  save: SaveState;
  /** What is on its way to the server; the next save waits for its answer. */
  readonly sent: StudyBody | null;
  readonly savedAt: number | null;
  /** What the server holds instead, while the player decides. */
  readonly conflict: Kept<StudyBody> | null;
  /** Why the server refused the last save, or what is wrong with the study as it was opened. */
  readonly problems: Problem[];
  /** In words, why the last save was refused. */
  readonly reason: string;
  /** The last change, or step back or forth, counted so that two alike are both told. */
  told: {
    readonly kind: 'done' | 'undone' | 'redone' | 'taken back' | 'elsewhere';
    readonly change: Change;
    readonly count: number;
  } | null;
  readonly strays: Stray[];
}

const UNDO_LIMIT = 300;
/** Fields whose edits in a row count as one: stepping through rungs is one step to undo. */
const RUNNING: (keyof StudyBody)[] = ['rung', 'tempo', 'name', 'note', 'built'];

const initialState: EditorState = {
  id: null,
  revision: 0,
  body: null,
  stands: null,
  past: [],
  future: [],
  save: 'saved',
  sent: null,
  savedAt: null,
  conflict: null,
  problems: [],
  reason: '',
  told: null,
  strays: [],
};

/** The fields that an edit really changes, as they were and as they become; null where it changes nothing. */
export function differenceOf(body: StudyBody, edit: Partial<StudyBody>): Omit<Change, 'view'> | null {
  const keys = keysOf(edit).filter((k) => !dequal(body[k], edit[k]));
  if (!keys.length) return null;
  const pick = (from: Partial<StudyBody>): Partial<StudyBody> => Object.fromEntries(keys.map((k) => [k, from[k]]));
  return { before: pick(body), after: pick(edit) };
}

/** Whether an edit goes on with the one before it. */
function continues(last: Change | undefined, change: Change): boolean {
  const keys = keysOf(change.after);
  return !!last && keys.length === 1 && isOneOf(RUNNING, keys[0]) && dequal(Object.keys(last.after), keys);
}

function remember(state: EditorState, change: Change): void {
  const last = state.past[state.past.length - 1]!;
  if (continues(last, change)) last.after = change.after;
  else state.past.push(change);
  if (state.past.length > UNDO_LIMIT) state.past.shift();
  state.future = [];
}

/** What came from elsewhere takes the place of some fields: steps back and forth over those would undo what was done elsewhere, and go. */
function comesFromElsewhere(state: EditorState, body: StudyBody, revision: number, at: number): void {
  const change = state.body && differenceOf(state.body, body);
  if (change) tell(state, 'elsewhere', { ...change, view: '' });
  const changed = new Set(Object.keys(change?.after ?? {}));
  const own = (c: Change): boolean => !Object.keys(c.after).some((k) => changed.has(k));
  Object.assign(state, { body, revision, savedAt: at, past: state.past.filter(own), future: state.future.filter(own) });
}

const STANDING: readonly SaveState[] = ['conflict', 'gone', 'loose'];

function apply(state: EditorState, fields: Partial<StudyBody>): void {
  Object.assign(state.body as StudyBody, fields);
  if (!STANDING.includes(state.save)) state.save = 'waiting';
}

function tell(state: EditorState, kind: NonNullable<EditorState['told']>['kind'], change: Change): void {
  state.told = { kind, change, count: (state.told?.count ?? 0) + 1 };
}

/** Where the player is: said with an undo. */
const viewNow = (): string => {
  const [first = '', , inStudy = ''] = typeof location === 'undefined' ? [] : location.pathname.split('/').slice(1);
  return first === 'study' ? inStudy : first;
};
const inView = <P>(payload: P): { readonly payload: P; readonly meta: { readonly view: string } } => ({
  payload,
  meta: { view: viewNow() },
});
type InView<P> = PayloadAction<P, string, { readonly view: string }>;

/** A study as it is opened: what the server holds, or over it what this browser had not yet got through. */
export interface Opened {
  readonly kept: Kept<StudyBody>;
  readonly problems: Problem[];
  /** Unsaved here. */
  readonly draft?: StudyBody;
  readonly save?: SaveState;
  readonly conflict?: Kept<StudyBody>;
  readonly past?: Change[];
  readonly future?: Change[];
  readonly strays?: Stray[];
}

const editor = createSlice({
  name: 'editor',
  initialState,
  reducers: {
    studyOpened: (_, { payload }: PayloadAction<Opened>): EditorState => ({
      ...initialState,
      id: payload.kept.id,
      revision: payload.kept.revision,
      body: payload.draft ?? payload.kept.body,
      stands: payload.conflict || payload.save === 'loose' ? null : payload.kept.body,
      save: payload.save ?? (payload.conflict ? 'conflict' : payload.draft ? 'waiting' : 'saved'),
      conflict: payload.conflict ?? null,
      savedAt: payload.kept.updatedAt,
      problems: payload.problems,
      past: payload.past ?? [],
      future: payload.future ?? [],
      strays: payload.strays ?? [],
    }),
    studyClosed: (): EditorState => initialState,
    edited: {
      prepare: inView<Partial<StudyBody>>,
      reducer: (state, { payload, meta }: InView<Partial<StudyBody>>) => {
        const change = state.body && differenceOf(state.body, payload);
        if (!change) return;
        remember(state, { ...change, view: meta.view });
        apply(state, change.after);
        tell(state, 'done', { ...change, view: meta.view });
      },
    },
    undone: (state) => {
      const change = state.body && state.past.pop();
      if (!change) return;
      state.future.push(change);
      apply(state, change.before);
      tell(state, 'undone', change);
    },
    redone: (state) => {
      const change = state.body && state.future.pop();
      if (!change) return;
      state.past.push(change);
      apply(state, change.after);
      tell(state, 'redone', change);
    },
    /** A change that no study can hold goes, with what is wrong with it; it cannot be redone. */
    takenBack: (state, { payload }: PayloadAction<{ readonly good: StudyBody; readonly problems: Problem[] }>) => {
      const change = state.past.pop();
      state.body = payload.good;
      state.reason = payload.problems[0]?.message ?? '';
      if (change) tell(state, 'taken back', change);
    },
    saveStarted: (state, { payload }: PayloadAction<{ readonly id: string; readonly sent: StudyBody }>) => {
      if (payload.id !== state.id) return;
      if (!STANDING.includes(state.save)) state.save = 'saving';
      state.sent = payload.sent;
    },
    saveDone: (
      state,
      { payload }: PayloadAction<{ readonly id: string; readonly revision: number; readonly updatedAt: number; readonly sent: StudyBody }>,
    ) => {
      if (payload.id !== state.id) return;
      Object.assign(state, {
        sent: null,
        stands: payload.sent,
        revision: payload.revision,
        savedAt: payload.updatedAt,
        problems: [],
        reason: '',
        conflict: null,
      });
      state.save = dequal(payload.sent, state.body) ? 'saved' : 'waiting';
    },
    saveFailed: (
      state,
      {
        payload,
      }: PayloadAction<{
        readonly id: string;
        readonly save: SaveState;
        readonly reason?: string;
        readonly problems?: Problem[];
        readonly current?: Kept<StudyBody>;
      }>,
    ) => {
      if (payload.id !== state.id) return;
      state.sent = null;
      state.save = payload.save;
      state.problems = payload.problems ?? [];
      state.reason = payload.reason ?? '';
      state.conflict = payload.current ?? null;
    },
    /** Another window or device changed the open study, and nothing here waits to be saved: it is shown as it stands now. */
    followed: (state, { payload }: PayloadAction<Kept<StudyBody>>) => {
      if (payload.id !== state.id || payload.revision <= state.revision || state.save !== 'saved' || state.sent) return;
      comesFromElsewhere(state, payload.body, payload.revision, payload.updatedAt);
      state.stands = payload.body;
    },
    /** A save met a change of other fields made elsewhere: both stay, and the save is made again. */
    joined: (state, { payload }: PayloadAction<{ readonly id: string; readonly body: StudyBody; readonly current: Kept<StudyBody> }>) => {
      if (payload.id !== state.id) return;
      comesFromElsewhere(state, payload.body, payload.current.revision, payload.current.updatedAt);
      Object.assign(state, { sent: null, stands: payload.current.body, save: 'waiting' });
    },
    /** Another try is asked for by hand. */
    triedAgain: (state) => {
      if (state.save === 'refused' || state.save === 'offline') state.save = 'waiting';
    },
    conflictEnded: {
      prepare: inView<'mine' | 'theirs'>,
      reducer: (state, { payload, meta }: InView<'mine' | 'theirs'>) => {
        const { conflict } = state;
        if (!conflict || !state.body) return;
        const mine = payload === 'mine';
        const change = mine ? null : differenceOf(state.body, conflict.body);
        if (change) remember(state, { ...change, view: meta.view });
        if (!mine) state.body = conflict.body;
        Object.assign(state, {
          revision: conflict.revision,
          conflict: null,
          save: mine ? 'waiting' : 'saved',
          stands: conflict.body,
          savedAt: conflict.updatedAt,
        });
      },
    },
    strayGone: (state, { payload }: PayloadAction<string>) => {
      state.strays = state.strays.filter((s) => s.window !== payload);
    },
  },
});

export const {
  studyOpened,
  studyClosed,
  edited,
  undone,
  redone,
  takenBack,
  saveStarted,
  saveDone,
  saveFailed,
  triedAgain,
  conflictEnded,
  strayGone,
  followed,
  joined,
} = editor.actions;
export const editorReducer = editor.reducer;
