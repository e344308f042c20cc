import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Rounds of a test that may go on for ever: few in CI, as many as CROW_ROUNDS says by hand. */
export const rounds = (few: number): number => Number(process.env.CROW_ROUNDS ?? few);

export interface Running {
  url: string;
  child: ChildProcess;
  said: () => string;
}
export const newFile = (): string => join(mkdtempSync(join(tmpdir(), 'crow-dur-')), 'notebook.sqlite');

/** Starts the built server; resolves when it is ready, rejects with what it said if it ends first. */
export function start(file: string, port: number, o: { flags?: string[]; before?: string; uid?: number } = {}): Promise<Running> {
  const env = { ...process.env, CROW_LADDER_DB: file, CROW_LADDER_PORT: String(port), CI: '1' };
  const args = ['dist/server/main.js', ...(o.flags ?? [])];
  const child = o.before
    ? spawn('bash', ['-c', `${o.before}; exec "$0" "$@"`, process.execPath, ...args], { env })
    : spawn(process.execPath, args, { env, ...(o.uid ? { uid: o.uid } : {}) });
  let said = '';
  return new Promise((resolve, reject) => {
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      const url = /ready at (\S+)/.exec(said)?.[1];
      if (url) resolve({ url, child, said: () => said });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code) => reject(new Error(`ended with ${code}: ${said}`)));
  });
}

export const stop = (r: Running, signal: NodeJS.Signals = 'SIGTERM'): Promise<void> =>
  new Promise((done) => {
    if (r.child.exitCode !== null || r.child.signalCode !== null) return done();
    r.child.once('exit', () => done());
    r.child.kill(signal);
  });

export const send = (r: Running, method: string, path: string, body?: unknown): Promise<Response> =>
  fetch(r.url + path, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });
