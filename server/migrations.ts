import type { Knex } from 'knex';
import { FORMATS } from '../contract';

interface Migration {
  name: string;
  up: (knex: Knex) => Promise<void>;
  down: (knex: Knex) => Promise<void>;
}

/** Records of one kind: the body is JSON that the contract's schema has passed. */
const recordTable = (knex: Knex, name: string): Promise<void> =>
  knex.schema.createTable(name, (t) => {
    t.string('id').primary();
    t.integer('revision').notNullable();
    t.integer('created_at').notNullable();
    t.integer('updated_at').notNullable();
    t.integer('deleted_at').nullable();
    t.text('body').notNullable();
    t.index(['deleted_at', 'updated_at']);
  });

/** Every study gets the fields that a new format added, as its plain values; there is no way back. */
const studiesGain = (added: { format: number }): Pick<Migration, 'up' | 'down'> => ({
  up: async (knex) => {
    for (const { id, body } of await knex<{ id: string; body: string }>('studies').select('id', 'body')) {
      const study = JSON.parse(body) as object;
      await knex('studies')
        .where({ id })
        .update({ body: JSON.stringify({ ...added, ...study, format: added.format }) });
    }
  },
  down: () => Promise.reject(new Error(`A study of format ${added.format} cannot go back to an older one.`)),
});

/** In code, not in files, so that the bundled server carries them. Append only. */
const MIGRATIONS: Migration[] = [
  {
    name: '001-records',
    up: async (knex) => {
      await recordTable(knex, 'studies');
      await recordTable(knex, 'instruments');
      await knex.schema.createTable('meta', (t) => {
        t.string('key').primary();
        t.text('value').notNullable();
      });
    },
    down: async (knex) => {
      for (const table of ['studies', 'instruments', 'meta']) await knex.schema.dropTable(table);
    },
  },
  ...FORMATS.map((f) => ({ name: `00${f.format}-study-format-${f.format}`, ...studiesGain(f) })),
];

export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve(MIGRATIONS),
  getMigrationName: (m) => m.name,
  getMigration: (m) => Promise.resolve({ up: m.up, down: m.down }),
};
