import { Hono, type Context, type MiddlewareHandler } from 'hono';
import type { Knex } from 'knex';
import { correctionSchema, FILTER_FIELDS, ID, MOST_SENT, passProblem, problemsOf, type Correction, type Pass, type PassesKept, type PassFilter } from '../contract'; // prettier-ignore
import { passesCsv } from '../formats/csv';
import { refuse } from './guards';
import { answerBadRequest, jsonBody } from './json-body';
import { nameOf } from './name-of';
import { allPasses, chartsOf, correctPass, historyOf, keepPasses, listPasses, removePass, restorePass } from './passes';

const MOST_LISTED = 200;
const MOST_STUDIES = 500;

const filterOf = (c: Context): PassFilter =>
  Object.fromEntries(FILTER_FIELDS.flatMap((f) => (c.req.query(f) ? [[f, c.req.query(f)]] : [])));
const wholeOf = (text: string | undefined, otherwise: number, most: number): number => {
  const n = Number(text ?? otherwise);
  return Number.isSafeInteger(n) && n >= 0 ? Math.min(n, most) : otherwise;
};

/** The log: passes are kept in tables of their own, once each, in the order in which they come in. */
export function passRoutes(db: Knex): Hono {
  const app = new Hono();
  const missing = (c: Context) => refuse(c, 404, 'NOT_FOUND', 'There is no such pass in the log; it may have been deleted.');
  app.onError(answerBadRequest);
  const soundId: MiddlewareHandler = async (c, next) => (ID.test(c.req.param('id') ?? '') ? next() : missing(c));
  app.use('/:id', soundId);

  app.post('/', async (c) => {
    const { passes } = await jsonBody(c);
    if (!Array.isArray(passes) || passes.length < 1 || passes.length > MOST_SENT)
      return refuse(c, 422, 'INVALID', `passes: a list of 1 to ${MOST_SENT} passes is expected here.`);
    const told = (passes as unknown[]).map((pass) => ({ pass: pass as Pass, problem: passProblem(pass) }));
    const good = told.filter((t) => t.problem === null).map((t) => t.pass);
    await keepPasses(db, good);
    const answer: PassesKept = {
      kept: good.map((p) => p.id),
      refused: told.flatMap(({ pass, problem }) => (problem === null ? [] : [{ id: nameOf(pass), message: problem }])),
    };
    return c.json(answer, 200);
  });
  app.get(
    '/',
    async (c) =>
    c.json(await listPasses(db, filterOf(c), wholeOf(c.req.query('offset'), 0, Number.MAX_SAFE_INTEGER), wholeOf(c.req.query('limit'), 50, MOST_LISTED))), // prettier-ignore
  );
  app.get('/charts', async (c) => c.json(await chartsOf(db, filterOf(c))));
  app.get('/history', async (c) => {
    const studies = (c.req.query('studies') ?? '').split(',').filter((id) => ID.test(id));
    if (studies.length > MOST_STUDIES) return refuse(c, 400, 'TOO_MANY', `studies: ${MOST_STUDIES} at most.`);
    return c.json(await historyOf(db, studies, (c.req.queries('since') ?? []).flatMap(sinceOf)));
  });
  app.get('/file', async (c) => {
    const csv = c.req.query('format') === 'csv';
    const passes = await allPasses(db, filterOf(c));
    const text = csv ? passesCsv(passes) : `${JSON.stringify({ kind: 'crow-ladder log', version: 1, passes }, null, 1)}\n`;
    return c.body(text, 200, {
      'Content-Type': csv ? 'text/csv; charset=utf-8' : 'application/json',
      'Content-Disposition': `attachment; filename="crow-ladder-log.${csv ? 'csv' : 'json'}"`,
    });
  });
  app.put('/:id', async (c) => {
    const body = await jsonBody(c);
    const problems = problemsOf(correctionSchema, body);
    if (problems.length) return refuse(c, 422, 'INVALID', `This pass cannot be put right: ${problems[0]!.message}`, problems);
    const pass = await correctPass(db, c.req.param('id'), body as unknown as Correction);
    return pass ? c.json(pass) : missing(c);
  });
  app.delete('/:id', async (c) => ((await removePass(db, c.req.param('id'), Date.now())) ? c.body(null, 204) : missing(c)));
  app.post('/:id/restore', async (c) => {
    await jsonBody(c);
    const pass = await restorePass(db, c.req.param('id'));
    return pass ? c.json(pass) : missing(c);
  });
  return app;
}

/** "study/shape/time", the shape with a stroke of its own: `demo-weathervane/box/1/1764374400000`. */
function sinceOf(text: string): { readonly study: string; readonly shape: string; readonly at: number }[] {
  const m = /^([^/]+)\/(.+)\/(\d{1,15})$/.exec(text);
  return m && ID.test(m[1]!) ? [{ study: m[1]!, shape: m[2]!, at: Number(m[3]) }] : [];
}
