import { Hono } from 'hono';
import type { Knex } from 'knex';
import { MOST_ROUNDS_SENT, roundProblem, type Round, type RoundsKept } from '../contract';
import { refuse } from './guards';
import { answerBadRequest, jsonBody } from './json-body';
import { nameOf } from './name-of';
import { keepRounds, listRounds } from './rounds';

/** Rounds of questions: kept once each, in the order in which they come in. */
export function roundRoutes(db: Knex): Hono {
  const app = new Hono();
  app.onError(answerBadRequest);
  app.post('/', async (c) => {
    const { rounds } = await jsonBody(c);
    if (!Array.isArray(rounds) || rounds.length < 1 || rounds.length > MOST_ROUNDS_SENT)
      return refuse(c, 422, 'INVALID', `rounds: a list of 1 to ${MOST_ROUNDS_SENT} rounds is expected here.`);
    const told = (rounds as unknown[]).map((round) => ({ round: round as Round, problem: roundProblem(round) }));
    const good = told.filter((t) => t.problem === null).map((t) => t.round);
    await keepRounds(db, good);
    const answer: RoundsKept = {
      kept: good.map((r) => r.id),
      refused: told.flatMap(({ round, problem }) => (problem === null ? [] : [{ id: nameOf(round), message: problem }])),
    };
    return c.json(answer, 200);
  });
  app.get('/', async (c) => c.json(await listRounds(db)));
  return app;
}
