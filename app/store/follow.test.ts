import { jest } from '@jest/globals';
import { configureStore } from '@reduxjs/toolkit';
import type { Kept, ServerEvent, StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { api } from './api';
import { autosave } from './autosave';
import { edited, editorReducer, followed, joined, studyOpened, undone } from './editor';
import { following, type Source } from './follow';

const body = JSON.parse(JSON.stringify(DEMO.studies[0]!.body)) as StudyBody;
const kept = (revision: number, change: Partial<StudyBody> = {}): Kept<StudyBody> => ({ id: 'a', revision, createdAt: 1, updatedAt: revision, body: { ...body, ...change } }); // prettier-ignore
const realFetch = globalThis.fetch;
const RealRequest = globalThis.Request;
afterEach(() => {
  globalThis.fetch = realFetch;
  globalThis.Request = RealRequest;
});

class Stand implements Source {
  readyState = 1;
  closed = false;
  private readonly heard: ((e: { data: string }) => void)[] = [];
  private readonly failed: (() => void)[] = [];
  private readonly lives: (() => void)[] = [];
  constructor(readonly url: string) {}
  addEventListener(kind: string, f: (e: { data: string }) => void): void {
    if (kind === 'message') this.heard.push(f);
    else (kind === 'alive' ? this.lives : this.failed).push(f as () => void);
  }
  tell(e: ServerEvent): void {
    for (const f of this.heard) f({ data: JSON.stringify(e) });
  }
  live(): void {
    for (const f of this.lives) f();
  }
  fail(): void {
    this.readyState = 2;
    for (const f of this.failed) f();
  }
  close(): void {
    this.closed = true;
  }
}

/** A window on study "a" at revision 1, on a server that holds `stands`. */
function window(stands: { now: Kept<StudyBody> | null }) {
  globalThis.Request = class extends RealRequest {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === 'string' && input.startsWith('/') ? `http://127.0.0.1${input}` : input, init);
    }
  };
  const asked: string[] = [];
  globalThis.fetch = (input) => {
    const { method, url } = input as Request;
    asked.push(`${method} ${new URL(url).pathname}`);
    if (!stands.now) return Promise.resolve(new Response('{}', { status: 404, headers: { 'content-type': 'application/json' } }));
    return Promise.resolve(Response.json({ ...stands.now, problems: [] }));
  };
  const store = configureStore({
    reducer: { editor: editorReducer, [api.reducerPath]: api.reducer },
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
  });
  const sources: Stand[] = [];
  const counts: number[] = [];
  let wants = true;
  store.dispatch(studyOpened({ kept: kept(1), problems: [] }));
  const look = following({
    getState: () => store.getState(),
    dispatch: store.dispatch,
    subscribe: (l) => void store.subscribe(l),
    open: (url) => (sources.push(new Stand(url)), sources[sources.length - 1]!),
    wants: () => wants,
    present: (n) => counts.push(n),
  });
  const want = (on: boolean): void => {
    wants = on;
    look();
  };
  return { store, sources, counts, asked, want, editor: () => store.getState().editor };
}
const soon = (): Promise<void> => new Promise((done) => setTimeout(done, 30));

