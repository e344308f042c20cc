import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { Kept } from '../contract';

interface Row {
  id: string;
  revision: number;
  created_at: number;
  updated_at: number;
  deleted_at: number | null;
  body: string;
}

/** What a save came to: done, too late (with what stands there now), or nothing there. */
export type Saved<Body> = { ok: true; record: Kept<Body> } | { ok: false; current: Kept<Body> | null };

/** Keeps records of one kind. Bodies are checked by the caller; times come from the clock given. */
export interface Repository<Body> {
  list(): Promise<Kept<Body>[]>;
  get(id: string): Promise<Kept<Body> | null>;
  create(body: Body, id?: string): Promise<Kept<Body>>;
  update(id: string, revision: number, body: Body): Promise<Saved<Body>>;
  remove(id: string): Promise<boolean>;
  restore(id: string): Promise<Kept<Body> | null>;
  /** Writes a record under a fixed id whatever stood there. */
  put(id: string, body: Body): Promise<void>;
}

const toKept = <Body>(row: Row): Kept<Body> => ({
  id: row.id,
  revision: row.revision,
  createdAt: row.created_at,
  updatedAt: row.updated_at,
  body: JSON.parse(row.body) as Body,
});

export function repository<Body>(db: Knex, table: 'studies' | 'instruments', now: () => number = Date.now): Repository<Body> {
  const live = () => db<Row>(table).whereNull('deleted_at');
  const get = async (id: string): Promise<Kept<Body> | null> => {
    const row = await live().where({ id }).first();
    return row ? toKept<Body>(row) : null;
  };
  const insert = (id: string, body: Body, revision = 1) =>
    db<Row>(table)
      .insert({ id, revision, created_at: now(), updated_at: now(), deleted_at: null, body: JSON.stringify(body) })
      .onConflict('id')
      .merge(['revision', 'updated_at', 'deleted_at', 'body']);
  return {
    get,
    list: async () => (await live().orderBy([{ column: 'updated_at', order: 'desc' }, 'id'])).map(toKept<Body>), // prettier-ignore
    create: async (body, id = randomUUID()) => {
      await insert(id, body);
      return (await get(id)) as Kept<Body>;
    },
    update: async (id, revision, body) => {
      const changed = await live()
        .where({ id, revision })
        .update({ revision: revision + 1, updated_at: now(), body: JSON.stringify(body) });
      const current = await get(id);
      return changed && current ? { ok: true, record: current } : { ok: false, current };
    },
    remove: async (id) => (await live().where({ id }).update({ deleted_at: now() })) > 0,
    restore: async (id) => {
      await db<Row>(table).where({ id }).whereNotNull('deleted_at').update({ deleted_at: null });
      return get(id);
    },
    put: async (id, body) => {
      const before = await db<Row>(table).where({ id }).first();
      await insert(id, body, (before?.revision ?? 0) + 1);
    },
  };
}
