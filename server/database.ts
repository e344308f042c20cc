import Sqlite from 'better-sqlite3';
import knex, { type Knex } from 'knex';
import { existsSync, mkdirSync, renameSync } from 'node:fs';
import { homedir } from 'node:os';
import { dirname, join } from 'node:path';
import { migrationSource } from './migrations';

/** The notebook's file: CROW_LADDER_DB, else the user's data folder (XDG). */
export function databaseFile(env: NodeJS.ProcessEnv = process.env): string {
  if (env.CROW_LADDER_DB) return env.CROW_LADDER_DB;
  const data = env.XDG_DATA_HOME || join(env.HOME || homedir(), '.local', 'share');
  return join(data, 'crow-ladder', 'notebook.sqlite');
}

/** What is wrong with a database file, in SQLite's words; null if it is sound or not there yet. Reads only. */
export function damageOf(file: string): string | null {
  if (!existsSync(file)) return null;
  let db: Sqlite.Database | undefined;
  try {
    db = new Sqlite(file, { readonly: true, fileMustExist: true });
    const rows = db.pragma('quick_check') as { quick_check: string }[];
    return rows[0]?.quick_check === 'ok' ? null : (rows[0]?.quick_check ?? 'the check gave no answer');
  } catch (e) {
    return e instanceof Error ? e.message : String(e);
  } finally {
    db?.close();
  }
}

/** Moves a damaged file and its side files out of the way, unchanged; returns the new name. */
export function setAside(file: string, now: Date): string {
  const aside = `${file}.damaged-${now.toISOString().replace(/[:.]/g, '-')}`;
  for (const tail of ['', '-wal', '-shm']) if (existsSync(file + tail)) renameSync(file + tail, aside + tail);
  return aside;
}

interface Pragmas {
  pragma: (text: string) => unknown;
}

/**
 * Opens the database and brings its tables up to date. Write-ahead log with full syncs: an acknowledged save
 * survives a killed process and a power cut.
 */
export async function openDatabase(file: string): Promise<Knex> {
  mkdirSync(dirname(file), { recursive: true });
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    pool: { min: 1, max: 1, afterCreate: prepare },
  });
  await db.migrate.latest({ migrationSource });
  return db;
}

function prepare(connection: Pragmas, done: (error: Error | null, connection: Pragmas) => void): void {
  for (const line of ['journal_mode = WAL', 'synchronous = FULL', 'foreign_keys = ON', 'busy_timeout = 4000']) connection.pragma(line);
  done(null, connection);
}
