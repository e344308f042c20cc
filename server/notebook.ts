import { Hono } from 'hono';
import type { Knex } from 'knex';
import { checkBundle, writeBundle } from '../contract';
import { addBundle, both, replaceWith } from './bundles';
import { makeCopy } from './copies';
import { refuse } from './guards';
import { answerBadRequest, jsonBody } from './json-body';

const plain = <Body>({ id, body }: { id: string; body: Body }): { id: string; body: Body } => ({ id, body });

/** The notebook as one file, out and in. */
export function notebookRoutes(db: Knex, file?: string): Hono {
  const app = new Hono();
  app.onError(answerBadRequest);
  app.get('/', async (c) => {
    const { studies, instruments } = both(db);
    const text = writeBundle((await studies.list()).map(plain), (await instruments.list()).map(plain));
    return c.body(text, 200, {
      'Content-Type': 'application/json',
      'Content-Disposition': 'attachment; filename="crow-ladder-notebook.json"',
    });
  });
  app.post('/', async (c) => {
    const read = checkBundle(await jsonBody(c));
    return 'problem' in read ? refuse(c, 422, 'INVALID', read.problem) : c.json(await addBundle(db, read.bundle), 201);
  });
  app.put('/', async (c) => {
    const read = checkBundle(await jsonBody(c));
    if ('problem' in read) return refuse(c, 422, 'INVALID', read.problem);
    if (file) await makeCopy(db, file, new Date());
    return c.json(await replaceWith(db, read.bundle));
  });
  return app;
}
