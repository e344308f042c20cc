import { codeOf } from './error-code';
import { Hono, type MiddlewareHandler } from 'hono';
import { HTTPException } from 'hono/http-exception';
import type { Knex } from 'knex';
import { statSync } from 'node:fs';
import { API, studySummary } from '../contract';
import { copyRoutes } from './copy-routes';
import { changes, telling, type Changes } from './changes';
import { eventRoutes } from './events';
import { headers, HERE, ownPagesOnly, refuse, sizeLimits } from './guards';
import { wordsOf } from './inspect';
import { notebookRoutes } from './notebook';
import { pages } from './pages';
import { passRoutes } from './pass-routes';
import { KIND_NAMES, type KindName } from './prepare';
import { roundRoutes } from './round-routes';
import { recordRoutes, type Kind } from './records';
import { devices, type Devices } from './share/devices';
import type { Let } from './share/gate';
import { shareRoutes, type Sharing } from './share/offer';
import { workshop, type Workshop } from './workshop';

const identity = (file: string): string | null => {
  try {
    const { dev, ino } = statSync(file);
    return `${dev}/${ino}`;
  } catch {
    return null;
  }
};

const GONE =
  'The notebook’s file was moved or deleted while the server ran, so nothing can be kept in it. Leave this window open, put the file back or start Crow Ladder again; what you see here is kept in the browser.';

/** Writes go to the very file that was opened, or nowhere. */
function sameFile(file: string): MiddlewareHandler {
  const opened = identity(file);
  return (c, next) => (c.req.method === 'GET' || identity(file) === opened ? next() : Promise.resolve(refuse(c, 503, 'FILE_GONE', GONE)));
}

const whole = (body: unknown): object => ({ body });
/** What a guitarist calls a record of each kind, and what a list shows of it. */
const KINDS: Readonly<Record<KindName, Omit<Kind, 'name'>>> = {
  studies: { word: 'study', summary: studySummary },
  instruments: { word: 'instrument', summary: whole },
  scales: { word: 'scale', summary: whole },
  drills: { word: 'drill', summary: whole },
};

/** What the doors of one server share. */
interface House {
  readonly db: Knex;
  /** Pages are served from it, if given. */
  readonly webRoot?: string;
  /** Dated copies are made where the notebook is a file. */
  readonly file?: string;
  readonly shop: Workshop;
  readonly heard: Changes;
  readonly devices: Devices;
}

/** The notebook as a function of requests: the API and the pages, behind no door yet. */
export function createNotebook({ db, webRoot, file, shop, heard, devices: known }: House): Hono<Let> {
  const app = new Hono<Let>();
  app.use('/api/*', sizeLimits);
  if (file) app.use('/api/*', sameFile(file));
  app.use('/api/*', async (c, next) => {
    if (c.req.method !== 'GET') await shop.quiet();
    return next();
  });
  app.use('/api/*', telling(heard));
  app.get(API.health, (c) => c.json({ ok: true }));
  for (const name of KIND_NAMES) app.route(API[name], recordRoutes(db, { name, ...KINDS[name] }, shop));
  app.route(API.passes, passRoutes(db));
  app.route(API.rounds, roundRoutes(db));
  app.route(API.notebook, notebookRoutes(shop));
  app.route(API.events, eventRoutes(db, heard, known));
  if (file) app.route(API.copies, copyRoutes(shop, file));
  app.all('/api/*', (c) => refuse(c, 404, 'NOT_FOUND', 'There is nothing at this address.'));
  if (webRoot) app.get('*', pages(webRoot));
  app.notFound((c) => refuse(c, 404, 'NOT_FOUND', 'There is nothing at this address.'));
  app.onError((e, c) => {
    if (e instanceof HTTPException) return refuse(c, e.status === 413 ? 413 : 400, 'REFUSED', e.message || 'The request was refused.');
    const code = codeOf(e);
    if (/^SQLITE_(FULL|IOERR)|^ENOSPC|^EFBIG/.test(code) || /disk is full|disk I\/O/.test(e.message))
      return refuse(
        c,
        507,
        'DISK_FULL',
        'The disk is full, or the notebook’s file cannot grow: nothing was changed. Make room and try again.',
      );
    if (/^SQLITE_(READONLY|CANTOPEN)/.test(code))
      return refuse(c, 503, 'READ_ONLY', 'The notebook’s file cannot be written to: nothing was changed. Look at its folder’s rights.');
    console.error(`${c.req.method} ${c.req.path}: ${code} ${wordsOf(e)}`); // never the statement: it holds the body
    return refuse(c, 500, 'FAILED', 'The server could not do that. Nothing was changed; what it said stands in its window.');
  });
  return app;
}

/** The whole server as this machine sees it: the notebook, and what is offered to other devices. */
export function createApp(
  db: Knex,
  webRoot?: string,
  file?: string,
  shop: Workshop = workshop(db, file ?? null),
  {
    heard = changes(),
    known = devices(db),
    sharing = null,
  }: { readonly heard?: Changes; readonly known?: Devices; readonly sharing?: Sharing | null } = {},
): Hono<Let> {
  const app = new Hono<Let>();
  app.use(headers, ownPagesOnly(HERE));
  app.route(API.share, shareRoutes(known, sharing));
  app.route('/', createNotebook({ db, webRoot, file, shop, heard, devices: known }));
  app.notFound((c) => refuse(c, 404, 'NOT_FOUND', 'There is nothing at this address.'));
  return app;
}
