import knex from 'knex';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { plainStudy, problemsOf, studySchema, type StudyBody } from '../contract';
import { DEMO } from '../demo';
import { ahead } from './ahead';
import { createApp } from './app';
import { oldNotebook } from '../tests/support/old-notebook';
import { openDatabase } from './database';
import { migrationSource } from './migrations';

const folder = (): string => mkdtempSync(join(tmpdir(), 'crow-up-'));

describe('an older notebook', () => {
  it('is brought up to date with its studies whole and valid', async () => {
    const db = await openDatabase(await oldNotebook());
    const row = (await db<{ id: string; revision: number; body: string }>('studies').where({ id: 'old' }).first()) as {
      revision: number;
      body: string;
    };
    const body = JSON.parse(row.body) as StudyBody;
    expect(body).toEqual({ ...DEMO.studies[1]!.body, ...plainStudy() });
    expect(row.revision).toBe(4);
    expect(problemsOf(studySchema, body)).toEqual([]);
    await db.destroy();
  });

  it('hands the scales that its studies kept to the notebook, each once', async () => {
    const file = join(folder(), 'notebook.sqlite');
    const db = knex({ client: 'better-sqlite3', connection: { filename: file }, useNullAsDefault: true });
    const before = (await migrationSource.getMigrations([])).slice(0, 6);
    await db.migrate.latest({ migrationSource: { ...migrationSource, getMigrations: () => Promise.resolve(before) } });
    const rust = { name: 'rust', degrees: ['1', 'b2', '3', '#4', '5', 'b7'] };
    const body = { ...DEMO.studies[1]!.body, format: 5, hand: 'medium', ownScales: [rust, { name: 'broken', degrees: ['11'] }] };
    for (const [id, deleted_at] of [['a', null], ['b', null], ['gone', 3]] as const) {
      const ownScales = id === 'gone' ? [{ ...rust, name: 'gone' }] : body.ownScales;
      await db('studies').insert({ id, revision: 1, created_at: 1, updated_at: 2, deleted_at, body: JSON.stringify({ ...body, ownScales }) });
    } // prettier-ignore
    await db.destroy();
    const now = await openDatabase(file);
    expect((await now<{ body: string }>('scales').pluck('body')).map((text) => JSON.parse(String(text)) as unknown)).toEqual([rust]);
    const [study] = await now<{ id: string; body: string }>('studies').where({ id: 'a' });
    expect(problemsOf(studySchema, JSON.parse(study!.body))).toEqual([]);
    await now.destroy();
  });

  it('is not changed a second time', async () => {
    const file = await oldNotebook();
    await (await openDatabase(file)).destroy();
    const db = await openDatabase(file);
    expect(await db('knex_migrations').pluck('name')).toEqual([
      '001-records',
      '002-study-format-2',
      '003-study-format-3',
      '004-study-format-4',
      '005-study-format-5',
      '006-versions',
      '007-scales',
      '008-study-format-6',
      '009-log',
      '010-study-format-7',
      '011-study-format-8',
      '012-study-format-9',
      '013-rounds',
      '014-study-format-10',
      '015-devices',
      '016-study-format-11',
    ]);
    await db.destroy();
  });
});

describe('pages', () => {
  const web = (): string => {
    const root = folder();
    mkdirSync(join(root, 'assets'));
    writeFileSync(join(root, 'index.html'), '<title>Crow Ladder</title>');
    writeFileSync(join(root, 'assets', 'app.js'), 'export {}');
    return root;
  };
  const get = async (path: string): Promise<Response> => {
    const db = await openDatabase(join(folder(), 'n.sqlite'));
    const answer = await createApp(db, web()).request(`http://127.0.0.1${path}`, { headers: { host: '127.0.0.1:1' } });
    await db.destroy();
    return answer;
  };

  it.each(['/', '/map', '/notebook'])('%s is the one page, never stale', async (path) => {
    const answer = await get(path);
    expect([answer.status, await answer.text(), answer.headers.get('cache-control')]).toEqual([
      200,
      '<title>Crow Ladder</title>',
      'no-cache',
    ]);
  });
  it('the study that the address names is asked for with the page, and nothing that is no study', async () => {
    const link = async (path: string): Promise<string | null> => (await get(path)).headers.get('link');
    expect(await link('/study/demo-weathervane/map')).toBe('</api/studies/demo-weathervane>; rel=preload; as=fetch; crossorigin');
    for (const path of ['/map', '/notebook', '/study/a%3E%3B%20b/map', '/study/../map'])
      expect([path, await link(path)]).toEqual([path, null]);
  });
  it('the files of the view are named with it, as the build says which they are', () => {
    const root = web();
    writeFileSync(
      join(root, 'views-ahead.json'),
      JSON.stringify({ connect: ['assets/ConnectView-1.js', 'assets/shared-2.js'], log: ['assets/LogView-3.js'] }),
    );
    const links = ahead(root);
    const study = '</api/studies/s1>; rel=preload; as=fetch; crossorigin';
    const connect =
      '</assets/ConnectView-1.js>; rel=modulepreload; crossorigin; fetchpriority=low, </assets/shared-2.js>; rel=modulepreload; crossorigin; fetchpriority=low';
    expect(links('/study/s1/connect')).toEqual({ Link: `${study}, ${connect}` });
    expect(links('/connect')).toEqual({ Link: connect });
    expect(links('/log')).toEqual({ Link: '</assets/LogView-3.js>; rel=modulepreload; crossorigin; fetchpriority=low' });
    expect([links('/study/s1/map'), links('/map'), links('/constructor'), links('/')]).toEqual([{ Link: study }, {}, {}, {}]);
  });
  it('a built file is itself', async () => {
    const answer = await get('/assets/app.js');
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, expect.stringContaining('javascript')]);
  });
  it('a missing file is a 404, never the page', async () => {
    expect((await get('/assets/gone.js')).status).toBe(404);
    expect((await get('/%2e%2e/%2e%2e/etc/passwd.txt')).status).toBe(404);
  });
});
