import { Hono } from 'hono';
import { HTTPException } from 'hono/http-exception';
import type { Knex } from 'knex';
import { API, instrumentSchema, studySchema, studySummary, type StudyBody } from '../contract';
import type { Instrument } from '../core';
import { copyRoutes } from './copies';
import { headers, ownPagesOnly, refuse, sizeLimits } from './guards';
import { notebookRoutes } from './notebook';
import { recordRoutes } from './records';
import { repository, type Repository } from './repository';
import { pages } from './pages';

/** An instrument stays while studies play on it; says which. */
const usedBy =
  (studies: Repository<StudyBody>) =>
  async (id: string): Promise<string | null> => {
    const names = (await studies.list()).filter((s) => s.body.instrumentId === id).map((s) => `“${s.body.name}”`);
    return names.length ? `This instrument is used by ${names.join(', ')}. Give those studies another instrument first.` : null;
  };

/** The whole server as a function of requests: the API, and the pages from `webRoot` if given; dated copies where the notebook is a `file`. */
export function createApp(db: Knex, webRoot?: string, file?: string): Hono {
  const app = new Hono();
  app.use(headers, ownPagesOnly);
  app.use('/api/*', sizeLimits);
  app.get(API.health, (c) => c.json({ ok: true }));
  const studies = repository<StudyBody>(db, 'studies');
  const instruments = repository<Instrument>(db, 'instruments');
  app.route(
    API.studies,
    recordRoutes({
      word: 'study',
      schema: studySchema,
      repo: studies,
      summary: ({ body, ...rest }) => ({ ...rest, ...studySummary(body) }),
    }),
  );
  app.route(
    API.instruments,
    recordRoutes({ word: 'instrument', schema: instrumentSchema, repo: instruments, holds: usedBy(studies), summary: (r) => r }),
  );
  app.route(API.notebook, notebookRoutes(db, file));
  if (file) app.route(API.copies, copyRoutes(db, file));
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
