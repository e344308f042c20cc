import { Hono, type Context, type MiddlewareHandler } from 'hono';
import type { Knex } from 'knex';
import { ID, type Problem, type StudySummary } from '../contract';
import { refuse } from './guards';
import { answerBadRequest, bodyText, jsonBody } from './json-body';
import { lastPractised } from './passes';
import { isChecked, isCheckedText, isRefused, prepared, problemsIn, type KindName, type Refused } from './prepare';
import { repository, type Done, type Kept, type Listed, type Repository } from './repository';
import { listVersions, readVersion } from './versions';
import type { Workshop } from './workshop';

export interface Kind {
  readonly name: KindName;
  /** What a guitarist calls one of them. */
  readonly word: string;
  /** What a list shows of a body, whatever it is. */
  readonly summary: (body: unknown) => object;
}

const DAMAGED: Problem = { field: '', message: 'This record is damaged and cannot be read. It can be exported as it is, and deleted.' };

/** The body of a row; undefined where its text is no record. */
function bodyOf(text: string): object | undefined {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null ? value : undefined;
  } catch {
    return undefined;
  }
}

const keptOf = ({ id, revision, created_at, updated_at }: Done) => ({
  id,
  revision,
  createdAt: created_at,
  updatedAt: updated_at,
});

/** Lines of a kind's list. What this build passed is told from its summary; the rest is read and checked, once a revision. */
function lister(repo: Repository, { name, summary }: Kind): (row: Listed) => Promise<object> {
  const known = new Map<string, { readonly row: Listed; readonly line: object }>();
  return async (row) => {
    if (isChecked(row.checked) && row.summary !== null)
      return name === 'studies'
        ? { ...keptOf(row), ...(JSON.parse(row.summary) as object), problems: [] }
        : { ...keptOf(row), body: JSON.parse(row.summary) as unknown, problems: [] };
    const last = known.get(row.id);
    if (last && last.row.revision === row.revision && last.row.updated_at === row.updated_at && last.row.checked === row.checked)
      return last.line;
    const text = (await repo.get(row.id))?.body ?? '';
    const body = bodyOf(text);
    const problems = body === undefined ? [DAMAGED] : problemsIn(name, body);
    if (body && !problems.length) await repo.pass(row, prepared(name, body), text);
    const about = { ...(body === undefined ? { damaged: true } : {}), problems };
    const line = { ...keptOf(row), ...(name === 'studies' ? summary(body) : { body: body ?? null }), ...about };
    known.set(row.id, { row, line });
    return line;
  };
}

const missing = (c: Context, word: string) => refuse(c, 404, 'NOT_FOUND', `There is no such ${word}; it may have been deleted.`);

/** What a save came to, told. */
function answer(c: Context, word: string, kept: Refused | Kept, status: 200 | 201) {
  if (isRefused(kept)) return refuse(c, kept.status, kept.code, kept.message, kept.problems);
  if ('missing' in kept) return missing(c, word);
  if ('noInstrument' in kept) return noInstrument(c, word);
  if ('done' in kept) {
    const { id, revision, updatedAt, createdAt } = keptOf(kept.done);
    return c.json({ id, revision, createdAt, updatedAt }, status);
  }
  const current = { ...keptOf(kept.stale), body: bodyOf(kept.stale.body) ?? null };
  return c.json({ error: { code: 'STALE', message: `This ${word} was changed elsewhere in the meantime.` }, current }, 409);
}

/** Create, read, list, update by revision, delete and bring back, for one kind of record. */
export function recordRoutes(db: Knex, kind: Kind, shop: Workshop): Hono {
  const { name, word } = kind;
  const app = new Hono();
  const repo = repository(db, name);
  app.onError(answerBadRequest);
  const soundId: MiddlewareHandler = async (c, next) => (ID.test(c.req.param('id') ?? '') ? next() : missing(c, word));
  app.use('/:id', soundId);
  app.use('/:id/*', soundId);
  listRoute(app, db, repo, kind);
  oneRoutes(app, repo, kind);
  app.post('/', async (c) => answer(c, word, await shop.keep({ kind: name, word, id: null, text: await bodyText(c) }), 201));
  app.put('/:id', async (c) => answer(c, word, await shop.keep({ kind: name, word, id: c.req.param('id'), text: await bodyText(c) }), 200));
  app.delete('/:id', async (c) => {
    const gone = await repo.remove(c.req.param('id'));
    if ('usedBy' in gone) return refuse(c, 409, 'IN_USE', inUse(gone.usedBy));
    return gone.removed ? c.body(null, 204) : missing(c, word);
  });
  app.post('/:id/restore', async (c) => {
    await jsonBody(c);
    const row = await repo.restore(c.req.param('id'));
    return row ? c.json(keptOf(row)) : missing(c, word);
  });
  if (name === 'studies') versionRoutes(app, db);
  return app;
}

