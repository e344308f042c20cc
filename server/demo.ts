import type { Knex } from 'knex';
import { exclusively } from './exclusively';
import { DEMO, demoPasses, demoRounds } from '../demo';
import { insertPasses } from './passes';
import { insertRounds } from './rounds';
import { prepared } from './prepare';
import { repository, type Meta } from './repository';

/** Writes the demo set under its own ids; other records stay. All or nothing. */
export const resetDemo = (db: Knex): Promise<void> =>
  exclusively(db, async (trx) => {
    let time = Date.now() - DEMO.studies.length;
    const tick = (): number => time++; // the first study of the set is the newest
    const studies = repository(trx, 'studies', tick);
    const instruments = repository(trx, 'instruments');
    const scales = repository(trx, 'scales');
    for (const { id, body } of DEMO.scales) await scales.put(id, prepared('scales', body));
    for (const { id, body } of DEMO.instruments) await instruments.put(id, prepared('instruments', body));
    for (const { id, body } of [...DEMO.studies].reverse()) await studies.put(id, prepared('studies', body));
    await trx('passes').where('id', 'like', 'demo-pass-%').delete();
    await insertPasses(trx, demoPasses(Date.now()));
    await trx('rounds').where('id', 'like', 'demo-round-%').delete();
    await insertRounds(trx, demoRounds(Date.now()));
    await trx<Meta>('meta').insert({ key: 'demo', value: 'loaded' }).onConflict('key').merge();
  });

/** On the first run only: a demo that was deleted stays deleted. */
export async function loadDemoOnce(db: Knex): Promise<boolean> {
  if (await db<Meta>('meta').where({ key: 'demo' }).first()) return false;
  await resetDemo(db);
  return true;
}
