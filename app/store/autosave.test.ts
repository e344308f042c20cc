import { configureStore } from '@reduxjs/toolkit';
import type { Kept, StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { api } from './api';
import { autosave } from './autosave';
import { edited, editorReducer, studyOpened } from './editor';

interface Sent {
  revision: number;
  body: StudyBody;
}

const body = DEMO.studies[0].body;
const kept = (revision: number, b: StudyBody = body): Kept<StudyBody> => ({
  id: 'a',
  revision,
  createdAt: 1,
  updatedAt: revision,
  body: b,
});
const realFetch = globalThis.fetch;
const RealRequest = globalThis.Request;
afterEach(() => {
  globalThis.fetch = realFetch;
  globalThis.Request = RealRequest;
});

/** A store whose server is this function; requests are kept in order. */
function withServer(answer: (sent: Sent, nth: number) => Response | Promise<Response>) {
  const sent: Sent[] = [];
  // Requests need whole addresses outside a browser.
  globalThis.Request = class extends RealRequest {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === 'string' && input.startsWith('/') ? `http://127.0.0.1${input}` : input, init);
    }
  };
  globalThis.fetch = async (input) => {
    const message = (await (input as Request).json()) as Sent;
    sent.push(message);
    return answer(message, sent.length);
  };
  const store = configureStore({
    reducer: { editor: editorReducer, [api.reducerPath]: api.reducer },
    middleware: (defaults) =>
      defaults({ serializableCheck: false, immutableCheck: false }).prepend(autosave.middleware).concat(api.middleware),
  });
  store.dispatch(studyOpened({ kept: kept(1), problems: [] }));
  return { store, sent };
}

const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), { status, headers: { 'content-type': 'application/json' } });
const accept = (s: Sent): Response => json(kept(s.revision + 1, s.body));
const rest = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

describe('saving by itself', () => {
  it('sends the last of several quick edits once, with the revision it was made from', async () => {
    const { store, sent } = withServer(accept);
    for (const tempo of [70, 80, 90]) store.dispatch(edited({ tempo }));
    expect(store.getState().editor.save).toBe('waiting');
    await rest(600);
    expect(sent.map((s) => [s.revision, s.body.tempo])).toEqual([[1, 90]]);
    expect(store.getState().editor).toMatchObject({ save: 'saved', revision: 2 });
  });

  it('waits for the answer before it sends what was edited meanwhile', async () => {
    const { store, sent } = withServer(async (s, nth) => {
      if (nth === 1) await rest(500);
      return accept(s);
    });
    store.dispatch(edited({ tempo: 70 }));
    await rest(450);
    store.dispatch(edited({ labels: 'notes' }));
    await rest(1300);
    expect(sent.map((s) => [s.revision, s.body.tempo, s.body.labels])).toEqual([[1, 70, 'degrees'], [2, 70, 'notes']]); // prettier-ignore
    expect(store.getState().editor).toMatchObject({ save: 'saved', revision: 3 });
  });

  it('tries again when the server was away, and loses nothing', async () => {
    const { store, sent } = withServer((s, nth) => {
      if (nth === 1) throw new TypeError('fetch failed');
      return accept(s);
    });
    store.dispatch(edited({ tempo: 70 }));
    await rest(600);
    expect(store.getState().editor).toMatchObject({ save: 'offline', body: { tempo: 70 } });
    await rest(2800);
    expect(sent).toHaveLength(2);
    expect(store.getState().editor).toMatchObject({ save: 'saved', revision: 2 });
  });

  it('stops at a conflict until the player has chosen', async () => {
    const { store, sent } = withServer(() =>
      json({ error: { code: 'STALE', message: '' }, current: kept(7, { ...body, name: 'Theirs' }) }, 409),
    );
    store.dispatch(edited({ tempo: 70 }));
    await rest(600);
    expect(store.getState().editor).toMatchObject({ save: 'conflict', conflict: { revision: 7 }, body: { tempo: 70 } });
    store.dispatch(edited({ tempo: 75 }));
    await rest(600);
    expect(sent).toHaveLength(1);
  });

  it('sends nothing when nothing changed', async () => {
    const { store, sent } = withServer(accept);
    store.dispatch(edited({ tempo: body.tempo }));
    await rest(500);
    expect(sent).toEqual([]);
  });
});
