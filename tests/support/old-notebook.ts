import knex, { type Knex } from 'knex';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { plainStudy } from '../../contract';
import { DEMO } from '../../demo';
import { migrationSource } from '../../server/migrations';

/** A notebook as the first version left it: only the first migration, a study without what later formats added. */
export async function oldNotebook(): Promise<string> {
  const file = join(mkdtempSync(join(tmpdir(), 'crow-up-')), 'notebook.sqlite');
  const db = knex({ client: 'better-sqlite3', connection: { filename: file }, useNullAsDefault: true });
  const [first] = await migrationSource.getMigrations([]);
  const only: Knex.MigrationSource<typeof first> = { ...migrationSource, getMigrations: () => Promise.resolve([first]) };
  await db.migrate.latest({ migrationSource: only });
  const added = new Set(Object.keys(plainStudy()));
  const body = Object.fromEntries(Object.entries(DEMO.studies[1]!.body).filter(([key]) => !added.has(key)));
  await db('studies').insert({
    id: 'old',
    revision: 4,
    created_at: 1,
    updated_at: 2,
    deleted_at: null,
    body: JSON.stringify({ format: 1, ...body, hand: 'medium' }),
  });
  await db.destroy();
  return file;
}
