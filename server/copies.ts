import { rowsOf } from './rows';
import Sqlite from 'better-sqlite3';
import type { Knex } from 'knex';
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { BUNDLE_KIND, type DatedCopy } from '../contract';
import { connectTo } from './database';
import { inspect, wordsOf } from './inspect';
import { PASSES_SQL } from './passes';
import { roundIn } from './rounds';
import { KIND_NAMES, type KindName } from './prepare';

/** Copies kept; the oldest goes when one more is made. */
export const MOST_COPIES = 12;
/** A new copy is made when the newest is older than this, in ms: most of a day. */
const DUE_AFTER = 20 * 3600_000;

/** The number counts up with every copy and gives the order; the date is for the player alone, since clocks are put back. */
const NAME = /^notebook-(?:(\d{6})-)?(\d{4})-(\d\d)-(\d\d)T(\d\d)-(\d\d)-(\d\d)\.sqlite$/;

export const copiesFolder = (file: string): string => join(dirname(file), 'copies');

/** Dated copies beside a notebook, newest first: by number; those from before numbers last, by name. */
export function listCopies(file: string): DatedCopy[] {
  const folder = copiesFolder(file);
  if (!existsSync(folder) || !statSync(folder).isDirectory()) return [];
  return readdirSync(folder)
    .flatMap((name): DatedCopy[] => {
      const m = NAME.exec(name);
      if (!m) return [];
      const [y, mo, d, h, mi, s] = m.slice(2).map(Number);
      return [{ name, number: Number(m[1] ?? 0), at: Date.UTC(y!, mo! - 1, d, h, mi, s), bytes: statSync(join(folder, name)).size }];
    })
    .sort((a, b) => b.number - a.number || b.name.localeCompare(a.name));
}

/** Copies the notebook as it stands now, whole, while it is in use; the oldest copies beyond the limit go. */
export async function makeCopy(db: Knex, file: string, now: Date): Promise<DatedCopy> {
  const folder = copiesFolder(file);
  mkdirSync(folder, { recursive: true });
  const number = (listCopies(file)[0]?.number ?? 0) + 1;
  const name = `notebook-${String(number).padStart(6, '0')}-${now.toISOString().slice(0, 19).replace(/:/g, '-')}.sqlite`;
  await db.raw('VACUUM INTO ?', [join(folder, name)]);
  for (const old of listCopies(file).slice(MOST_COPIES)) rmSync(join(folder, old.name), { force: true });
  return listCopies(file).find((c) => c.name === name)!;
}

/** Copies a notebook as a Crow Ladder of before kept it, before anything is written to it. */
export async function copyFirst(file: string, now: Date): Promise<DatedCopy> {
  const db = connectTo(file);
  try {
    return await makeCopy(db, file, now);
  } finally {
    await db.destroy();
  }
}

/** Whether a copy is due: the newest is old, or dated in the future by a clock that was since put right. */
export const isDue = (newest: DatedCopy | undefined, now: number): boolean => !newest || now - newest.at > DUE_AFTER || newest.at > now;

/** What a copy holds, as a bundle that is still to be checked; null for a copy that is not there. */
export function readCopy(file: string, name: string): { readonly value: unknown } | { readonly problem: string } | null {
  const path = join(copiesFolder(file), name);
  if (!NAME.test(name) || !existsSync(path)) return null;
  const found = inspect(path);
  if (found.kind !== 'ours') return { problem: `This copy cannot be used: ${'why' in found ? found.why : 'it is empty'}.` };
  const db = new Sqlite(`${pathToFileURL(path).href}?mode=ro`);
  try {
    const rows = (table: KindName): { readonly id: string; readonly body: unknown }[] =>
      rowsOf<{ readonly id: string; readonly body: string }>(db, `select id, body from ${table} where deleted_at is null order by updated_at desc, id`).map((r) => ({ id: r.id, body: JSON.parse(r.body) as unknown })); // prettier-ignore
    // A copy from before there were scales has no table of them.
    const tables = new Set(rowsOf<{ readonly name: string }>(db, `select name from sqlite_master where type = 'table'`).map((t) => t.name)); // prettier-ignore
    const kinds = KIND_NAMES.filter((kind) => tables.has(kind));
    const passes = tables.has('passes') ? rowsOf<{ readonly reached: number }>(db, PASSES_SQL).map((p) => ({ ...p, reached: !!p.reached })) : []; // prettier-ignore
    const rounds = tables.has('rounds') ? rowsOf<{ readonly body: string }>(db, 'select body from rounds order by seq').flatMap((r) => roundIn(r.body)) : []; // prettier-ignore
    return { value: { kind: BUNDLE_KIND, version: 1, ...Object.fromEntries(kinds.map((kind) => [kind, rows(kind)])), passes, rounds } };
  } catch (e) {
    return { problem: `This copy cannot be read: ${wordsOf(e)}.` };
  } finally {
    db.close();
  }
}
