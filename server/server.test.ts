import { connect, createServer } from 'node:net';
import { mkdtempSync, readFileSync, writeFileSync, readdirSync, existsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Hono } from 'hono';
import type { Knex } from 'knex';
import { BODY_LIMIT, type Saved, type StudyBody } from '../contract';
import { layOut, nameScale } from '../core';
import { DEMO } from '../demo';
import { createApp } from './app';
import { openDatabase, setAside } from './database';
import { inspect } from './inspect';
import { databaseFile, portOf } from './paths';
import { loadDemoOnce, resetDemo } from './demo';
import { listen } from './listen';

const folder = (): string => mkdtempSync(join(tmpdir(), 'crow-'));
const body = (change: object = {}): StudyBody => ({ ...structuredClone(DEMO.studies[0]!.body), instrumentId: null, ...change });

let db: Knex;
let call: (method: string, path: string, payload?: unknown, headers?: Record<string, string>) => Promise<Response>;

beforeEach(async () => {
  db = await openDatabase(join(folder(), 'notebook.sqlite'));
  const app = createApp(db);
  call = async (method, path, payload, headers = {}) =>
    app.request(`http://127.0.0.1${path}`, {
      method,
      headers: { host: '127.0.0.1:4714', ...(payload === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      ...(payload === undefined ? {} : { body: typeof payload === 'string' ? payload : JSON.stringify(payload) }),
    });
});
afterEach(() => db.destroy());

const json = async <T>(r: Response | Promise<Response>): Promise<T> => (await r).json() as Promise<T>;
const make = (change: object = {}): Promise<Saved> => json(call('POST', '/api/studies', { body: body(change) }));

describe('studies', () => {
  it('are made, read, listed and changed, each save one revision on', async () => {
    const made = await make({ name: 'First' });
    expect(made).toMatchObject({ revision: 1 });
    expect(await json(call('GET', `/api/studies/${made.id}`))).toMatchObject({ id: made.id, body: { name: 'First' }, problems: [] });
    const saved = await json<Saved>(call('PUT', `/api/studies/${made.id}`, { revision: 1, body: body({ name: 'Second' }) }));
    expect(saved).toMatchObject({ id: made.id, revision: 2 });
    expect(await json(call('GET', `/api/studies/${made.id}`))).toMatchObject({ revision: 2, body: { name: 'Second' } });
    expect(await json(call('GET', '/api/studies'))).toMatchObject([{ id: made.id, revision: 2, name: 'Second' }]);
  });

  it('answer a stale save with 409 and the newer record, and keep the newer one', async () => {
    const { id } = await make();
    await call('PUT', `/api/studies/${id}`, { revision: 1, body: body({ name: 'Theirs' }) });
    const stale = await call('PUT', `/api/studies/${id}`, { revision: 1, body: body({ name: 'Mine' }) });
    expect(stale.status).toBe(409);
    expect(await stale.json()).toMatchObject({ error: { code: 'STALE' }, current: { revision: 2, body: { name: 'Theirs' } } });
    expect(await json(call('GET', `/api/studies/${id}`))).toMatchObject({ body: { name: 'Theirs' } });
  });

  it('let one of many saves of the same revision through', async () => {
    const { id } = await make();
    const all = await Promise.all(
      Array.from({ length: 8 }, (_, k) => call('PUT', `/api/studies/${id}`, { revision: 1, body: body({ name: `n${k}` }) })),
    );
    expect(all.map((r) => r.status).sort()).toEqual([200, 409, 409, 409, 409, 409, 409, 409]);
  });

  it('go when deleted and come back whole', async () => {
    const { id } = await make({ name: 'Gone' });
    expect((await call('DELETE', `/api/studies/${id}`)).status).toBe(204);
    expect((await call('GET', `/api/studies/${id}`)).status).toBe(404);
    expect((await call('PUT', `/api/studies/${id}`, { revision: 1, body: body() })).status).toBe(404);
    expect((await call('DELETE', `/api/studies/${id}`)).status).toBe(404);
    expect(await json(call('POST', `/api/studies/${id}/restore`, {}))).toMatchObject({ id, revision: 1 });
    expect(await json(call('GET', `/api/studies/${id}`))).toMatchObject({ body: { name: 'Gone' } });
  });

  it('say in the list and when opened what is wrong with a record from elsewhere, and still give it', async () => {
    const { id } = await make();
    await db('studies').where({ id }).update({ body: JSON.stringify(body({ scale: { tonic: 'C', scale: 'moonlit' } })) }); // prettier-ignore
    const opened = await json<{ body: StudyBody; problems: { field: string; message: string }[] }>(call('GET', `/api/studies/${id}`));
    expect(opened.body.scale.scale).toBe('moonlit');
    expect(opened.problems).toEqual([{ field: 'scale.scale', message: expect.stringContaining('no scale called "moonlit"') as string }]);
  });
});

describe('a record that cannot be kept', () => {
  const nested = (change: object): object => ({ instrument: { ...body().instrument, ...change } });
  it.each([
    [{ name: '' }, 'name'],
    [{ name: 'x'.repeat(121) }, 'name'],
    [{ colour: 'red' }, ''],
    [{ scale: { tonic: 'H', scale: 'dorian' } }, 'scale.tonic'],
    [{ scale: { tonic: 'C', scale: 'moonlit' } }, 'scale.scale'],
    [{ scale: { tonic: 'C', scale: ['2', '3'] } }, 'scale.scale'],
    [{ layout: { kind: 'spiral' } }, 'layout.kind'],
    [{ layout: { kind: 'per-string', notes: 9 } }, 'layout.notes'],
    [{ layout: { kind: 'box', extra: 1 } }, 'layout'],
    [{ layout: null }, 'layout'],
    [nested({ frets: 99 }), 'instrument.frets'],
    [nested({ strings: Array.from({ length: 13 }, () => ({ open: 'E2' })) }), 'instrument.strings'],
    [nested({ strings: [{ open: 'Z9' }] }), 'instrument.strings[0].open'],
    [nested({ capo: 30 }), 'instrument.capo'],
    [{ tempo: '96' }, 'tempo'],
    [{ labels: 'rainbow' }, 'labels'],
  ])('is refused by its field: %j', async (change, field) => {
    const answer = await call('POST', '/api/studies', { body: body(change) });
    expect(answer.status).toBe(422);
    const { error } = (await answer.json()) as { error: { code: string; problems: { field: string }[] } };
    expect(error.code).toBe('INVALID');
    expect(error.problems.map((p) => p.field)).toContain(field);
    expect(await json(call('GET', '/api/studies'))).toEqual([]);
  });

  it('is refused as a whole without the right content type, shape or revision', async () => {
    expect((await call('POST', '/api/studies', { body: body() }, { 'content-type': 'text/plain' })).status).toBe(415);
    expect((await call('POST', '/api/studies', '{"body":')).status).toBe(400);
    expect((await call('POST', '/api/studies', '[1]')).status).toBe(400);
    expect((await call('POST', '/api/studies', {})).status).toBe(422);
    const { id } = await make();
    expect(await json(call('PUT', `/api/studies/${id}`, { body: body() }))).toMatchObject({ error: { code: 'NO_REVISION' } });
  });

  it('is refused over the limit, with JSON', async () => {
    const answer = await call('POST', '/api/studies', `{"body":"${'x'.repeat(BODY_LIMIT)}"}`);
    expect([answer.status, await answer.json()]).toMatchObject([413, { error: { code: 'TOO_LARGE' } }]);
  });
});

describe('the door', () => {
  it.each([
    [{ host: 'crow.example' }, 'FOREIGN_HOST'],
    [{ host: '127.0.0.1.example:4714' }, 'FOREIGN_HOST'],
    [{ origin: 'http://crow.example' }, 'FOREIGN_ORIGIN'],
    [{ origin: 'null' }, 'FOREIGN_ORIGIN'],
    [{ origin: 'http://127.0.0.1:1' }, 'FOREIGN_ORIGIN'],
  ])('stays shut to %j', async (headers, code) => {
    const answer = await call('GET', '/api/studies', undefined, headers);
    expect([answer.status, await answer.json()]).toMatchObject([403, { error: { code } }]);
  });
  it('opens to its own pages', async () => {
    for (const host of ['localhost:4714', '[::1]:4714', '127.0.0.1:4714'])
      expect((await call('GET', '/api/health', undefined, { host, origin: `http://${host}` })).status).toBe(200);
  });
  it('sends strict headers, and JSON for what is not there', async () => {
    const answer = await call('GET', '/api/nowhere');
    expect(answer.headers.get('content-security-policy')).toContain("default-src 'none'; script-src 'self'; style-src 'self'");
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
    expect(await answer.json()).toMatchObject({ error: { code: 'NOT_FOUND' } });
  });
});

describe('the demo', () => {
  it('has a scale of its own that every study of the set can lay out as it stands', () => {
    for (const { body: own } of DEMO.scales)
      for (const { body: study } of DEMO.studies) {
        expect(nameScale(own.degrees)).toBeNull();
        expect(layOut(study.instrument, { ...study.scale, scale: own.degrees }, study.layout).length).toBeGreaterThan(0);
      }
  });
  it('loads once, stays deleted, and comes back on request without touching other studies', async () => {
    expect(await loadDemoOnce(db)).toBe(true);
    const own = await make({ name: 'Own' });
    await call('DELETE', '/api/studies/demo-weathervane');
    expect(await loadDemoOnce(db)).toBe(false);
    expect((await call('GET', '/api/studies/demo-weathervane')).status).toBe(404);
    await resetDemo(db);
    expect(await json(call('GET', '/api/studies/demo-weathervane'))).toMatchObject({ revision: 2, problems: [] });
    expect(await json(call('GET', `/api/studies/${own.id}`))).toMatchObject({ body: { name: 'Own' } });
  });
  it('is four studies on four instruments, all of which hold', async () => {
    await loadDemoOnce(db);
    const list = await json<{ problems: unknown[]; instrument: { name: string } }[]>(call('GET', '/api/studies'));
    expect(list.map((s) => s.problems)).toEqual([[], [], [], []]);
    expect(new Set(list.map((s) => s.instrument.name)).size).toBe(4);
  });
});

describe('the file', () => {
  it.each<[NodeJS.Platform, Record<string, string>, string, string]>([
    ['linux', {}, '/home/me', '/home/me/.local/share/crow-ladder/notebook.sqlite'],
    ['linux', { XDG_DATA_HOME: '/data' }, '/home/me', '/data/crow-ladder/notebook.sqlite'],
    ['darwin', {}, '/Users/me', '/Users/me/Library/Application Support/Crow Ladder/notebook.sqlite'],
    [
      'win32',
      { LOCALAPPDATA: 'C:\\Users\\me\\AppData\\Local' },
      'C:\\Users\\me',
      'C:\\Users\\me\\AppData\\Local\\Crow Ladder\\notebook.sqlite',
    ],
    ['win32', {}, 'C:\\Users\\me', 'C:\\Users\\me\\AppData\\Local\\Crow Ladder\\notebook.sqlite'],
    ['linux', { CROW_LADDER_DB: '/x/y.sqlite' }, '/home/me', '/x/y.sqlite'],
  ])('on %s with %j stands in the user’s data folder unless told otherwise', (platform, env, home, file) => {
    expect(databaseFile(env, platform, home, () => false)).toBe(file);
  });
  it('one that an older version left elsewhere is used on', () => {
    const older = '/Users/me/.local/share/crow-ladder/notebook.sqlite';
    expect(databaseFile({}, 'darwin', '/Users/me', (f) => f === older)).toBe(older);
    expect(databaseFile({}, 'darwin', '/Users/me', () => true)).toContain('Application Support');
  });
  it('is opened with full syncs, a write-ahead log and foreign keys', async () => {
    const pragma = async (name: string): Promise<unknown> => {
      const rows = await db.raw<Record<string, unknown>[]>(`PRAGMA ${name}`);
      return rows[0]![name];
    };
    expect([await pragma('journal_mode'), await pragma('synchronous'), await pragma('foreign_keys')]).toEqual(['wal', 2, 1]);
  });
  it('if damaged is named so, and set aside byte for byte', () => {
    const dir = folder();
    const file = join(dir, 'n.sqlite');
    expect(inspect(file)).toEqual({ kind: 'new' });
    writeFileSync(file, 'this is no database, and longer than a header of one hundred bytes would be, to be sure of it.'.repeat(3));
    expect(inspect(file)).toMatchObject({ kind: 'damaged', why: expect.stringContaining('not a database') as string });
    const before = readFileSync(file);
    const aside = setAside(file, new Date('2026-11-23T10:00:00Z'));
    expect(existsSync(file)).toBe(false);
    expect(readFileSync(aside).equals(before)).toBe(true);
    expect(readdirSync(dir)).toEqual(['n.sqlite.damaged-2026-11-23T10-00-00-000Z']);
  });
  it('is sound after use', async () => {
    await make();
    const { filename } = (db.client as { config: { connection: { filename: string } } }).config.connection;
    expect(inspect(filename)).toEqual({ kind: 'ours', behind: false });
  });
});

describe('the port', () => {
  it('is a number from 1 to 65535, or a sentence says what it is', () => {
    expect([portOf({}), portOf({ CROW_LADDER_PORT: '8000' })]).toEqual([4714, 8000]);
    for (const text of ['abc', '0', '70000', '-1', '4714x', '1e3'])
      expect(() => portOf({ CROW_LADDER_PORT: text })).toThrow(`CROW_LADDER_PORT is "${text}": a port is a whole number from 1 to 65535`);
  });
  it('moves on when it is taken, and says so', async () => {
    const said: string[] = [];
    const log = console.log;
    console.log = (line: string) => said.push(line);
    const blocker = createServer();
    const port = await new Promise<number>((done) =>
      blocker.listen(0, '127.0.0.1', () => done((blocker.address() as { port: number }).port)),
    );
    const { server, port: got } = await listen(createApp(db), port);
    console.log = log;
    server.close();
    blocker.close();
    expect(got).toBeGreaterThan(port);
    expect(said[0]).toBe(`Port ${port} is in use; trying ${port + 1}.`);
  });

  it('an answer may take its time, a request may not: the one goes on beyond the idle time, the other is cut', async () => {
    const idleMs = 150;
    const slow = new Hono().get('/', () => new Response(new ReadableStream({ start: (to) => void setTimeout(() => { to.enqueue(new TextEncoder().encode('late')); to.close(); }, 4 * idleMs) }))); // prettier-ignore
    const { server, port } = await listen(slow, 4_960, { idleMs });
    try {
      await expect(fetch(`http://127.0.0.1:${port}/`).then((r) => r.text())).resolves.toBe('late');
      const began = connect(port, '127.0.0.1', () => began.write('GET / HTTP/1.1\r\nHost: 127'));
      await new Promise((cut) => began.once('close', cut).resume());
    } finally {
      server.close();
    }
  });
});
