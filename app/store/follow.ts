import { fieldsOf } from '../../core';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { API, type Kept, type Problem, type ServerEvent, type StudyBody } from '../../contract';
import { api } from './api';
import { followed, LOOSE, saveFailed, type EditorState } from './editor';

/** What tells of changes: an EventSource, or a stand-in in tests. */
export interface Source {
  readonly addEventListener: {
    (kind: 'message', heard: (e: { readonly data: string }) => void): void;
    (kind: 'alive' | 'error', heard: () => void): void;
  };
  /** 2: it was refused and will not try again by itself. */
  readonly readyState: number;
  readonly close: () => void;
}

export interface World {
  readonly getState: () => { readonly editor: EditorState };
  readonly dispatch: ThunkDispatch<{ readonly editor: EditorState }, unknown, UnknownAction>;
  /** Calls back whenever the store changed. */
  readonly subscribe: (listener: () => void) => void;
  readonly open: (url: string) => Source;
  /** Whether this window is in sight and wants to follow. */
  readonly wants: () => boolean;
  /** Windows that follow, this one too. */
  readonly present: (count: number) => void;
}

/** Of an EventSource that gave up (HTML standard, 9.2); after so long another is tried, in ms. */
const CLOSED = 2;
const AGAIN_MS = 5_000;
/** The server gives a sign of life every 15 s; after so long without one the connection is dead, whatever the browser thinks, in ms. */
const DEAD_MS = 35_000;
/** Lists are asked for again at most so often, in ms. */
const LISTS_MS = 400;

/**
 * Follows the open study: what another window or device saves of it is shown here as it happens, unless something here waits to be saved; then the save meets it.
 * One connection, only while the window is in sight: a browser allows few to one server. Returns what is to be called when `wants` may answer otherwise.
 */
export function following({ getState, dispatch, subscribe, open, wants, present }: World): () => void {
  let source: { readonly of: string; readonly it: Source } | null = null;
  /** The newest revision that was told of the open study. */
  let told: { readonly id: string; readonly revision: number | null } | null = null;
  let asking = false;
  let lists: ReturnType<typeof setTimeout> | null = null;

  const catchUp = async (): Promise<void> => {
    const { id, revision, save, sent } = getState().editor;
    if (asking || !told || told.id !== id || save !== 'saved' || sent) return;
    if (told.revision !== null && told.revision <= revision) return;
    asking = true;
    const query = dispatch(api.endpoints.study.initiate(id, { forceRefetch: true }));
    const { data, error } = await query;
    query.unsubscribe();
    asking = false;
    if (data && !data.problems.length) dispatch(followed(keptOf(data)));
    else if (fieldsOf(error).status === 404 && getState().editor.id === id) dispatch(saveFailed({ id, save: 'gone' })); // prettier-ignore
    if (data && told.id === id && told.revision !== null && told.revision > data.revision) void catchUp();
  };
  const hear = (e: ServerEvent): void => {
    if (e.kind === 'present') return present(e.count);
    const { id, revision, sent } = getState().editor;
    if (e.kind === 'studies' && e.id !== null && e.id === id) {
      told = { id, revision: e.revision };
      void catchUp();
      if (sent || e.revision === revision) return; // this window's own save: its lists know
    }
    lists ??= setTimeout(() => {
      lists = null;
      dispatch(api.util.invalidateTags(['Studies', 'Instruments', 'Scales', 'Copies']));
    }, LISTS_MS);
  };
  let dead: ReturnType<typeof setTimeout> | undefined;
  const alive = (): void => {
    clearTimeout(dead);
    dead = source ? setTimeout(() => (present(0), again()), DEAD_MS) : undefined;
  };
  const again = (): void => {
    source?.it.close();
    source = null;
    look();
  };
  const look = (): void => {
    const { id } = getState().editor;
    const of = wants() ? (id === null || id === LOOSE ? '' : id) : null;
    if (of !== (source?.of ?? null)) {
      source?.it.close();
      source = null;
      clearTimeout(dead);
      told = null;
      if (of === null) return present(0);
      const it = open(`${API.events}${of ? `?study=${encodeURIComponent(of)}` : ''}`);
      it.addEventListener('error', () => {
        present(0);
        if (it.readyState === CLOSED && source?.it === it) setTimeout(() => source?.it === it && again(), AGAIN_MS);
      });
      it.addEventListener('alive', alive);
      it.addEventListener('message', ({ data }) => {
        alive();
        hear(JSON.parse(data) as ServerEvent);
      });
      source = { of, it };
      alive();
    }
    void catchUp();
  };
  subscribe(look);
  look();
  return look;
}

const keptOf = ({ id, revision, createdAt, updatedAt, body }: Kept<StudyBody> & { readonly problems: Problem[] }): Kept<StudyBody> => ({ id, revision, createdAt, updatedAt, body }); // prettier-ignore