describe('a window that follows', () => {
  it('shows what is saved elsewhere, once, and asks for nothing it has', async () => {
    const stands = { now: kept(2, { tempo: 111 }) };
    const { sources, asked, editor } = window(stands);
    expect(sources.map((s) => s.url)).toEqual(['/api/events?study=a']);
    sources[0]!.tell({ kind: 'studies', id: 'a', revision: 1 });
    await soon();
    expect(asked).toEqual([]);
    sources[0]!.tell({ kind: 'studies', id: 'a', revision: 2 });
    await soon();
    expect(editor()).toMatchObject({ revision: 2, save: 'saved', body: { tempo: 111 } });
    sources[0]!.tell({ kind: 'studies', id: 'b', revision: 9 });
    await soon();
    expect(asked).toEqual(['GET /api/studies/a']);
  });
  it('puts nothing in the place of what waits to be saved here', async () => {
    const { store, sources, asked, editor } = window({ now: kept(2, { tempo: 111 }) });
    store.dispatch(edited({ name: 'Mine' }));
    sources[0]!.tell({ kind: 'studies', id: 'a', revision: 2 });
    await soon();
    expect(asked).toEqual([]);
    expect(editor()).toMatchObject({ revision: 1, save: 'waiting', body: { name: 'Mine' } });
  });
  it('says where the study was deleted elsewhere', async () => {
    const { sources, editor } = window({ now: null });
    sources[0]!.tell({ kind: 'studies', id: 'a', revision: null });
    await soon();
    expect(editor().save).toBe('gone');
  });
  it('ends out of sight and when it is put off, and catches up when it comes back', async () => {
    const stands = { now: kept(1) };
    const { sources, counts, want, editor } = window(stands);
    sources[0]!.tell({ kind: 'present', count: 2 });
    want(false);
    expect(sources[0]!.closed).toBe(true);
    expect(counts).toEqual([2, 0]);
    stands.now = kept(5, { tempo: 70 });
    want(true);
    sources[1]!.tell({ kind: 'studies', id: 'a', revision: 5 });
    await soon();
    expect(editor()).toMatchObject({ revision: 5, body: { tempo: 70 } });
  });
  it('a connection that gives no sign of life is taken for dead, and made anew', () => {
    jest.useFakeTimers();
    const { sources } = window({ now: kept(1) });
    for (let k = 0; k < 4; k++) {
      jest.advanceTimersByTime(30_000);
      sources[0]!.live();
    }
    expect(sources).toHaveLength(1);
    jest.advanceTimersByTime(36_000);
    expect(sources.map((s) => s.closed)).toEqual([true, false]);
    jest.useRealTimers();
  });
  it('follows another study when that is opened, and tries again where it was refused', () => {
    jest.useFakeTimers();
    const { store, sources, counts } = window({ now: kept(1) });
    store.dispatch(studyOpened({ kept: { ...kept(1), id: 'b' }, problems: [] }));
    expect(sources.map((s) => [s.url, s.closed])).toEqual([['/api/events?study=a', true], ['/api/events?study=b', false]]); // prettier-ignore
    sources[1]!.fail();
    expect(counts.at(-1)).toBe(0);
    jest.advanceTimersByTime(6_000);
    expect(sources[2]!.url).toBe('/api/events?study=b');
    jest.useRealTimers();
  });
});

describe('steps back after something came from elsewhere', () => {
  const opened = () => {
    const store = configureStore({ reducer: { editor: editorReducer, [api.reducerPath]: api.reducer }, middleware: (d) => d({ serializableCheck: false, immutableCheck: false }).concat(api.middleware, autosave.middleware) }); // prettier-ignore
    store.dispatch(studyOpened({ kept: kept(1), problems: [] }));
    return store;
  };
  it('over fields that were changed there are gone; the others stay', () => {
    const store = opened();
    store.dispatch(edited({ tempo: 70 }));
    store.dispatch(edited({ labels: 'notes' }));
    const mine = store.getState().editor.body as StudyBody;
    store.dispatch(joined({ id: 'a', body: { ...mine, tempo: 111 }, current: kept(2, { tempo: 111 }) }));
    expect(store.getState().editor).toMatchObject({ save: 'waiting', revision: 2, told: { kind: 'elsewhere' } });
    store.dispatch(undone());
    expect(store.getState().editor.body).toMatchObject({ tempo: 111, labels: body.labels });
    store.dispatch(undone());
    expect(store.getState().editor.body?.tempo).toBe(111);
  });
  it('an older state, or one for another study, is not taken', () => {
    const store = opened();
    store.dispatch(followed(kept(1, { tempo: 111 })));
    store.dispatch(followed({ ...kept(9, { tempo: 111 }), id: 'b' }));
    expect(store.getState().editor.body?.tempo).toBe(body.tempo);
  });
});
