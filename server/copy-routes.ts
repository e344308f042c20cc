import { Hono } from 'hono';
import { existsSync, statSync } from 'node:fs';
import { copiesFolder, isDue, listCopies } from './copies';
import { refuse } from './guards';
import { wordsOf } from './inspect';
import { answerBadRequest, jsonBody } from './json-body';
import type { Workshop } from './workshop';

const LOOK_EVERY = 3600_000;

/** Makes a copy if one is due, and looks again every hour while the server runs. One that cannot be made stops nothing. */
export async function copyWhenDue(shop: Workshop, file: string): Promise<void> {
  const look = async (): Promise<void> => {
    try {
      if (isDue(listCopies(file)[0], Date.now())) await shop.run('copy', { time: Date.now() });
    } catch (e) {
      console.error(`No dated copy was made in ${copiesFolder(file)}: ${wordsOf(e)}.`);
    }
  };
  await look();
  setInterval(() => void look(), LOOK_EVERY).unref();
}

/** Lists copies, makes one, puts one back (after a copy of what it replaces). */
export function copyRoutes(shop: Workshop, file: string): Hono {
  const app = new Hono();
  app.onError(answerBadRequest);
  app.get('/', (c) => c.json(listCopies(file)));
  app.post('/', async (c) => {
    await jsonBody(c);
    const folder = copiesFolder(file);
    if (existsSync(folder) && !statSync(folder).isDirectory())
      return refuse(c, 422, 'NO_FOLDER', 'No copy was made: where the copies go stands a file, not a folder. Move it away and try again.');
    return c.json(await shop.run('copy', { time: Date.now() }), 201);
  });
  app.post('/:name/restore', async (c) => {
    await jsonBody(c);
    const taken = await shop.run('restore', { name: c.req.param('name'), time: Date.now() });
    if (!taken) return refuse(c, 404, 'NOT_FOUND', 'There is no such copy; it may have made room for a newer one.');
    return 'problem' in taken ? refuse(c, 422, 'INVALID', taken.problem) : c.json(taken);
  });
  return app;
}
