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

/** A kind's records in a database. */
class Records implements Repository {
  constructor(
    private readonly db: Knex,
    private readonly table: KindName,
    private readonly now: () => number,
  ) {}

  private live(on: Knex = this.db) {
    return on<Row>(this.table).whereNull('deleted_at');
  }

  private async one(id: string, on: Knex): Promise<Row | null> {
    return (await this.live(on).where({ id }).first()) ?? null;
  }

  private insert(on: Knex, id: string, body: Prepared, revision: number) {
    const time = { created_at: this.now(), updated_at: this.now(), deleted_at: null };
    return on<Row>(this.table)
      .insert({ id, revision, ...time, ...columnsOf(body) })
      .onConflict('id')
      .merge(['revision', 'updated_at', 'deleted_at', 'body', 'checked', 'summary', 'facts', 'instrument_id']);
  }

  get(id: string): Promise<Row | null> {
    return this.one(id, this.db);
  }

  async list(): Promise<Listed[]> {
    return this.live()
      .select(...LIST)
      .orderBy([...NEWEST]);
  }

  async bodies(): Promise<Pick<Row, 'id' | 'body'>[]> {
    return this.live()
      .select('id', 'body')
      .orderBy([...NEWEST]);
  }

  async pass({ id, revision }: Listed, { checked, summary, facts, text: same }: Prepared, text: string): Promise<void> {
    if (same !== text) return; // written otherwise: it is checked again when it is next saved
    await this.live().where({ id, revision, body: text }).update({ checked, summary, facts });
  }

  create(body: Prepared, id: string = randomUUID()): Promise<Kept> {
    return exclusively(this.db, async (trx): Promise<Kept> => {
      if (!(await hasInstrument(trx, body.instrumentId))) return { noInstrument: true };
      await this.insert(trx, id, body, 1);
      const [done] = await this.live(trx).where({ id }).select('id', 'revision', 'created_at', 'updated_at');
      return { done: done! };
    });
  }

  async look(id: string): Promise<Seen> {
    const before = await this.get(id);
    return { before, earlier: before && this.table === 'studies' ? await packed(before.body) : null };
  }

  async update(id: string, revision: number, body: Prepared, seen: Promise<Seen> = this.look(id)): Promise<Kept> {
    const { before, earlier } = await seen;
    if (!before) return { missing: true };
    if (before.revision !== revision) return { stale: before };
    return exclusively(this.db, async (trx): Promise<Kept> => {
      if (body.instrumentId !== before.instrument_id && !(await hasInstrument(trx, body.instrumentId))) return { noInstrument: true };
      const updated_at = this.now();
      const changed = await this.live(trx)
        .where({ id, revision })
        .update({ revision: revision + 1, updated_at, ...columnsOf(body) });
      if (!changed) {
        const stands = await this.one(id, trx);
        return stands ? { stale: stands } : { missing: true };
      }
      if (earlier) await keepVersion(trx, before, earlier, this.now());
      return { done: { id, revision: revision + 1, created_at: before.created_at, updated_at } };
    });
  }

  remove(id: string): Promise<{ readonly removed: boolean } | { readonly usedBy: string[] }> {
    return exclusively(this.db, async (trx): Promise<{ readonly removed: boolean } | { readonly usedBy: string[] }> => {
      const users = this.table === 'instruments' ? await studiesOn(trx, id) : [];
      if (users.length) return { usedBy: users };
      return { removed: (await this.live(trx).where({ id }).update({ deleted_at: this.now() })) > 0 };
    });
  }

  async restore(id: string): Promise<Row | null> {
    await this.db<Row>(this.table).where({ id }).whereNotNull('deleted_at').update({ deleted_at: null });
    return this.get(id);
  }

  async put(id: string, body: Prepared): Promise<void> {
    const before = await this.db<Row>(this.table).where({ id }).first();
    await this.insert(this.db, id, body, before ? before.revision + 1 : (await revisionFloor(this.db)) + 1);
    if (before && this.table === 'studies') await keepVersion(this.db, before, await packed(before.body), this.now());
  }
}

const NEWEST = [{ column: 'updated_at', order: 'desc' }, 'id'] as const;

/** The records of one kind in a database; times come from the clock given. */
export const repository = (db: Knex, table: KindName, now: () => number = Date.now): Repository => new Records(db, table, now);

/** Whether an instrument that a record names is there; none named is well too. */
const hasInstrument = async (on: Knex, id: string | null): Promise<boolean> =>
  id === null || !!(await on<Row>('instruments').whereNull('deleted_at').where({ id }).first('id'));

/** Names of the studies on an instrument. */
async function studiesOn(on: Knex, id: string): Promise<string[]> {
  const users = await on<Row>('studies').whereNull('deleted_at').where({ instrument_id: id }).select('summary', 'id');
  return users.map((u) => nameOf(u.summary));
}

const nameOf = (summary: string | null): string => {
  const { name } = fieldsOf(JSON.parse(summary ?? '{}'));
  return typeof name === 'string' ? name : 'a study';
};
