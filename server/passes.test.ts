import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import Papa from 'papaparse';
import fc from 'fast-check';
import { API, isPlainPass, passSchema, problemsOf, readBundle, type KeptPass, type PassCharts, type PassesKept, type PassHistory, type PassPage, type StudySummary } from '../contract'; // prettier-ignore
import { MONDAY, pass } from '../tests/support/passes';
import { createApp } from './app';
import { makeCopy } from './copies';
import { openDatabase } from './database';
import { resetDemo } from './demo';

let db: Knex;
let file: string;
let call: (method: string, path: string, payload?: unknown) => Promise<Response>;
const json = async <T>(r: Promise<Response>): Promise<T> => (await r).json() as Promise<T>;
const send = (...passes: unknown[]) => json<PassesKept>(call('POST', API.passes, { passes }));
const page = (query = '') => json<PassPage>(call('GET', `${API.passes}${query}`));
const ids = async (query = ''): Promise<string[]> => (await page(query)).passes.map((p) => p.id);

beforeEach(async () => {
  file = join(mkdtempSync(join(tmpdir(), 'crow-log-')), 'notebook.sqlite');
  db = await openDatabase(file);
  await resetDemo(db);
  await db('passes').delete(); // the demo's own
  const app = createApp(db, undefined, file);
  call = async (method, path, payload) =>
    app.request(`http://127.0.0.1${path}`, {
      method,
      headers: { host: '127.0.0.1', ...(payload === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(payload === undefined ? {} : { body: JSON.stringify(payload) }),
    });
});
afterEach(() => db.destroy());

describe('keeping passes', () => {
  it('once each, whoever sends them again, in the order in which they came', async () => {
    expect(await send(pass('a'), pass('b'))).toEqual({ kept: ['a', 'b'], refused: [] });
    expect(await send(pass('b', 0, { tempo: 200 }), pass('c', -400))).toEqual({ kept: ['b', 'c'], refused: [] });
    const { passes, total } = await page();
    expect([passes.map((p) => p.id), total]).toEqual([['c', 'b', 'a'], 3]); // a clock put back by a year: still the newest
    expect(passes[1]!.tempo).toBe(84);
    expect(passes[0]).toEqual({ ...pass('c', -400), seq: passes[0]!.seq });
  });
  it('a bad one among good ones is refused alone, with its field', async () => {
    const { kept, refused } = await send(pass('a'), { ...pass('b'), tempo: 5 }, { ...pass('c'), extra: 1 }, null, pass('d'));
    expect(kept).toEqual(['a', 'd']);
    expect(refused.map((r) => r.id)).toEqual(['b', 'c', '']);
    expect(refused[0]!.message).toBe('tempo: 10 at least.');
  });
  it('no list, an empty one and one that is too long are refused whole', async () => {
    for (const passes of [undefined, [], {}, Array.from({ length: 501 }, (_, k) => pass(`p${k}`))])
      expect((await call('POST', API.passes, { passes })).status).toBe(422);
    expect((await page()).total).toBe(0);
  });
  it('what passes plainly also passes the schema', () => {
    const values = fc.oneof(fc.constant(null), fc.integer(), fc.string(), fc.boolean(), fc.double());
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(pass('a'))), values, (key, value) => {
        const some = { ...pass('a'), [key]: value };
        expect(isPlainPass(some)).toBe(problemsOf(passSchema, some).length === 0);
      }),
      { numRuns: 500 },
    );
  });
});

