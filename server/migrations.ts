import { fieldsOf } from '../core';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { FORMATS, scalesOfStudies } from '../contract';
import { numberOf, upgradeBy, type Format } from '../contract/formats';

interface Migration {
  readonly name: string;
  readonly up: (knex: Knex) => Promise<void>;
  readonly down: (knex: Knex) => Promise<void>;
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

function checkedColumns(t: Knex.CreateTableBuilder): void {
  /** By which build the body was passed, and what it was; null: not yet, or it was changed since. */
  t.text('checked').nullable();
  /** What a list shows of it, as JSON. */
  t.text('summary').nullable();
  /** The study in short, as JSON. */
  t.text('facts').nullable();
  t.string('instrument_id').nullable();
}

const touchedTrigger = (knex: Knex, table: string) =>
  knex.raw(`create trigger ${table}_touched after update of body on ${table}
          when new.body <> old.body and new.checked is old.checked
          begin update ${table} set checked = null where id = new.id; end`);

const noWayBack = (name: string) => () => Promise.reject(new Error(`${name} has no way back: put a copy from before in its place.`));

function parsed(text: string): object | null {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? value : null;
  } catch {
    return null;
  }
}

/** Every study goes one format on; a record that cannot be read is left as it is, to be shown as damaged. */
const studiesGo = (f: Format, k: number, at = `00${numberOf(k)}`): Migration => {
  const name = `${at}-study-format-${numberOf(k)}`;
  return {
    name,
    up: async (knex) => {
      for (const { id, body } of await knex<{ readonly id: string; readonly body: string }>('studies').select('id', 'body')) {
        const study = parsed(body);
        if (!study) continue;
        await knex('studies').where({ id }).update({ body: JSON.stringify(upgradeBy(f, numberOf(k), study)) }); // prettier-ignore
      }
    },
    down: noWayBack(name),
  };
};

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
    down: noWayBack('001-records'),
  },
  ...FORMATS.slice(0, 4).map((f, k) => studiesGo(f, k)),
  {
    name: '006-versions',
    up: async (knex) => {
      for (const table of ['studies', 'instruments']) {
        await knex.schema.alterTable(table, checkedColumns);
        await touchedTrigger(knex, table);
      }
      for (const { id, body } of await knex<{ readonly id: string; readonly body: string }>('studies').select('id', 'body')) {
        const named = fieldsOf(parsed(body)).instrumentId;
        if (typeof named === 'string') await knex('studies').where({ id }).update({ instrument_id: named });
      }
      await knex.schema.createTable('versions', (t) => {
        t.string('study').notNullable();
        t.integer('revision').notNullable();
        t.integer('at').notNullable();
        /** JSON, gzipped. */
        t.binary('body').notNullable();
        t.text('facts').notNullable();
        t.primary(['study', 'revision']);
      });
    },
    down: noWayBack('006-versions'),
  },
  {
    name: '007-scales',
    up: async (knex) => {
      await recordTable(knex, 'scales');
      await knex.schema.alterTable('scales', checkedColumns);
      await touchedTrigger(knex, 'scales');
      const studies = await knex<{ readonly id: string; readonly body: string; readonly deleted_at: number | null }>('studies').select(
        'id',
        'body',
        'deleted_at',
      );
      const kept = scalesOfStudies(studies.filter((s) => s.deleted_at === null).map((s) => parsed(s.body)));
      const now = Date.now();
      for (const [k, body] of kept.entries())
        await knex('scales').insert({ id: randomUUID(), revision: 1, created_at: now + k, updated_at: now + k, deleted_at: null, body: JSON.stringify(body) }); // prettier-ignore
    },
    down: noWayBack('007-scales'),
  },
  studiesGo(FORMATS[4]!, 4, '008'),
  {
    name: '009-log',
    up: async (knex) => {
      await recordTable(knex, 'drills');
      await knex.schema.alterTable('drills', checkedColumns);
      await touchedTrigger(knex, 'drills');
      await knex.schema.createTable('passes', (t) => {
        t.increments('seq');
        t.string('id').notNullable().unique();
        t.integer('at').notNullable();
        t.string('day').notNullable();
        t.string('study').nullable();
        t.string('study_name').notNullable();
        t.string('shape').notNullable();
        t.string('what').notNullable();
        t.string('ordering').notNullable();
        t.string('rhythm').notNullable();
        t.float('tempo').notNullable();
        t.float('goal').nullable();
        t.string('verdict').notNullable();
        t.boolean('reached').notNullable();
        t.float('seconds').notNullable();
        t.string('rated_by').notNullable();
        t.integer('deleted_at').nullable();
        // What the charts and plans add up stands in an index each, so that the rows themselves are not read.
        t.index(['deleted_at', 'study', 'shape', 'day', 'at', 'verdict', 'reached', 'seconds', 'tempo'], 'passes_by_shape');
        t.index(['deleted_at', 'day', 'verdict', 'tempo', 'goal', 'seconds'], 'passes_by_day');
        t.index(['study', 'shape', 'ordering', 'rhythm'], 'passes_by_drill');
        t.index(['deleted_at', 'study', 'at'], 'passes_by_study');
        t.index(['deleted_at', 'shape'], 'passes_of_shape');
      });
    },
    down: noWayBack('009-log'),
  },
  studiesGo(FORMATS[5]!, 5, '010'),
  studiesGo(FORMATS[6]!, 6, '011'),
  studiesGo(FORMATS[7]!, 7, '012'),
  {
    name: '013-rounds',
    up: async (knex) => {
      await knex.schema.createTable('rounds', (t) => {
        t.increments('seq');
        t.string('id').notNullable().unique();
        t.text('body').notNullable();
      });
    },
    down: noWayBack('013-rounds'),
  },
  studiesGo(FORMATS[8]!, 8, '014'),
  {
    name: '015-devices',
    up: async (knex) => {
      await knex.schema.createTable('devices', (t) => {
        t.string('id').primary();
        t.string('name').notNullable();
        t.string('secret').notNullable();
        t.integer('created_at').notNullable();
        t.integer('used_at').notNullable();
        t.integer('shut_out_at').nullable();
      });
    },
    down: noWayBack('015-devices'),
  },
  studiesGo(FORMATS[9]!, 9, '016'),
];

export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map((m) => m.name);

export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve(MIGRATIONS),
  getMigrationName: (m) => m.name,
  getMigration: (m) => Promise.resolve({ up: m.up, down: m.down }),
};
