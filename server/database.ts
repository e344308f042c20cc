import knex, { type Knex } from 'knex';
import { closeSync, copyFileSync, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { APPLICATION_ID } from './inspect';
import { migrationSource } from './migrations';

const TAILS = ['', '-wal', '-shm'];

/** Moves a file and its side files out of the way, unchanged; returns the new name. */
export function setAside(file: string, now: Date): string {
  const aside = `${file}.damaged-${now.toISOString().replace(/[:.]/g, '-')}`;
  for (const tail of TAILS) if (existsSync(file + tail)) renameSync(file + tail, aside + tail);
  return aside;
}

interface Pragmas {
  readonly pragma: (text: string) => unknown;
}

/** Write-ahead log with full syncs: an acknowledged save survives a killed process and a power cut. It is written back every 16 MB, so that not every large save pays for it. */
const PRAGMAS = ['journal_mode = WAL', 'synchronous = FULL', 'foreign_keys = ON', 'busy_timeout = 4000', 'wal_autocheckpoint = 4000'];

function prepare(connection: Pragmas, done: (error: Error | null, connection: Pragmas) => void): void {
  for (const line of PRAGMAS) connection.pragma(line);
  done(null, connection);
}

/** A connection to a notebook that is known to be ours; tables are not looked at. */
export const connectTo = (file: string): Knex =>
  knex({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    pool: { min: 1, max: 1, afterCreate: prepare },
  });

/** Opens a notebook, marks it as ours and brings its tables up to date. Only for files that `inspect` calls new or ours. */
export async function openDatabase(file: string): Promise<Knex> {
  mkdirSync(dirname(file), { recursive: true });
  const db = connectTo(file);
  // A process that was killed while it brought the tables up to date left its lock behind; each step is a transaction of its own.
  await db.migrate.forceFreeMigrationsLock({ migrationSource });
  await db.migrate.latest({ migrationSource });
  await db.raw(`PRAGMA application_id = ${APPLICATION_ID}`);
  return db;
}

/** Closes a notebook with its log written back, so that the one file is whole. */
export async function closeDatabase(db: Knex): Promise<void> {
  await db.raw('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => undefined);
  await db.destroy();
}

function syncFile(file: string): void {
  const fd = openSync(file, 'r+');
  fsyncSync(fd);
  closeSync(fd);
}

const unfinished = (file: string): string => `${file}.new`;

/**
 * Makes a notebook whole under another name, then gives it its own: whoever is killed meanwhile leaves nothing under the
 * name, and what is left under the other is swept away by the next start.
 */
export async function createDatabase(file: string, fill: (db: Knex) => Promise<unknown>): Promise<void> {
  mkdirSync(dirname(file), { recursive: true });
  const making = unfinished(file);
  for (const name of readdirSync(dirname(file))) if (name.startsWith(basename(making))) rmSync(join(dirname(file), name), { force: true });
  const db = await openDatabase(making);
  await fill(db);
  await closeDatabase(db);
  for (const tail of TAILS) rmSync(file + tail, { force: true }); // empty, or it would not be new
  // A copy gets the name: SQLite goes by the file itself, and the driver closes late, so that a renamed file would be
  // opened with the side files of its old name, which no other process sees.
  const whole = `${making}.whole`;
  copyFileSync(making, whole);
  syncFile(whole);
  renameSync(whole, file);
  for (const tail of TAILS) rmSync(making + tail, { force: true });
}
