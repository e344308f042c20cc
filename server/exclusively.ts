import type { Knex } from 'knex';

/**
 * A transaction that has the right to write from its first statement on. Begun as a reader and turned writer later, it
 * would fail at once where the other thread wrote in between, without waiting.
 */
export const exclusively = <T>(db: Knex, work: (trx: Knex) => Promise<T>): Promise<T> =>
  db.transaction(async (trx) => {
    await trx('meta').whereNull('key').update({ value: '' }); // takes the lock, changes nothing
    return work(trx);
  });
