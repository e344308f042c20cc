import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { answersOf, API, MOST_ROUNDS_SENT, readBundle, roundProblem, type Round, type RoundsKept } from '../contract';
import { demoRounds } from '../demo';
import { createApp } from './app';
import { makeCopy, readCopy } from './copies';
import { openDatabase } from './database';
import { resetDemo } from './demo';
import { listRounds } from './rounds';

let db: Knex;
let file: string;
let call: (method: string, path: string, payload?: unknown) => Promise<Response>;
const json = async <T>(r: Promise<Response>): Promise<T> => (await r).json() as Promise<T>;
const send = (...rounds: unknown[]) => json<RoundsKept>(call('POST', API.rounds, { rounds }));
const told = () => json<Round[]>(call('GET', API.rounds));
const round = (id: string, more: Partial<Round> = {}): Round => ({
  id,
  at: Date.UTC(2026, 10, 2, 12),
  day: '2026-11-02',
  study: 'demo-weathervane',
  studyName: 'Weathervane',
  level: 1,
  seconds: 40,
  answers: [{ fact: 'name/E2+3', kind: 'name', right: true, ms: 1800, spot: 'E2+3' }],
  ...more,
});

beforeEach(async () => {
  file = join(mkdtempSync(join(tmpdir(), 'crow-rounds-')), 'notebook.sqlite');
  db = await openDatabase(file);
  await resetDemo(db);
  const app = createApp(db, undefined, file);
  call = async (method, path, payload) =>
    app.request(`http://127.0.0.1${path}`, {
      method,
      headers: { host: '127.0.0.1', ...(payload === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(payload === undefined ? {} : { body: JSON.stringify(payload) }),
    });
});
afterEach(() => db.destroy());

describe('rounds of questions', () => {
  it('the demo has some, and brings them again without doubling them', async () => {
    const own = demoRounds(Date.now());
    expect(own.map(roundProblem)).toEqual(own.map(() => null));
    await resetDemo(db);
    expect((await told()).map((r) => r.id)).toEqual(own.map((r) => r.id));
  });
  it('are kept once each, whoever sends them again, in the order in which they came', async () => {
    await db('rounds').delete();
    expect(await send(round('a'), round('b'))).toEqual({ kept: ['a', 'b'], refused: [] });
    expect(await send(round('b', { seconds: 1 }), round('c', { at: Date.UTC(2025, 1, 1), day: '2025-02-01' }))).toEqual({ kept: ['b', 'c'], refused: [] }); // prettier-ignore
    const rounds = await told();
    expect(rounds.map((r) => [r.id, r.seconds])).toEqual([['a', 40], ['b', 40], ['c', 40]]); // prettier-ignore
    // The schedule asks for answers in order of time, whatever the order of sending.
    expect(answersOf(rounds).map((a) => a.at)).toEqual([Date.UTC(2025, 1, 1), round('a').at, round('a').at]);
  });
  it('a bad one among good ones is refused alone, with its field', async () => {
    const [answer] = round('x').answers;
    const bad = [
      { ...round('b'), level: 4 },
      { ...round('c'), answers: [] },
      { ...round('d'), answers: [{ ...answer, kind: 'guess' }] },
      { ...round('e'), answers: Array.from({ length: 13 }, () => answer) },
      { ...round('f'), extra: 1 },
      { ...round('g'), answers: [{ ...answer, ms: -1 }] },
      null,
    ];
    const { kept, refused } = await send(round('good'), ...bad);
    expect(kept).toEqual(['good']);
    expect(refused.map((r) => r.id)).toEqual(['b', 'c', 'd', 'e', 'f', 'g', '']);
    expect(refused.slice(0, 6).every((r) => r.message.length > 5)).toBe(true);
  });
  it('no list, an empty one and one that is too long are refused whole', async () => {
    for (const rounds of [undefined, [], {}, Array.from({ length: MOST_ROUNDS_SENT + 1 }, (_, k) => round(`r${k}`))])
      expect((await call('POST', API.rounds, { rounds })).status).toBe(422);
  });
  it('a row that is damaged is left out and not rewritten', async () => {
    await db('rounds').delete();
    await send(round('a'), round('b'));
    await db('rounds').where({ id: 'a' }).update({ body: '{"id":' });
    expect((await listRounds(db)).map((r) => r.id)).toEqual(['b']);
    expect(((await db('rounds').where({ id: 'a' }).first()) as { body: string }).body).toBe('{"id":');
  });
  it('go out and come in with the notebook, under the new id of their study, once; and stand in dated copies', async () => {
    await db('rounds').delete();
    await send(round('a'), round('loose', { study: null }));
    const text = await (await call('GET', API.notebook)).text();
    const read = readBundle(text);
    if (!('bundle' in read)) throw new Error(read.problem);
    expect(read.bundle.rounds?.map((r) => r.id)).toEqual(['a', 'loose']);
    await db('rounds').delete();
    const came = await json<{ rounds: number }>(call('POST', API.notebook, read.bundle));
    expect(came.rounds).toBe(2);
    const [brought, loose] = await told();
    expect(brought!.study).not.toBe('demo-weathervane');
    expect(loose!.study).toBeNull();
    expect((await json<{ rounds: number }>(call('POST', API.notebook, read.bundle))).rounds).toBe(0);
    const copy = await makeCopy(db, file, new Date());
    const held = readCopy(file, copy.name);
    expect(held && 'value' in held && (held.value as { rounds: Round[] }).rounds.map((r) => r.id)).toEqual(['a', 'loose']);
  });
  it('a bundle with a bad round is refused whole, naming it', () => {
    const bundle = { kind: 'crow-ladder notebook', version: 1, studies: [], rounds: [round('a'), { ...round('b'), day: 'x' }] };
    const read = readBundle(JSON.stringify(bundle));
    expect('problem' in read && read.problem).toMatch(/^rounds\[1\]: day/);
  });
});
