import { rowsOf } from './rows';
import { codeOf } from './error-code';
import Sqlite from 'better-sqlite3';
import { closeSync, copyFileSync, existsSync, mkdtempSync, openSync, readFileSync, readSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { MIGRATION_NAMES } from './migrations';

/** Marks a database file as ours: "Crow" in its header. */
export const APPLICATION_ID = 0x43726f77;

/** What a file is before anything is written to it. */
export type Inspected =
  /** Not there, or empty: a notebook can begin here. Ours: `behind` is one that an older Crow Ladder kept. */
  | { readonly kind: 'new' }
  | { readonly kind: 'ours'; readonly behind: boolean }
  | { readonly kind: 'damaged' | 'foreign' | 'newer' | 'unreachable'; readonly why: string };

/** Tables that a notebook may hold; SQLite's own aside. */
const TABLES = new Set([
  'studies',
  'instruments',
  'scales',
  'drills',
  'passes',
  'rounds',
  'meta',
  'versions',
  'devices',
  'knex_migrations',
  'knex_migrations_lock',
]);
const HEADER = 100;
const MAGIC = 'SQLite format 3\0';

/** SQLite's address of a file that is only read. `immutable` touches no side file either. */
const readOnly = (file: string): string => `${pathToFileURL(file).href}?mode=ro&immutable=1`;

/** Looks at a file that should be a notebook. Reads only: the file, its time and its side files stay as they are. */
export function inspect(file: string): Inspected {
  let header: Buffer;
  try {
    if (!existsSync(file)) return { kind: 'new' };
    if (!statSync(file).isFile()) return { kind: 'unreachable', why: 'it is a folder, not a file' };
    header = headerOf(file);
  } catch (e) {
    return { kind: 'unreachable', why: wordsOf(e) };
  }
  const hasLog = existsSync(`${file}-wal`) && statSync(`${file}-wal`).size > 0;
  if (!header.length) return hasLog ? inCopy(file) : { kind: 'new' };
  if (header.length < HEADER || header.toString('latin1', 0, 16) !== MAGIC) return { kind: 'damaged', why: 'it is not a database' };
  const id = header.readUInt32BE(68);
  if (id !== 0 && id !== APPLICATION_ID) return { kind: 'foreign', why: 'it is a database of another program' };
  const cut = cutOff(file, header, hasLog);
  if (cut) return { kind: 'damaged', why: cut };
  return hasLog ? inCopy(file) : read(readOnly(file), id === APPLICATION_ID);
}

function headerOf(file: string): Buffer {
  const fd = openSync(file, 'r');
  try {
    const header = Buffer.alloc(HEADER);
    return header.subarray(0, readSync(fd, header, 0, HEADER, 0));
  } finally {
    closeSync(fd);
  }
}

/**
 * Whether pages are missing at the end: the header (or the log's last commit) says how many there are; those beyond the
 * file's end must stand in the write-ahead log. SQLite itself reads a cut page as zeros and does not complain.
 */
function cutOff(file: string, header: Buffer, hasLog: boolean): string | null {
  const pageSize = header.readUInt16BE(16) === 1 ? 65_536 : header.readUInt16BE(16);
  const whole = Math.floor(statSync(file).size / pageSize);
  const log = hasLog ? pagesInLog(`${file}-wal`, pageSize) : null;
  const pages = log?.total ?? header.readUInt32BE(28);
  for (let page = whole + 1; page <= pages; page++)
    if (!log?.pages.has(page)) return `${pages - whole} of its ${pages} pages are missing at the end`;
  return null;
}

const LOG_HEADER = 32;
const FRAME_HEADER = 24;

/** Pages that a write-ahead log holds, up to its last commit, and how many the database then has. */
function pagesInLog(log: string, pageSize: number): { readonly pages: Set<number>; readonly total: number | null } {
  const bytes = readFileSync(log);
  const salt = bytes.subarray(16, 24);
  const committed = new Set<number>();
  let pending: number[] = [];
  let total: number | null = null;
  for (let at = LOG_HEADER; at + FRAME_HEADER + pageSize <= bytes.length; at += FRAME_HEADER + pageSize) {
    if (!bytes.subarray(at + 8, at + 16).equals(salt)) break;
    pending.push(bytes.readUInt32BE(at));
    const size = bytes.readUInt32BE(at + 4);
    if (!size) continue;
    total = size;
    pending.forEach((p) => committed.add(p));
    pending = [];
  }
  return { pages: committed, total };
}

/** A file whose log was not yet written back is looked at in a copy, where SQLite may bring the two together. */
function inCopy(file: string): Inspected {
  const folder = mkdtempSync(join(tmpdir(), 'crow-ladder-'));
  const copy = join(folder, 'n.sqlite');
  try {
    for (const tail of ['', '-wal']) if (existsSync(file + tail)) copyFileSync(file + tail, copy + tail);
    return read(copy, false);
  } catch (e) {
    return { kind: 'unreachable', why: wordsOf(e) };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function read(address: string, marked: boolean): Inspected {
  let db: Sqlite.Database | undefined;
  try {
    db = new Sqlite(address);
    const said = rowsOf<{ readonly quick_check: string }>(db, 'pragma quick_check')[0]?.quick_check;
    if (said !== 'ok') return { kind: 'damaged', why: said ?? 'it says nothing of itself' };
    const tables = rowsOf<{ readonly name: string }>(db, "select name from sqlite_master where type = 'table' and name not like 'sqlite_%'").map((t) => t.name); // prettier-ignore
    if (!tables.length) return { kind: 'new' };
    if (!marked && !(tables.includes('knex_migrations') && tables.every((t) => TABLES.has(t))))
      return { kind: 'foreign', why: 'it is a database of another program' };
    const done = tables.includes('knex_migrations') ? rowsOf<{ readonly name: string }>(db, 'select name from knex_migrations') : [];
    return done.every((m) => MIGRATION_NAMES.includes(m.name))
      ? { kind: 'ours', behind: done.length < MIGRATION_NAMES.length }
      : { kind: 'newer', why: 'it was made by a newer Crow Ladder' };
  } catch (e) {
    return { kind: 'damaged', why: wordsOf(e) };
  } finally {
    db?.close();
  }
}

const SYSTEM: Readonly<Record<string, string>> = Object.freeze({
  EACCES: 'this user may not read or write there',
  EPERM: 'this user may not read or write there',
  EROFS: 'that place can only be read',
  EEXIST: 'a part of the path is a file, not a folder',
  ENOTDIR: 'a part of the path is a file, not a folder',
  ENOSPC: 'the disk is full',
  EISDIR: 'it is a folder, not a file',
  ENOENT: 'there is no such file',
});

/** What a failed call of the system or of SQLite means, in a few words. */
export function wordsOf(e: unknown): string {
  return SYSTEM[codeOf(e)] ?? (e instanceof Error ? e.message : String(e)).split(' - ').pop()?.slice(0, 200) ?? 'unknown';
}
