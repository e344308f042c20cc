import { configureStore } from '@reduxjs/toolkit';
import type { Kept, StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { api } from './api';
import { autosave } from './autosave';
import { edited, editorReducer, studyOpened, triedAgain } from './editor';

interface Sent {
  revision: number;
  body: StudyBody;
}

/** As it comes over the line: Node's structuredClone makes objects of another realm, which compare as unlike. */
const body = JSON.parse(JSON.stringify(DEMO.studies[0]!.body)) as StudyBody;
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
const accept = (s: Sent): Response => json({ id: 'a', revision: s.revision + 1, createdAt: 1, updatedAt: 2 });
/** Time runs ten times as fast for all that waits here, what is tested too: a second's rest is one, as it is told, and is over in a tenth. */
const realTimeout = globalThis.setTimeout;
const QUICK = 10;
beforeAll(() => {
  globalThis.setTimeout = ((act: () => void, ms = 0) => realTimeout(act, ms / QUICK)) as typeof setTimeout;
});
afterAll(() => {
  globalThis.setTimeout = realTimeout;
});
const rest = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
/** Waits for something to have come about, as long as a busy machine needs; what follows says what it is if it never does. */
async function until(is: () => boolean): Promise<void> {
  for (let k = 0; k < 4000 && !is(); k++) await rest(25);
}

describe('saving by itself', () => {
  it('sends the last of several quick edits once, with the revision it was made from', async () => {
    const { store, sent } = withServer(accept);
    for (const tempo of [70, 80, 90]) store.dispatch(edited({ tempo }));
    expect(store.getState().editor.save).toBe('waiting');
    await until(() => store.getState().editor.save === 'saved');
    expect(sent.map((s) => [s.revision, s.body.tempo])).toEqual([[1, 90]]);
    expect(store.getState().editor).toMatchObject({ save: 'saved', revision: 2 });
  });

  it('waits for the answer before it sends what was edited meanwhile', async () => {
    let answered = false;
    const { store, sent } = withServer(async (s, nth) => {
      if (nth === 1) await until(() => answered);
      return accept(s);
    });
    store.dispatch(edited({ tempo: 70 }));
    await until(() => sent.length === 1);
    store.dispatch(edited({ labels: 'notes' }));
    await rest(500);
    expect(sent).toHaveLength(1);
    answered = true;
    await until(() => store.getState().editor.save === 'saved');
    expect(sent.map((s) => [s.revision, s.body.tempo, s.body.labels])).toEqual([[1, 70, 'degrees'], [2, 70, 'notes']]); // prettier-ignore
    expect(store.getState().editor).toMatchObject({ save: 'saved', revision: 3 });
  });

  it('tries again when the server was away, and loses nothing', async () => {
    const { store, sent } = withServer((s, nth) => {
      if (nth === 1) throw new TypeError('fetch failed');
      return accept(s);
    });
    store.dispatch(edited({ tempo: 70 }));
    await until(() => store.getState().editor.save === 'offline');
    expect(store.getState().editor).toMatchObject({ save: 'offline', body: { tempo: 70 } });
    await until(() => store.getState().editor.save === 'saved');
    expect(sent).toHaveLength(2);
    expect(store.getState().editor).toMatchObject({ save: 'saved', revision: 2 });
  });

  it('stops at a conflict until the player has chosen', async () => {
    const { store, sent } = withServer(() =>
      json({ error: { code: 'STALE', message: '' }, current: kept(7, { ...body, tempo: 99 }) }, 409),
    );
    store.dispatch(edited({ tempo: 70 }));
    await until(() => store.getState().editor.save === 'conflict');
    expect(store.getState().editor).toMatchObject({ save: 'conflict', conflict: { revision: 7 }, body: { tempo: 70 } });
    store.dispatch(edited({ tempo: 75 }));
    await rest(600);
    expect(sent).toHaveLength(1);
  });

  it('what was changed elsewhere in other fields is joined with what was changed here, once', async () => {
    const { store, sent } = withServer((s, nth) =>
      nth === 1 ? json({ error: { code: 'STALE', message: '' }, current: kept(7, { ...body, name: 'Theirs' }) }, 409) : accept(s),
    );
    store.dispatch(edited({ tempo: 70 }));
    await until(() => store.getState().editor.save === 'saved');
    expect(sent.map((s) => [s.revision, s.body.tempo, s.body.name])).toEqual([[1, 70, body.name], [7, 70, 'Theirs']]); // prettier-ignore
    expect(store.getState().editor).toMatchObject({ revision: 8, conflict: null, body: { tempo: 70, name: 'Theirs' } });
  });

  it('a server that calls its own newest state stale is not asked without end', async () => {
    const { store, sent } = withServer(() =>
      json({ error: { code: 'STALE', message: '' }, current: kept(1, { ...body, name: 'Theirs' }) }, 409),
    );
    store.dispatch(edited({ tempo: 70 }));
    await until(() => store.getState().editor.save === 'conflict');
    await rest(900);
    expect(sent).toHaveLength(1);
  });

  it('a conflict with its own save, whose answer was lost, is none', async () => {
    const { store, sent } = withServer((s, nth) => {
      if (nth === 1) throw new TypeError('the line went dead after the save was done');
      if (nth === 2) return json({ error: { code: 'STALE', message: '' }, current: kept(2, { ...body, tempo: 70 }) }, 409);
      return accept(s);
    });
    store.dispatch(edited({ tempo: 70 }));
    await until(() => store.getState().editor.save === 'offline');
    store.dispatch(edited({ labels: 'notes' }));
    await until(() => store.getState().editor.save === 'saved');
    expect(sent.map((s) => [s.revision, s.body.labels])).toEqual([[1, 'degrees'], [1, 'notes'], [2, 'notes']]); // prettier-ignore
    expect(store.getState().editor).toMatchObject({ save: 'saved', revision: 3, conflict: null });
  });
  it.each([413, 415, 422, 500, 507])('an answer of %i is told, and not sent again by itself', async (status) => {
    const { store, sent } = withServer(() => json({ error: { code: 'X', message: 'Said why.' } }, status));
    store.dispatch(edited({ tempo: 70 }));
    await until(() => store.getState().editor.save === 'refused');
    await rest(3000); // longer than any rest before a try
    expect(sent).toHaveLength(1);
    expect(store.getState().editor).toMatchObject({ save: 'refused', reason: 'Said why.' });
    store.dispatch(triedAgain());
    await until(() => sent.length === 2);
    expect(sent).toHaveLength(2);
  });
  it('tries again while the study is deleted elsewhere, and is saved once it is brought back', async () => {
    const { store } = withServer((s, nth) => (nth === 1 ? json({ error: { code: 'NOT_FOUND', message: '' } }, 404) : accept(s)));
    store.dispatch(edited({ tempo: 70 }));
    await until(() => store.getState().editor.save === 'gone');
    expect(store.getState().editor.save).toBe('gone');
    await until(() => store.getState().editor.save === 'saved');
    expect(store.getState().editor).toMatchObject({ save: 'saved', revision: 2, body: { tempo: 70 } });
  });
  it('a change that no study can hold is taken back before it is sent', async () => {
    const { store, sent } = withServer(accept);
    store.dispatch(edited({ tempo: 96_000 }));
    await until(() => store.getState().editor.told !== null);
    await rest(600);
    expect(sent.map((s) => s.body.tempo)).not.toContain(96_000);
    expect(store.getState().editor).toMatchObject({ body: { tempo: body.tempo }, told: { kind: 'taken back' } });
  });
  it('sends nothing when nothing changed', async () => {
    const { store, sent } = withServer(accept);
    store.dispatch(edited({ tempo: body.tempo }));
    await rest(500);
    expect(sent).toEqual([]);
  });
});
