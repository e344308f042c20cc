import type { Knex } from 'knex';
import { MOST_ROUNDS_TOLD, type Round } from '../contract';
import { exclusively } from './exclusively';

interface RoundRow {
  readonly seq: number;
  readonly id: string;
  readonly body: string;
}

/** Rows written at once. */
const CHUNK = 50;

/** Keeps rounds of questions in the order given; one whose id is here already is not taken twice. Tells how many were new. */
export async function insertRounds(on: Knex, rounds: readonly Round[]): Promise<number> {
  const before = await count(on);
  for (let k = 0; k < rounds.length; k += CHUNK)
    await on('rounds').insert(rounds.slice(k, k + CHUNK).map((r) => ({ id: r.id, body: JSON.stringify(r) }))).onConflict('id').ignore(); // prettier-ignore
  return (await count(on)) - before;
}
const count = async (on: Knex): Promise<number> => Number(((await on('rounds').count({ n: '*' }).first()) as { readonly n: number }).n);

export const keepRounds = (db: Knex, rounds: readonly Round[]): Promise<number> => exclusively(db, (trx) => insertRounds(trx, rounds));

/** The newest rounds, oldest first. One that is no longer whole is left out. */
export async function listRounds(db: Knex, most = MOST_ROUNDS_TOLD): Promise<Round[]> {
  const rows = (await db<RoundRow>('rounds').orderBy('seq', 'desc').limit(most)).reverse();
  return rows.flatMap((r) => roundIn(r.body));
}
/** Every round: for files. */
export const allRounds = (db: Knex): Promise<Round[]> => listRounds(db, Number.MAX_SAFE_INTEGER);

export function roundIn(body: string): Round[] {
  try {
    return [JSON.parse(body) as Round];
  } catch {
    return [];
  }
}