describe('reading the log', () => {
  beforeEach(() =>
    send(
      pass('a'),
      pass('b', 1, { verdict: 'miss', tempo: 90 }),
      pass('c', 1, { shape: 'box/2', what: 'box 2 of F♯ Dorian', tempo: 100, reached: true }),
      pass('d', 2, { study: 'demo-cold-forge', studyName: 'Cold Forge', order: 'groups', seconds: 30 }),
      pass('e', 3, { study: null, studyName: 'Loose leaf', verdict: 'dry', goal: null }),
    ),
  );
  it('by study, shape, order, verdict and days', async () => {
    expect(await ids('?study=demo-weathervane')).toEqual(['c', 'b', 'a']);
    expect(await ids('?study=demo-weathervane&shape=box/2')).toEqual(['c']);
    expect(await ids('?study=-')).toEqual(['e']);
    expect(await ids('?order=groups')).toEqual(['d']);
    expect(await ids('?verdict=miss')).toEqual(['b']);
    expect(await ids('?from=2026-11-03&to=2026-11-04')).toEqual(['d', 'c', 'b']);
    expect(await ids('?offset=1&limit=2')).toEqual(['d', 'c']);
  });
  it('tells what there is to filter by', async () => {
    const { studies, shapes } = await page('?study=demo-weathervane');
    expect(studies).toContainEqual({ study: null, name: 'Loose leaf', passes: 1 });
    expect(shapes.map((s) => [s.shape, s.passes])).toEqual([['box/1', 2], ['box/2', 1]]); // prettier-ignore
  });
  it('charts: minutes and the highest clean tempo by day, what each shape holds', async () => {
    const { days, shapes } = await json<PassCharts>(call('GET', `${API.passes}/charts?study=demo-weathervane`));
    expect(days).toEqual([
      { day: '2026-11-02', top: 84, goal: 96, passes: 1, seconds: 8 },
      { day: '2026-11-03', top: 100, goal: 96, passes: 2, seconds: 16 },
    ]);
    expect(shapes).toEqual([
      { study: 'demo-weathervane', shape: 'box/1', top: 84, held: null, passes: 2 },
      { study: 'demo-weathervane', shape: 'box/2', top: 100, held: 100, passes: 1 },
    ]);
  });
  it('the history of a plan, and what ended before does not count', async () => {
    const all = await json<PassHistory>(call('GET', `${API.passes}/history?studies=demo-weathervane,demo-cold-forge`));
    expect(all.days.map((d) => [d.shape, d.day, d.clean, d.misses, d.reached])).toEqual([
      ['box/1', '2026-11-02', 1, 0, false],
      ['box/1', '2026-11-03', 0, 1, false],
      ['box/2', '2026-11-03', 1, 0, true],
      ['box/1', '2026-11-04', 1, 0, false],
    ]);
    expect(all.last.map((p) => [p.order, p.rhythm, p.tempo, p.rating])).toEqual([['from-root', 'triplets', 84, 'clean'], ['from-root', 'triplets', 90, 'miss'], ['from-root', 'triplets', 100, 'clean'], ['groups', 'triplets', 84, 'clean']]); // prettier-ignore
    const since = await json<PassHistory>(call('GET', `${API.passes}/history?studies=demo-weathervane&since=demo-weathervane/box/1/${MONDAY + 1}`)); // prettier-ignore
    expect(since.days.map((d) => [d.shape, d.day])).toEqual([['box/1', '2026-11-03'], ['box/2', '2026-11-03']]); // prettier-ignore
  });
  it('the Notebook’s “last practised” follows from it', async () => {
    const list = await json<StudySummary[]>(call('GET', API.studies));
    expect(list.find((s) => s.id === 'demo-weathervane')?.practisedAt).toBe(pass('b', 1).at);
    expect(list.find((s) => s.id === 'demo-slow-tram')?.practisedAt).toBeNull();
    const [lick] = list.find((s) => s.id === 'demo-cold-forge')?.licks ?? [];
    expect(lick!.practisedAt).toBeNull();
    await send(pass('f', 4, { study: 'demo-cold-forge', shape: `lick/${lick!.id}` }));
    const later = await json<StudySummary[]>(call('GET', API.studies));
    expect(later.find((s) => s.id === 'demo-cold-forge')?.licks[0]!.practisedAt).toBe(pass('f', 4).at);
  });
  it('a pass put right, taken out and brought back', async () => {
    const wrong = await call('PUT', `${API.passes}/c`, { verdict: 'great', tempo: 100, reached: true });
    expect(wrong.status).toBe(422);
    expect(await json<KeptPass>(call('PUT', `${API.passes}/c`, { verdict: 'miss', tempo: 100, reached: true }))).toMatchObject({ verdict: 'miss', reached: false }); // prettier-ignore
    expect((await call('DELETE', `${API.passes}/a`)).status).toBe(204);
    expect(await ids('?study=demo-weathervane')).toEqual(['c', 'b']);
    expect((await call('DELETE', `${API.passes}/a`)).status).toBe(404);
    expect((await call('PUT', `${API.passes}/nope`, { verdict: 'miss', tempo: 100, reached: true })).status).toBe(404);
    await call('POST', `${API.passes}/a/restore`, {});
    expect(await ids('?study=demo-weathervane')).toEqual(['c', 'b', 'a']); // at its old place
  });
  it('as CSV and as JSON, oldest first', async () => {
    const csv = await (await call('GET', `${API.passes}/file?format=csv&study=demo-weathervane`)).text();
    const rows = Papa.parse<Record<string, string>>(csv.trim(), { header: true }).data;
    expect(rows.map((r) => [r.id, r.study, r.tempo, r.verdict, r['goal held'], r.at])).toEqual([
      ['a', 'Weathervane', '84', 'clean', 'no', '2026-11-02T12:00:00.000Z'],
      ['b', 'Weathervane', '90', 'miss', 'no', '2026-11-03T12:00:00.000Z'],
      ['c', 'Weathervane', '100', 'clean', 'yes', '2026-11-03T12:00:00.000Z'],
    ]);
    const whole = (await json<{ passes: KeptPass[] }>(call('GET', `${API.passes}/file?format=json`))).passes;
    expect(whole.map((p) => p.id)).toEqual(['a', 'b', 'c', 'd', 'e']);
  });
});

