import { readFileSync } from 'node:fs';
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import fc from 'fast-check';
import {
  API,
  FORMATS,
  readBundle,
  upgradeStudy,
  writeBundle,
  type Bundle,
  type DatedCopy,
  type Lick,
  type StudySummary,
} from '../contract';
import { DEMO, demoPasses, demoRounds } from '../demo';
import { createApp } from './app';
import { copiesFolder, listCopies, makeCopy, MOST_COPIES } from './copies';
import { openDatabase } from './database';
import { resetDemo } from './demo';

let db: Knex;
let file: string;
let call: (method: string, path: string, payload?: unknown) => Promise<Response>;
const json = async <T>(r: Response | Promise<Response>): Promise<T> => (await r).json() as Promise<T>;

beforeEach(async () => {
  file = join(mkdtempSync(join(tmpdir(), 'crow-notebook-')), 'notebook.sqlite');
  db = await openDatabase(file);
  await resetDemo(db);
  const app = createApp(db, undefined, file);
  call = async (method, path, payload) =>
    app.request(`http://127.0.0.1${path}`, {
      method,
      headers: { host: '127.0.0.1', ...(payload === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(payload === undefined ? {} : { body: typeof payload === 'string' ? payload : JSON.stringify(payload) }),
    });
});
afterEach(() => db.destroy());

const names = async (): Promise<string[]> => (await json<StudySummary[]>(call('GET', API.studies))).map((s) => s.name);
const lick: Lick = {
  id: 'a1',
  name: 'Latch',
  tags: ['bend'],
  tempo: 90,
  meter: [4, 4],
  notes: [{ place: { string: 3, fret: 7 }, ticks: 480, bend: 2 }],
  practisedAt: null,
  instrument: null,
  stayed: null,
};

describe('the notebook as one file', () => {
  it('goes out whole and comes back the same into an empty notebook', async () => {
    const before = await names();
    const text = await (await call('GET', API.notebook)).text();
    const fresh = await openDatabase(join(mkdtempSync(join(tmpdir(), 'crow-fresh-')), 'n.sqlite'));
    const app = createApp(fresh);
    const put = await app.request(`http://127.0.0.1${API.notebook}`, {
      method: 'PUT',
      headers: { host: '127.0.0.1', 'content-type': 'application/json' },
      body: text,
    });
    expect(await put.json()).toEqual({
      studies: 4,
      instruments: 4,
      scales: 1,
      drills: 0,
      passes: demoPasses(0).length,
      rounds: demoRounds(0).length,
    });
    const back = await app.request(`http://127.0.0.1${API.notebook}`, { headers: { host: '127.0.0.1' } });
    expect(JSON.parse(await back.text())).toEqual(JSON.parse(text));
    expect(before).toHaveLength(4);
    await fresh.destroy();
  });
  it('adds to what is here: new ids, an instrument that is here already once', async () => {
    const text = writeBundle({
      studies: [{ id: 'x', body: { ...DEMO.studies[0]!.body, name: 'Brought', licks: [lick], lick: 'a1' } }],
      instruments: [DEMO.instruments[0]!],
      scales: [...DEMO.scales, { id: 's', body: { name: 'soot', degrees: ['1', 'b3', '#4', '5'] } }],
    });
    expect(await json(call('POST', API.notebook, text))).toEqual({
      studies: 1,
      instruments: 0,
      scales: 1,
      drills: 0,
      passes: 0,
      rounds: 0,
    });
    const [first] = await json<StudySummary[]>(call('GET', API.studies));
    expect(first).toMatchObject({ name: 'Brought', licks: [{ name: 'Latch', notes: 1, tags: ['bend'] }], problems: [] });
    expect(first!.id).not.toBe('x');
  });
  it.each([
    ['not whole', '{"kind":', 400, 'not whole JSON'],
    ['of something else', '{"kind":"recipe"}', 422, 'no notebook of Crow Ladder'],
    ['of a later version', '{"kind":"crow-ladder notebook","version":9}', 422, 'version 9'],
  ])('%s changes nothing', async (_, text, status, words) => {
    const before = await names();
    for (const method of ['POST', 'PUT']) {
      const r = await call(method, API.notebook, text);
      expect(r.status).toBe(status);
      expect(await r.text()).toContain(words);
    }
    expect(await names()).toEqual(before);
  });
  it('a study without its instrument, which was answered with 500 once, is refused by name; so is it in the preview', async () => {
    const text = readFileSync('tests/fixtures/went-wrong/notebook-no-instrument.json', 'utf8');
    for (const method of ['POST', 'PUT']) {
      const r = await call(method, API.notebook, text);
      expect(r.status).toBe(422);
      expect(await r.text()).toContain('instrument');
    }
    expect(readBundle(text)).toMatchObject({ problem: expect.stringContaining('instrument') as string });
  });
  it('damaged says where: the record by name and the field by path; nothing is taken', async () => {
    const bundle = JSON.parse(writeBundle(DEMO)) as Bundle;
    bundle.studies[1]!.body.tempo = 9000;
    const before = await names();
    const r = await call('PUT', API.notebook, bundle);
    expect(r.status).toBe(422);
    expect(await r.text()).toContain('studies[1] (Cold Forge, C♯ Phrygian dominant), tempo');
    expect(await names()).toEqual(before);
  });
  it.each([1, 2, 3, 4, 5])('takes studies of format %i, brought up to date', (format) => {
    const frozen = (name: string): unknown => JSON.parse(readFileSync(`tests/fixtures/studies/${name}.json`, 'utf8'));
    const old = frozen(`format-${format}`);
    expect(old).toMatchObject({ format });
    const text = JSON.stringify({ kind: 'crow-ladder notebook', version: 1, instruments: [], studies: [{ id: 'o', body: old }] });
    const now = upgradeStudy(frozen(format === 5 ? 'format-5.as-6' : `format-${format}.as-5`) as object);
    const scales = format === 5 ? [{ body: { name: 'rust' } }] : [];
    expect(readBundle(text)).toMatchObject({ bundle: { scales, studies: [{ body: now }] } });
  });
  it('whatever the text: a bundle or a clear reason', () => {
    const good = writeBundle({ studies: DEMO.studies.slice(0, 1), instruments: DEMO.instruments.slice(0, 1) });
    const mutated = fc
      .tuple(fc.nat(good.length), fc.nat(30), fc.string({ maxLength: 5 }))
      .map(([at, size, s]) => good.slice(0, at) + s + good.slice(at + size));
    fc.assert(
      fc.property(fc.oneof(mutated, fc.string(), fc.json()), (text) => {
        const read = readBundle(text);
        if ('problem' in read) expect(read.problem.length).toBeGreaterThan(10);
        else expect(read.bundle.studies.every((s) => s.body.format === FORMATS.length + 1)).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
});

describe('licks in a study', () => {
  it.each<[string, Partial<Lick>, string]>([
    ['a fret off the neck', { notes: [{ place: { string: 3, fret: 30 }, ticks: 480 }] }, 'licks[0].notes[0]'],
    ['a string it has not', { notes: [{ place: { string: 9, fret: 3 }, ticks: 480 }] }, 'licks[0].notes[0]'],
    ['a length that is none', { notes: [{ place: null, ticks: 0 }] }, 'ticks'],
    ['a join to nothing', { notes: [{ place: { string: 3, fret: 3 }, ticks: 480, join: 'tie' }] }, 'join'],
    ['a beat that is none', { meter: [4, 3] }, 'meter'],
    ['no name', { name: ' ' }, 'name'],
  ])('refused: %s', async (_, change, field) => {
    const r = await call('POST', API.studies, { body: { ...DEMO.studies[0]!.body, licks: [{ ...lick, ...change }] } });
    expect(r.status).toBe(422);
    expect(await r.text()).toContain(field);
  });
  it('two of one id are refused, a good one is kept', async () => {
    expect((await call('POST', API.studies, { body: { ...DEMO.studies[0]!.body, licks: [lick, lick] } })).status).toBe(422);
    expect((await call('POST', API.studies, { body: { ...DEMO.studies[0]!.body, licks: [lick] } })).status).toBe(201);
  });
});

describe('dated copies', () => {
  it('are made while the notebook is in use, listed newest first, no more than the limit', async () => {
    for (let k = 0; k < MOST_COPIES + 3; k++) await makeCopy(db, file, new Date(Date.UTC(2026, 10, 1 + k, 8)));
    const copies = await json<DatedCopy[]>(call('GET', API.copies));
    expect(copies).toHaveLength(MOST_COPIES);
    expect(copies[0]!.name).toBe('notebook-000015-2026-11-15T08-00-00.sqlite');
    expect(copies[copies.length - 1]!.name).toBe('notebook-000004-2026-11-04T08-00-00.sqlite');
    expect(copies[0]!.bytes).toBeGreaterThan(1000);
  });
  it('are put back whole, after a copy of what they replace', async () => {
    await makeCopy(db, file, new Date(Date.UTC(2026, 10, 1)));
    const before = await names();
    const { id } = (await json<StudySummary[]>(call('GET', API.studies)))[0]!;
    await call('DELETE', `${API.studies}/${id}`);
    expect(await names()).toHaveLength(3);
    expect(await json(call('POST', `${API.copies}/notebook-000001-2026-11-01T00-00-00.sqlite/restore`, {}))).toEqual({
      studies: 4,
      instruments: 4,
      scales: 1,
      drills: 0,
      passes: demoPasses(0).length,
      rounds: demoRounds(0).length,
    });
    expect(await names()).toEqual(before);
    expect(listCopies(file)).toHaveLength(2);
  });
  it('a damaged copy changes nothing, one that is not there neither', async () => {
    await makeCopy(db, file, new Date(Date.UTC(2026, 10, 1)));
    const [name] = readdirSync(copiesFolder(file));
    writeFileSync(join(copiesFolder(file), name!), 'no database');
    expect((await call('POST', `${API.copies}/${name}/restore`, {})).status).toBe(422);
    expect((await call('POST', `${API.copies}/..%2Fnotebook.sqlite/restore`, {})).status).toBe(404);
    expect(await names()).toHaveLength(4);
  });
});
