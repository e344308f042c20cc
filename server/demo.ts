import type { Knex } from 'knex';
import type { StudyBody } from '../contract';
import type { Instrument } from '../core';
import { DEMO } from '../demo';
import { repository } from './repository';

interface Meta {
  key: string;
  value: string;
}

/** Writes the demo set under its own ids; other records stay. All or nothing. */
export const resetDemo = (db: Knex): Promise<void> =>
  db.transaction(async (trx) => {
    let time = Date.now() - DEMO.studies.length;
    const tick = (): number => time++; // the first study of the set is the newest
    const studies = repository<StudyBody>(trx, 'studies', tick);
    const instruments = repository<Instrument>(trx, 'instruments');
    for (const { id, body } of DEMO.instruments) await instruments.put(id, body);
    for (const { id, body } of [...DEMO.studies].reverse()) await studies.put(id, body);
    await trx<Meta>('meta').insert({ key: 'demo', value: 'loaded' }).onConflict('key').merge();
  });

/** On the first run only: a demo that was deleted stays deleted. */
export async function loadDemoOnce(db: Knex): Promise<boolean> {
  if (await db<Meta>('meta').where({ key: 'demo' }).first()) return false;
  await resetDemo(db);
  return true;
}
