import { Hono } from 'hono';
import { HTTPException } from 'hono/http-exception';
import type { Knex } from 'knex';
import { API, instrumentSchema, studySchema, type Kept, type StudyBody, type StudySummary } from '../contract';
import type { Instrument } from '../core';
import { headers, ownPagesOnly, refuse, sizeLimit } from './guards';
import { recordRoutes } from './records';
import { repository, type Repository } from './repository';
import { pages } from './pages';

const studySummary = ({ body, ...rest }: Kept<StudyBody>): Omit<StudySummary, 'problems'> => ({
  ...rest,
  name: body.name,
  set: body.set,
  scale: body.scale,
  instrument: body.instrument,
  layout: body.layout,
});

/** An instrument stays while studies play on it; says which. */
const usedBy =
  (studies: Repository<StudyBody>) =>
  async (id: string): Promise<string | null> => {
    const names = (await studies.list()).filter((s) => s.body.instrumentId === id).map((s) => `“${s.body.name}”`);
    return names.length ? `This instrument is used by ${names.join(', ')}. Give those studies another instrument first.` : null;
  };

/** The whole server as a function of requests: the API, and the pages from `webRoot` if given. */
export function createApp(db: Knex, webRoot?: string): Hono {
  const app = new Hono();
  app.use(headers, ownPagesOnly);
  app.use('/api/*', sizeLimit);
  app.get(API.health, (c) => c.json({ ok: true }));
  const studies = repository<StudyBody>(db, 'studies');
  const instruments = repository<Instrument>(db, 'instruments');
  app.route(API.studies, recordRoutes({ word: 'study', schema: studySchema, repo: studies, summary: studySummary }));
  app.route(
    API.instruments,
    recordRoutes({ word: 'instrument', schema: instrumentSchema, repo: instruments, holds: usedBy(studies), summary: (r) => r }),
  );
  app.all('/api/*', (c) => refuse(c, 404, 'NOT_FOUND', 'There is nothing at this address.'));
  if (webRoot) app.get('*', pages(webRoot));
  app.notFound((c) => refuse(c, 404, 'NOT_FOUND', 'There is nothing at this address.'));
  app.onError((e, c) => {
    if (e instanceof HTTPException) return refuse(c, e.status === 413 ? 413 : 400, 'REFUSED', e.message || 'The request was refused.');
    console.error(e);
    return refuse(c, 500, 'FAILED', 'The server could not do that. Nothing was changed; what it said stands in its window.');
  });
  return app;
}
