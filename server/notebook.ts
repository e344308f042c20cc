import { Hono } from 'hono';
import { refuse } from './guards';
import { answerBadRequest, bodyText } from './json-body';
import { isRefused, readObject } from './prepare';
import type { Mode } from './bundles';
import type { Workshop } from './workshop';

/** Broken JSON is answered as such; what is whole but no notebook, as a notebook that cannot be taken. */
const brokenJson = (text: string): boolean => {
  const head = text.slice(0, 4096);
  return !/^\s*\{/.test(head) || isRefused(text.length < 4096 ? readObject(text) : {});
};

/** The notebook as one file, out and in. */
export function notebookRoutes(shop: Workshop): Hono {
  const app = new Hono();
  app.onError(answerBadRequest);
  app.get('/progress', (c) => c.json({ done: shop.progress() }));
  app.get('/', async (c) =>
    c.body(await shop.run('bundle', { versions: c.req.query('versions') === '1' }), 200, {
      'Content-Type': 'application/json',
      'Content-Disposition': 'attachment; filename="crow-ladder-notebook.json"',
    }),
  );
  const take = (mode: Mode, status: 200 | 201) =>
    app.on(mode === 'add' ? 'POST' : 'PUT', '/', async (c) => {
      const text = await bodyText(c);
      if (brokenJson(text)) return refuse(c, 400, 'BROKEN_JSON', 'The request is not whole JSON, or no record.');
      const taken = await shop.run('take', { mode, text, copyFirst: mode === 'replace' });
      return 'problem' in taken ? refuse(c, 422, 'INVALID', taken.problem) : c.json(taken, status);
    });
  take('add', 201);
  take('replace', 200);
  return app;
}