/** The list of a kind. */
function listRoute(app: Hono, db: Knex, repo: Repository, kind: Kind): void {
  const line = lister(repo, kind);
  app.get('/', async (c) => {
    const rows = await repo.list();
    const lines: object[] = [];
    for (const row of rows) lines.push(await line(row));
    if (kind.name !== 'studies') return c.json(lines);
    const played = await lastPractised(db);
    return c.json(lines.map((l, k) => withPlayed(l, rows[k]!.id, played)));
  });
}

/** One record, as it is used and as it stands. */
function oneRoutes(app: Hono, repo: Repository, { name, word }: Kind): void {
  app.get('/:id', async (c) => {
    const row = await repo.get(c.req.param('id'));
    if (!row) return missing(c, word);
    const body = bodyOf(row.body);
    if (body === undefined) return refuse(c, 422, 'DAMAGED', DAMAGED.message);
    const problems = isCheckedText(row.checked, row.body) ? [] : problemsIn(name, body);
    return c.body(`{"problems":${JSON.stringify(problems)},${JSON.stringify(keptOf(row)).slice(1, -1)},"body":${row.body}}`, 200, {
      'Content-Type': 'application/json',
    });
  });
  app.get('/:id/raw', async (c) => {
    const row = await repo.get(c.req.param('id'));
    if (!row) return missing(c, word);
    return c.body(row.body, 200, {
      'Content-Type': 'text/plain; charset=utf-8',
      'Content-Disposition': `attachment; filename="crow-ladder-${word}-${row.id}.txt"`,
    });
  });
}

/** A line of the list of studies with what the log knows of it and of its licks, where that is later than what was said by hand. */
function withPlayed(line: object, id: string, played: ReadonlyMap<string, number>): object {
  if (!played.has(id)) return line;
  const { practisedAt, licks } = line as Pick<StudySummary, 'practisedAt' | 'licks'>;
  const later = (said: number | null, key: string): number | null => Math.max(said ?? 0, played.get(key) ?? 0) || null;
  return {
    ...line,
    practisedAt: later(practisedAt, id),
    licks: licks.map((l) => ({ ...l, practisedAt: later(l.practisedAt, `${id}/${l.id}`) })),
  };
}

const NO_INSTRUMENT = 'The instrument that it names is no longer in the notebook. Choose another one, or none.';
const noInstrument = (c: Context, word: string) =>
  refuse(c, 422, 'INVALID', `This ${word} cannot be kept: ${NO_INSTRUMENT}`, [{ field: 'instrumentId', message: NO_INSTRUMENT }]);

/** At most so many names are told. */
const MOST_NAMED = 4;
function inUse(names: string[]): string {
  const told = names.slice(0, MOST_NAMED).map((n) => `“${n.slice(0, 40)}”`);
  const more = names.length - told.length;
  const all = more > 0 ? `${told.join(', ')} and ${more} more` : told.join(', ');
  return `This instrument is used by ${all}. Give ${names.length === 1 ? 'that study' : 'those studies'} another instrument first.`;
}

/** Earlier states of a study. */
function versionRoutes(app: Hono, db: Knex): void {
  app.get('/:id/versions', async (c) => c.json(await listVersions(db, c.req.param('id'))));
  app.get('/:id/versions/:revision', async (c) => {
    const revision = Number(c.req.param('revision'));
    const body = Number.isSafeInteger(revision) ? await readVersion(db, c.req.param('id'), revision) : null;
    if (!body) return refuse(c, 404, 'NOT_FOUND', 'There is no such version; it may have been thinned out.');
    return c.json({ revision, body, problems: problemsIn('studies', body) });
  });
}
