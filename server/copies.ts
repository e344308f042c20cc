import Sqlite from 'better-sqlite3';
import { Hono } from 'hono';
import type { Knex } from 'knex';
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { checkBundle, type Bundle, type DatedCopy } from '../contract';
import { replaceWith } from './bundles';
import { damageOf } from './database';
import { refuse } from './guards';

/** Copies kept; the oldest goes when one more is made. */
export const MOST_COPIES = 12;
/** A new copy is made when the newest is older than this, in ms: most of a day. */
const DUE_AFTER = 20 * 3600_000;

const NAME = /^notebook-(\d{4})-(\d\d)-(\d\d)T(\d\d)-(\d\d)-(\d\d)\.sqlite$/;

export const copiesFolder = (file: string): string => join(dirname(file), 'copies');

/** Dated copies beside a notebook, newest first. */
export function listCopies(file: string): DatedCopy[] {
  const folder = copiesFolder(file);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name): DatedCopy[] => {
      const m = NAME.exec(name);
      if (!m) return [];
      const [y, mo, d, h, mi, s] = m.slice(1).map(Number);
      return [{ name, at: Date.UTC(y, mo - 1, d, h, mi, s), bytes: statSync(join(folder, name)).size }];
    })
    .sort((a, b) => b.at - a.at || b.name.localeCompare(a.name));
}

/** Copies the notebook as it stands now, whole, while it is in use; the oldest copies beyond the limit go. */
export async function makeCopy(db: Knex, file: string, now: Date): Promise<DatedCopy> {
  const folder = copiesFolder(file);
  mkdirSync(folder, { recursive: true });
  const name = `notebook-${now.toISOString().slice(0, 19).replace(/:/g, '-')}.sqlite`;
  const path = join(folder, name);
  rmSync(path, { force: true });
  await db.raw('VACUUM INTO ?', [path]);
  for (const old of listCopies(file).slice(MOST_COPIES)) rmSync(join(folder, old.name), { force: true });
  return listCopies(file).find((c) => c.name === name) as DatedCopy;
}

/** Makes a copy if the newest is old enough, and looks again every hour while the server runs. */
export async function copyWhenDue(db: Knex, file: string): Promise<void> {
  const look = async (): Promise<void> => {
    const [newest] = listCopies(file);
    if (!newest || Date.now() - newest.at > DUE_AFTER) await makeCopy(db, file, new Date());
  };
  await look();
  setInterval(() => void look().catch((e: unknown) => console.error(`No dated copy was made: ${String(e)}`)), 3600_000).unref();
}

/** What a copy holds, brought up to date; null for a copy that is not there. */
export function readCopy(file: string, name: string): { bundle: Bundle } | { problem: string } | null {
  const path = join(copiesFolder(file), name);
  if (!NAME.test(name) || !existsSync(path)) return null;
  const damage = damageOf(path);
  if (damage) return { problem: `This copy is damaged: ${damage}.` };
  const db = new Sqlite(path, { readonly: true });
  try {
    const rows = (table: 'studies' | 'instruments'): { id: string; body: unknown }[] =>
      (db.prepare(`select id, body from ${table} where deleted_at is null order by updated_at desc, id`).all() as { id: string; body: string }[]).map((r) => ({ id: r.id, body: JSON.parse(r.body) as unknown })); // prettier-ignore
    return checkBundle({ kind: 'crow-ladder notebook', version: 1, studies: rows('studies'), instruments: rows('instruments') });
  } catch (e) {
    return { problem: `This copy cannot be read: ${e instanceof Error ? e.message : String(e)}.` };
  } finally {
    db.close();
  }
}

/** Lists copies, makes one, puts one back (after a copy of what it replaces). */
export function copyRoutes(db: Knex, file: string): Hono {
  const app = new Hono();
  app.get('/', (c) => c.json(listCopies(file)));
  app.post('/', async (c) => c.json(await makeCopy(db, file, new Date()), 201));
  app.post('/:name/restore', async (c) => {
    const read = readCopy(file, c.req.param('name'));
    if (!read) return refuse(c, 404, 'NOT_FOUND', 'There is no such copy; it may have made room for a newer one.');
    if ('problem' in read) return refuse(c, 422, 'INVALID', read.problem);
    await makeCopy(db, file, new Date());
    return c.json(await replaceWith(db, read.bundle));
  });
  return app;
}
