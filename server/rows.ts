import type Sqlite from 'better-sqlite3';

/** The rows that a query of the file itself answers, as its columns are named in it. */
export const rowsOf = <T>(db: Sqlite.Database, sql: string): T[] => db.prepare(sql).all() as T[];
