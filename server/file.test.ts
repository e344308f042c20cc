import Sqlite from 'better-sqlite3';
import { existsSync, mkdirSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { API, type StudySummary } from '../contract';
import { wantsBrowser } from './browser';
import { isDue, listCopies, makeCopy } from './copies';
import { closeDatabase, createDatabase, openDatabase } from './database';
import { inspect } from './inspect';
import { takeLock } from './lock';
import { body, folder, json, sum, served, type Served } from '../tests/support/notebook';

let { db, file, call, make, save } = {} as Served;
beforeEach(async () => {
  ({ db, file, call, make, save } = await served());
});
afterEach(() => db.destroy());

describe('the file', () => {
  const filled = async (): Promise<void> => {
    for (let k = 0; k < 30; k++) await make({ name: `Study ${k}`, note: 'x'.repeat(3000) });
    await db.raw('PRAGMA wal_checkpoint(TRUNCATE)');
  };
  it('cut at its end is noticed and not written to', async () => {
    await filled();
    await closeDatabase(db);
    truncateSync(file, statSync(file).size - 1000);
    const before = sum(file);
    expect(inspect(file)).toMatchObject({ kind: 'damaged', why: expect.stringContaining('missing at the end') as string });
    expect(sum(file)).toBe(before);
    db = await openDatabase(join(folder(), 'other.sqlite'));
  });
  it('cut at its end, with the missing page in the log, is whole', async () => {
    await make();
    for (const tail of ['', '-wal']) writeFileSync(`${file}.copy${tail}`, readFileSync(file + tail));
    expect(inspect(`${file}.copy`)).toEqual({ kind: 'ours', behind: false });
  });
  it('with a page overwritten is noticed', async () => {
    await filled();
    await closeDatabase(db);
    const bytes = readFileSync(file);
    bytes.fill(0xff, 4096 * 5, 4096 * 6);
    writeFileSync(file, bytes);
    expect(inspect(file).kind).toBe('damaged');
    db = await openDatabase(join(folder(), 'other.sqlite'));
  });
  it('of another program is left alone, marked or not', () => {
    for (const mark of [0, 0x12345678]) {
      const other = join(folder(), 'other.sqlite');
      const foreign = new Sqlite(other);
      foreign.pragma(`application_id = ${mark}`);
      foreign.exec('create table recipes (name text)');
      foreign.close();
      const before = sum(other);
      expect(inspect(other)).toEqual({ kind: 'foreign', why: 'it is a database of another program' });
      expect([sum(other), existsSync(`${other}-wal`)]).toEqual([before, false]);
    }
  });
  it('with a step that this version does not know was made by a newer one', async () => {
    await db('knex_migrations').insert({ name: '099-from-the-future', batch: 9, migration_time: 1 });
    await closeDatabase(db);
    expect(inspect(file)).toEqual({ kind: 'newer', why: 'it was made by a newer Crow Ladder' });
    db = await openDatabase(join(folder(), 'other.sqlite'));
  });
  it('half made by a start that was killed is begun anew, or gone on with', async () => {
    const empty = join(folder(), 'n.sqlite');
    writeFileSync(empty, '');
    expect(inspect(empty)).toEqual({ kind: 'new' });
    writeFileSync(`${empty}.new`, 'rubbish of a killed start');
    await createDatabase(empty, () => Promise.resolve());
    expect([inspect(empty), existsSync(`${empty}.new`)]).toEqual([{ kind: 'ours', behind: false }, false]);
    const half = join(folder(), 'half.sqlite');
    const killed = new Sqlite(half);
    killed.exec('create table knex_migrations (id integer primary key, name text, batch integer, migration_time integer)');
    killed.exec(
      'create table knex_migrations_lock ("index" integer primary key, is_locked integer); insert into knex_migrations_lock values (1, 1)',
    );
    killed.close();
    expect(inspect(half)).toEqual({ kind: 'ours', behind: true });
    const on = await openDatabase(half);
    expect(await on('studies')).toEqual([]);
    await on.destroy();
  });
  it('that is a folder, or lies under a file, is named as such', () => {
    const dir = folder();
    mkdirSync(join(dir, 'n.sqlite'));
    expect(inspect(join(dir, 'n.sqlite'))).toEqual({ kind: 'unreachable', why: 'it is a folder, not a file' });
  });
  it('deleted under a running server takes no more saves', async () => {
    const id = await make();
    rmSync(file);
    const answer = await save(id, 1, { name: 'Lost?' });
    expect([answer.status, await answer.json()]).toMatchObject([503, { error: { code: 'FILE_GONE' } }]);
  });
  it('has one server, until that lets go', () => {
    const taken = takeLock(file);
    if (!('lock' in taken)) throw new Error('the lock was not free');
    taken.lock.announce('http://127.0.0.1:4714');
    taken.lock.release();
    const again = takeLock(file);
    expect('lock' in again).toBe(true);
    if ('lock' in again) again.lock.release();
  });
});

describe('dated copies', () => {
  it('go by number, not by the clock: one dated 2100 stops nothing and is not the newest for ever', async () => {
    await makeCopy(db, file, new Date(Date.UTC(2100, 0, 1)));
    expect(isDue(listCopies(file)[0], Date.UTC(2026, 10, 25))).toBe(true);
    for (let k = 0; k < 13; k++) await makeCopy(db, file, new Date(Date.UTC(2026, 10, 1 + k)));
    const list = listCopies(file);
    expect(list[0]!.at).toBe(Date.UTC(2026, 10, 13));
    expect(list.map((c) => c.number)).toEqual([14, 13, 12, 11, 10, 9, 8, 7, 6, 5, 4, 3]);
  });
  it('where their folder is a file, a copy is refused in words', async () => {
    rmSync(join(file, '..', 'copies'), { recursive: true, force: true });
    writeFileSync(join(file, '..', 'copies'), 'a plain file');
    const answer = await call('POST', API.copies, {});
    expect([answer.status, await answer.json()]).toMatchObject([422, { error: { code: 'NO_FOLDER' } }]);
    expect(await json(call('GET', API.copies))).toEqual([]);
  });
});

describe('the browser', () => {
  it.each<[string[], Record<string, string>, NodeJS.Platform, boolean, boolean]>([
    [[], { DISPLAY: ':0' }, 'linux', true, true],
    [[], {}, 'linux', true, false],
    [[], {}, 'darwin', true, true],
    [['no-open'], {}, 'win32', true, false],
    [[], { CI: '1' }, 'darwin', true, false],
    [[], {}, 'darwin', false, false],
  ])('with %j, %j on %s, a terminal: %s is opened: %s', (flags, env, platform, terminal, opens) => {
    expect(wantsBrowser(new Set(flags), env, platform, terminal)).toBe(opens);
  });
});
describe('a damaged record', () => {
  it.each(['{"format":5,"na', 'null', '5', '', JSON.stringify(body({ licks: [null] }))])(
    '%.20j is shown as what it is, the others work',
    async (text) => {
      const [bad, good] = [await make({ name: 'Bad' }), await make({ name: 'Good' })];
      await db('studies').where({ id: bad }).update({ body: text });
      const list = await json<StudySummary[]>(call('GET', API.studies));
      expect(list.map((s) => s.id).sort()).toEqual([bad, good].sort());
      expect(list.find((s) => s.id === bad)?.problems.length).toBeGreaterThan(0);
      expect(list.find((s) => s.id === good)).toMatchObject({ name: 'Good', problems: [] });
      expect(await (await call('GET', `${API.studies}/${bad}/raw`)).text()).toBe(text);
      expect([200, 422]).toContain((await call('GET', `${API.studies}/${bad}`)).status);
      const whole = await (await call('GET', API.notebook)).text();
      expect(JSON.parse(whole)).toMatchObject({ studies: expect.arrayContaining([]) as unknown });
      expect(whole).toContain(JSON.stringify(text).slice(1, 8));
      expect((await save(good, 1, { name: 'Better' })).status).toBe(200);
      expect((await call('DELETE', `${API.studies}/${bad}`)).status).toBe(204);
    },
  );
});
