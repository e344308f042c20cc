import { fieldsOf } from '../core';
import type { Knex } from 'knex';
import { exclusively } from './exclusively';
import { randomUUID } from 'node:crypto';
import { KIND_NAMES, type KindName, type Prepared } from './prepare';
import type { Row } from './row';
import { keepVersion, packed } from './versions';

/** A row without its body, for lists. */
export type Listed = Omit<Row, 'body' | 'facts'>;

/** What is told of a record that was kept. */
export type Done = Pick<Row, 'id' | 'revision' | 'created_at' | 'updated_at'>;

/** What a save came to: done, too late (with what stands there now), nothing there, or an instrument named that is not. */
export type Kept = { readonly done: Done } | { readonly stale: Row } | { readonly missing: true } | { readonly noInstrument: true };

export interface Meta {
  readonly key: string;
  readonly value: string;
}

interface Seen {
  readonly before: Row | null;
  readonly earlier: Buffer | null;
}

/** Keeps records of one kind as text. Bodies are checked by the caller; times come from the clock given. */
export interface Repository {
  list(): Promise<Listed[]>;
  /** Ids and bodies of all, newest first. */
  bodies(): Promise<Pick<Row, 'id' | 'body'>[]>;
  get(id: string): Promise<Row | null>;
  /** Notes that a record as it stands was found to hold, so that it is not checked again. */
  pass(row: Listed, body: Prepared, text: string): Promise<void>;
  create(body: Prepared, id?: string): Promise<Kept>;
  /** What stands before a save, and that packed as a version: begun while the save is still read. */
  look(id: string): Promise<Seen>;
  update(id: string, revision: number, body: Prepared, seen?: Promise<Seen>): Promise<Kept>;
  /** Deletes one that nothing hangs on; tells the names of the studies that keep an instrument. */
  remove(id: string): Promise<{ readonly removed: boolean } | { readonly usedBy: string[] }>;
  restore(id: string): Promise<Row | null>;
  /** Writes a record under a fixed id whatever stood there. */
  put(id: string, body: Prepared): Promise<void>;
}

const LIST = ['id', 'revision', 'created_at', 'updated_at', 'deleted_at', 'checked', 'summary', 'instrument_id'] as const;

/** The columns of a body. */
export const columnsOf = ({ text, checked, summary, facts, instrumentId }: Prepared) => ({
  body: text,
  checked,
  summary,
  facts,
  instrument_id: instrumentId,
});

/** Where revisions begin: at 0, or at the highest that stood when a whole notebook was put in the place of another. Rows only vanish then. */
export const revisionFloor = async (db: Knex): Promise<number> =>
  Number((await db<Meta>('meta').where({ key: 'revision_floor' }).first())?.value ?? 0);

/** The highest revision that any record has or had. */
export async function highestRevision(db: Knex): Promise<number> {
  const highest = async (table: KindName): Promise<number> =>
    ((await db(table).max({ top: 'revision' }).first()) as { readonly top: number | null } | undefined)?.top ?? 0;
  return Math.max(await revisionFloor(db), ...(await Promise.all(KIND_NAMES.map(highest))));
}

export function repository(db: Knex, table: KindName, now: () => number = Date.now): Repository {
  const live = (on: Knex = db) => on<Row>(table).whereNull('deleted_at');
  const get = async (id: string, on: Knex = db): Promise<Row | null> => (await live(on).where({ id }).first()) ?? null;
  const newest = [{ column: 'updated_at', order: 'desc' }, 'id'] as const;
  const hasInstrument = async (on: Knex, id: string | null): Promise<boolean> =>
    id === null || !!(await on<Row>('instruments').whereNull('deleted_at').where({ id }).first('id'));
  const insert = (on: Knex, id: string, body: Prepared, revision: number) =>
    on<Row>(table)
      .insert({ id, revision, created_at: now(), updated_at: now(), deleted_at: null, ...columnsOf(body) })
      .onConflict('id')
      .merge(['revision', 'updated_at', 'deleted_at', 'body', 'checked', 'summary', 'facts', 'instrument_id']);

  const look = async (id: string): Promise<Seen> => {
    const before = await get(id);
    return { before, earlier: before && table === 'studies' ? await packed(before.body) : null };
  };

  return {
    get: (id) => get(id),
    list: async () => (await live().select(...LIST).orderBy([...newest])), // prettier-ignore
    bodies: async () => (await live().select('id', 'body').orderBy([...newest])), // prettier-ignore
    pass: async ({ id, revision }, { checked, summary, facts, text: same }, text) => {
      if (same !== text) return; // written otherwise: it is checked again when it is next saved
      await live().where({ id, revision, body: text }).update({ checked, summary, facts });
    },
    create: (body, id = randomUUID()) =>
      exclusively(db, async (trx): Promise<Kept> => {
        if (!(await hasInstrument(trx, body.instrumentId))) return { noInstrument: true };
        await insert(trx, id, body, 1);
        const [done] = await live(trx).where({ id }).select('id', 'revision', 'created_at', 'updated_at');
        return { done: done! };
      }),
    look,
    update: async (id, revision, body, seen = look(id)) => {
      const { before, earlier } = await seen;
      if (!before) return { missing: true };
      if (before.revision !== revision) return { stale: before };
      return exclusively(db, async (trx): Promise<Kept> => {
        if (body.instrumentId !== before.instrument_id && !(await hasInstrument(trx, body.instrumentId))) return { noInstrument: true };
        const updated_at = now();
        const changed = await live(trx)
          .where({ id, revision })
          .update({ revision: revision + 1, updated_at, ...columnsOf(body) });
        if (!changed) {
          const stands = await get(id, trx);
          return stands ? { stale: stands } : { missing: true };
        }
        if (earlier) await keepVersion(trx, before, earlier, now());
        return { done: { id, revision: revision + 1, created_at: before.created_at, updated_at } };
      });
    },
    remove: (id) =>
      exclusively(db, async (trx): Promise<{ readonly removed: boolean } | { readonly usedBy: string[] }> => {
        const users =
          table === 'instruments'
            ? await trx<Row>('studies').whereNull('deleted_at').where({ instrument_id: id }).select('summary', 'id')
            : [];
        if (users.length) return { usedBy: users.map((u) => nameOf(u.summary)) };
        return { removed: (await live(trx).where({ id }).update({ deleted_at: now() })) > 0 };
      }),
    restore: async (id) => {
      await db<Row>(table).where({ id }).whereNotNull('deleted_at').update({ deleted_at: null });
      return get(id);
    },
    put: async (id, body) => {
      const before = await db<Row>(table).where({ id }).first();
      await insert(db, id, body, before ? before.revision + 1 : (await revisionFloor(db)) + 1);
      if (before && table === 'studies') await keepVersion(db, before, await packed(before.body), now());
    },
  };
}

const nameOf = (summary: string | null): string => {
  const { name } = fieldsOf(JSON.parse(summary ?? '{}'));
  return typeof name === 'string' ? name : 'a study';
};
