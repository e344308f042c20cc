import { codeOf } from './error-code';
import Sqlite from 'better-sqlite3';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';

/** Held by the one server that a notebook has; the system itself lets it go when the process ends, however it ends. */
export interface NotebookLock {
  /** Leaves word for a second start where this server answers. */
  readonly announce: (url: string) => void;
  readonly release: () => void;
}

const lockFile = (file: string): string => `${file}.lock`;
const addressFile = (file: string): string => `${file}.address`;

/** Takes the lock of a notebook, or says where the server that has it answers. */
export function takeLock(file: string): { readonly lock: NotebookLock } | { readonly heldBy: string } {
  const db = new Sqlite(lockFile(file), { timeout: 0 });
  try {
    db.exec('BEGIN EXCLUSIVE');
  } catch (e) {
    db.close();
    if (codeOf(e) !== 'SQLITE_BUSY') throw e;
    return { heldBy: addressOf(file) };
  }
  return {
    lock: {
      announce: (url) => writeFileSync(addressFile(file), url),
      release: () => {
        rmSync(addressFile(file), { force: true });
        db.close();
      },
    },
  };
}

function addressOf(file: string): string {
  try {
    return readFileSync(addressFile(file), 'utf8').slice(0, 100);
  } catch {
    return '';
  }
}
