import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { Bundle, StudyBody, TakenIn } from '../contract';
import type { Instrument } from '../core';
import { repository } from './repository';

/** The records of both kinds. */
export const both = (db: Knex, now?: () => number) => ({
  studies: repository<StudyBody>(db, 'studies', now),
  instruments: repository<Instrument>(db, 'instruments', now),
});

/** A clock that never shows the same time twice, so that records keep their order. */
function ticking(count: number): () => number {
  let time = Date.now() - count;
  return () => time++;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Adds what a bundle holds under new ids; an instrument that is here already is not taken twice. The newest comes first in a bundle. All or nothing. */
export const addBundle = (db: Knex, bundle: Bundle): Promise<TakenIn> =>
  db.transaction(async (trx) => {
    const { studies, instruments } = both(trx, ticking(bundle.studies.length + bundle.instruments.length));
    const here = await instruments.list();
    const ids = new Map<string, string>();
    let taken = 0;
    for (const { id, body } of bundle.instruments) {
      const known = here.find((i) => same(i.body, body));
      if (!known) taken++;
      ids.set(id, known?.id ?? (await instruments.create(body)).id);
    }
    for (const { body } of [...bundle.studies].reverse())
      await studies.create(
        { ...body, instrumentId: body.instrumentId === null ? null : (ids.get(body.instrumentId) ?? null) },
        randomUUID(),
      );
    return { studies: bundle.studies.length, instruments: taken };
  });

/** Puts a bundle in the place of everything that is here. All or nothing. */
export const replaceWith = (db: Knex, bundle: Bundle): Promise<TakenIn> =>
  db.transaction(async (trx) => {
    for (const table of ['studies', 'instruments']) await trx(table).delete();
    const { studies, instruments } = both(trx, ticking(bundle.studies.length + bundle.instruments.length));
    for (const { id, body } of [...bundle.instruments].reverse()) await instruments.put(id, body);
    for (const { id, body } of [...bundle.studies].reverse()) await studies.put(id, body);
    return { studies: bundle.studies.length, instruments: bundle.instruments.length };
  });
