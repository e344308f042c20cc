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

/** The open study kept as new as it was told to be, unless something here waits to be saved; then the save meets what is newer. */
class OpenStudy {
  /** The newest revision that was told of it. */
  private told: { readonly id: string; readonly revision: number | null } | null = null;
  private asking = false;

  constructor(private readonly world: Pick<World, 'getState' | 'dispatch'>) {}

  tell(id: string, revision: number | null): void {
    this.told = { id, revision };
    void this.catchUp();
  }

  /** Another connection begins, which tells anew. */
  forget(): void {
    this.told = null;
  }

  async catchUp(): Promise<void> {
    const { getState, dispatch } = this.world;
    const { id, revision, save, sent } = getState().editor;
    if (this.asking || !this.told || this.told.id !== id || save !== 'saved' || sent) return;
    if (this.told.revision !== null && this.told.revision <= revision) return;
    this.asking = true;
    const query = dispatch(api.endpoints.study.initiate(id, { forceRefetch: true }));
    const { data, error } = await query;
    query.unsubscribe();
    this.asking = false;
    if (data && !data.problems.length) dispatch(followed(keptOf(data)));
    else if (fieldsOf(error).status === 404 && getState().editor.id === id) dispatch(saveFailed({ id, save: 'gone' })); // prettier-ignore
    if (data && this.isBehind(id, data.revision)) void this.catchUp();
  }

  private isBehind(id: string, revision: number): boolean {
    const { told } = this;
    return told !== null && told.id === id && told.revision !== null && told.revision > revision;
  }
}

/** The stream of events that tells of changes, one connection at a time; it says when another is wanted. */
class EventStream {
  private source: { readonly of: string; readonly it: Source } | null = null;
  private dead: ReturnType<typeof setTimeout> | undefined;

  /** `hear` is told each event, `lost` that nothing is heard for now, `again` that another stream is wanted. */
  constructor(
    private readonly open: (url: string) => Source,
    private readonly hear: (e: ServerEvent) => void,
    private readonly lost: () => void,
    private readonly again: () => void,
  ) {}

  /** The study it is open for, '' for none; null where it is not open. */
  get of(): string | null {
    return this.source?.of ?? null;
  }

  begin(of: string): void {
    const it = this.open(`${API.events}${of ? `?study=${encodeURIComponent(of)}` : ''}`);
    it.addEventListener('error', () => {
      this.lost();
      if (it.readyState === CLOSED && this.source?.it === it) setTimeout(() => this.source?.it === it && this.again(), AGAIN_MS);
    });
    it.addEventListener('alive', () => this.lives());
    it.addEventListener('message', ({ data }) => {
      this.lives();
      this.hear(JSON.parse(data) as ServerEvent);
    });
    this.source = { of, it };
    this.lives();
  }

  end(): void {
    this.source?.it.close();
    this.source = null;
    clearTimeout(this.dead);
  }

  private lives(): void {
    clearTimeout(this.dead);
    this.dead = this.source ? setTimeout(() => (this.lost(), this.again()), DEAD_MS) : undefined;
  }
}

/**
 * Follows the open study: what another window or device saves of it is shown here as it happens.
 * One connection, only while the window is in sight: a browser allows few to one server. Returns what is to be called when `wants` may answer otherwise.
 */
export function following({ getState, dispatch, subscribe, open, wants, present }: World): () => void {
  const study = new OpenStudy({ getState, dispatch });
  let lists: ReturnType<typeof setTimeout> | null = null;

  const hear = (e: ServerEvent): void => {
    if (e.kind === 'present') return present(e.count);
    const { id, revision, sent } = getState().editor;
    if (e.kind === 'studies' && e.id !== null && e.id === id) {
      study.tell(id, e.revision);
      if (sent || e.revision === revision) return; // this window's own save: its lists know
    }
    lists ??= setTimeout(() => {
      lists = null;
      dispatch(api.util.invalidateTags(['Studies', 'Instruments', 'Scales', 'Copies']));
    }, LISTS_MS);
  };
  const again = (): void => {
    stream.end();
    look();
  };
  const stream = new EventStream(open, hear, () => present(0), again);
  const look = (): void => {
    const { id } = getState().editor;
    const of = wants() ? (id === null || id === LOOSE ? '' : id) : null;
    if (of !== stream.of) {
      stream.end();
      study.forget();
      if (of === null) return present(0);
      stream.begin(of);
    }
    void study.catchUp();
  };
  subscribe(look);
  look();
  return look;
}

const keptOf = ({ id, revision, createdAt, updatedAt, body }: Kept<StudyBody> & { readonly problems: Problem[] }): Kept<StudyBody> => ({ id, revision, createdAt, updatedAt, body }); // prettier-ignore
