import { Hono, type Context } from 'hono';
import type { Schema } from 'yup';
import { problemsOf, type ConflictAnswer, type Kept } from '../contract';
import { refuse } from './guards';
import { answerBadRequest, jsonBody } from './json-body';
import { checkedOnce } from './checked';
import type { Repository } from './repository';

interface Kind<Body> {
  /** What a guitarist calls one of them. */
  word: string;
  schema: Schema;
  repo: Repository<Body>;
  /** Why a record may not be deleted, or null. */
  holds?: (id: string) => Promise<string | null>;
  /** What a list shows of a record. */
  summary: (record: Kept<Body>) => unknown;
}

/** Create, read, list, update by revision, delete and bring back, for one kind of record. */
export function recordRoutes<Body>({ word, schema, repo, summary, holds }: Kind<Body>): Hono {
  const app = new Hono();
  const missing = (c: Context) => refuse(c, 404, 'NOT_FOUND', `There is no such ${word}; it may have been deleted.`);
  const invalid = (c: Context, value: unknown, prefix = '') => {
    const problems = problemsOf(schema, value).map((p) => ({ ...p, field: prefix + p.field }));
    return problems.length ? refuse(c, 422, 'INVALID', `This ${word} cannot be kept: ${problems[0].message}`, problems) : null;
  };

  app.onError(answerBadRequest);
  const problemsIn = checkedOnce<Body>((body) => problemsOf(schema, body));
  app.get('/', async (c) => c.json((await repo.list()).map((r) => ({ ...(summary(r) as object), problems: problemsIn(r) }))));
  app.get('/:id', async (c) => {
    const record = await repo.get(c.req.param('id'));
    return record ? c.json({ ...record, problems: problemsOf(schema, record.body) }) : missing(c);
  });
  app.post('/', async (c) => {
    const { body } = await jsonBody(c);
    return invalid(c, body) ?? c.json(await repo.create(body as Body), 201);
  });
  app.put('/:id', async (c) => {
    const { body, revision } = await jsonBody(c);
    if (!Number.isInteger(revision)) return refuse(c, 400, 'NO_REVISION', 'Name the revision that was changed, a whole number.');
    const bad = invalid(c, body);
    if (bad) return bad;
    const saved = await repo.update(c.req.param('id'), revision as number, body as Body);
    if (saved.ok) return c.json(saved.record);
    if (!saved.current) return missing(c);
    const message = `This ${word} was changed elsewhere in the meantime.`;
    return c.json<ConflictAnswer<Body>>({ error: { code: 'STALE', message }, current: saved.current }, 409);
  });
  app.delete('/:id', async (c) => {
    const held = await holds?.(c.req.param('id'));
    if (held) return refuse(c, 409, 'IN_USE', held);
    return (await repo.remove(c.req.param('id'))) ? c.body(null, 204) : missing(c);
  });
  app.post('/:id/restore', async (c) => {
    const record = await repo.restore(c.req.param('id'));
    return record ? c.json(record) : missing(c);
  });
  return app;
}
