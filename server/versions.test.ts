import { join } from 'node:path';
import { API, type StudyBody, type VersionSummary } from '../contract';
import { createApp } from './app';
import { openDatabase } from './database';
import { keptVersions, MOST_VERSIONS } from './versions';
import { folder, json, served, type Served } from '../tests/support/notebook';

let { db, call, make, save } = {} as Served;
beforeEach(async () => {
  ({ db, call, make, save } = await served());
});
afterEach(() => db.destroy());

describe('revisions', () => {
  it('never go back: a stale save after a whole notebook was put back is refused', async () => {
    const id = await make({ name: 'First' });
    const text = await (await call('GET', API.notebook)).text();
    await save(id, 1, { name: 'Second' });
    expect((await call('PUT', API.notebook, text)).status).toBe(200);
    const now = await json<{ revision: number; body: StudyBody }>(call('GET', `${API.studies}/${id}`));
    expect([now.revision > 2, now.body.name]).toEqual([true, 'First']);
    for (const revision of [1, 2]) expect((await save(id, revision, { name: 'Stale' })).status).toBe(409);
  });
});

describe('versions', () => {
  it('are put away with every save, listed newest first, read back as they were', async () => {
    const id = await make({ name: 'One' });
    await save(id, 1, { name: 'Two' });
    await save(id, 2, { name: 'Three', tempo: 120 });
    const list = await json<VersionSummary[]>(call('GET', `${API.studies}/${id}/versions`));
    expect(list.map((v) => [v.revision, v.facts.name])).toEqual([[2, 'Two'], [1, 'One']]); // prettier-ignore
    expect(await json(call('GET', `${API.studies}/${id}/versions/1`))).toMatchObject({ body: { name: 'One' }, problems: [] });
    expect((await call('GET', `${API.studies}/${id}/versions/7`)).status).toBe(404);
  });
  it('go into a backup only where that is chosen, and come back from it', async () => {
    const id = await make({ name: 'One' });
    await save(id, 1, { name: 'Two' });
    expect(JSON.parse(await (await call('GET', API.notebook)).text())).not.toHaveProperty('versions');
    const text = await (await call('GET', `${API.notebook}?versions=1`)).text();
    const fresh = await openDatabase(join(folder(), 'n.sqlite'));
    const app = createApp(fresh);
    const headers = { host: '127.0.0.1', 'content-type': 'application/json' };
    expect((await app.request(`http://127.0.0.1${API.notebook}`, { method: 'PUT', headers, body: text })).status).toBe(200);
    const list = await json<VersionSummary[]>(
      app.request(`http://127.0.0.1${API.studies}/${id}/versions`, { headers: { host: '127.0.0.1' } }),
    );
    expect(list.map((v) => v.facts.name)).toEqual(['One']);
    await fresh.destroy();
  });

  const MINUTE = 60_000;
  const now = Date.UTC(2026, 10, 25, 12);
  const kept = (ages: number[]): number[] => [...keptVersions(ages.map((a) => now - a), now)].map((k) => ages[k]!); // prettier-ignore
  it('each of the last ten minutes, one an hour for a day, one a day for three months', () => {
    expect(kept([0, 1000, 2000, 9 * MINUTE])).toEqual([0, 1000, 2000, 9 * MINUTE]);
    expect(kept([61, 62, 63, 119].map((m) => m * MINUTE))).toEqual([61 * MINUTE]);
    expect(kept([25, 26, 30, 49].map((h) => h * 60 * MINUTE))).toEqual([25 * 60 * MINUTE, 49 * 60 * MINUTE]);
    expect(kept([95 * 24 * 60 * MINUTE])).toEqual([]);
  });
  it('a time in the future, from a clock put back, counts as now', () => expect(kept([-5 * MINUTE, 0])).toEqual([-5 * MINUTE, 0]));
  it('never more than the limit, however busy the player was', () => {
    const busy = Array.from({ length: 5000 }, (_, k) => k * 500);
    const long = Array.from({ length: 4000 }, (_, k) => k * 40 * MINUTE);
    expect(kept([...new Set([...busy, ...long])].sort((a, b) => a - b)).length).toBeLessThanOrEqual(MOST_VERSIONS);
  });
});