describe('the log in backups', () => {
  beforeEach(() => send(pass('a'), pass('b', 1, { study: null, studyName: 'Loose leaf' })));
  it('goes out with the notebook and comes back in its place, in order', async () => {
    const text = await (await call('GET', API.notebook)).text();
    expect(readBundle(text)).toMatchObject({ bundle: { passes: [pass('a'), pass('b', 1, { study: null, studyName: 'Loose leaf' })] } });
    await send(pass('c'));
    expect(await json(call('PUT', API.notebook, JSON.parse(text)))).toMatchObject({ passes: 2 });
    expect(await ids()).toEqual(['b', 'a']);
  });
  it('added to what is here: a pass that is here already is not taken twice', async () => {
    const text = await (await call('GET', API.notebook)).text();
    expect(await json(call('POST', API.notebook, JSON.parse(text)))).toMatchObject({ passes: 0 });
    await db('passes').where({ id: 'a' }).delete();
    expect(await json(call('POST', API.notebook, JSON.parse(text)))).toMatchObject({ passes: 1 });
    const [brought] = (await page()).passes;
    const list = await json<StudySummary[]>(call('GET', API.studies));
    expect(list.map((s) => s.id)).toContain(brought!.study); // of the study as it came in
    expect(brought!.study).not.toBe('demo-weathervane');
  });
  it('is in dated copies', async () => {
    const { name } = await makeCopy(db, file, new Date(MONDAY));
    await db('passes').delete();
    expect(await json(call('POST', `${API.copies}/${name}/restore`, {}))).toMatchObject({ passes: 2 });
    expect(await ids()).toEqual(['b', 'a']);
  });
  it('one bad pass and nothing is taken in', async () => {
    const bundle = JSON.parse(await (await call('GET', API.notebook)).text()) as { passes: object[] };
    bundle.passes[1] = { ...bundle.passes[1], day: 'yesterday' };
    const answer = await call('PUT', API.notebook, bundle);
    expect([answer.status, await answer.text()]).toEqual([422, expect.stringContaining('passes[1]')]);
    expect(await ids()).toEqual(['b', 'a']);
  });
});
