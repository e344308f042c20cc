import type { Knex } from 'knex';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { API, type StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { createApp } from '../../server/app';
import { openDatabase } from '../../server/database';

export const folder = (): string => mkdtempSync(join(tmpdir(), 'crow-hard-'));
export const body = (change: object = {}): StudyBody => ({ ...structuredClone(DEMO.studies[0]!.body), instrumentId: null, ...change });
export const sum = (file: string): string => createHash('sha256').update(readFileSync(file)).digest('hex');
export const json = async <T>(r: Response | Promise<Response>): Promise<T> => (await r).json() as Promise<T>;

/** A fresh notebook file with its server, without a port. */
export interface Served {
  db: Knex;
  file: string;
  call: (method: string, path: string, payload?: unknown, headers?: Record<string, string>) => Promise<Response>;
  /** Makes a study and gives its id. */
  make: (change?: object) => Promise<string>;
  save: (id: string, revision: number, change: object) => Promise<Response>;
}

export async function served(): Promise<Served> {
  const file = join(folder(), 'notebook.sqlite');
  const db = await openDatabase(file);
  const app = createApp(db, undefined, file);
  const call: Served['call'] = async (method, path, payload, headers = {}) =>
    app.request(`http://127.0.0.1${path}`, {
      method,
      headers: { host: '127.0.0.1', ...(payload === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      ...(payload === undefined ? {} : { body: typeof payload === 'string' ? payload : JSON.stringify(payload) }),
    });
  return {
    db,
    file,
    call,
    make: async (change = {}) => (await json<{ id: string }>(call('POST', API.studies, { body: body(change) }))).id,
    save: (id, revision, change) => call('PUT', `${API.studies}/${id}`, { revision, body: body(change) }),
  };
}
