import type { Knex } from 'knex';
import { existsSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import { JOBS, type JobName, type Jobs } from './jobs';
import type { Sent } from './keep';
import type { Refused } from './prepare';
import type { Kept } from './repository';

/** A save of fewer characters is kept at once; more go to the other thread, so that nobody waits behind them. */
const AT_ONCE = 200_000;

export interface Order {
  readonly id: number;
  readonly name: JobName;
  readonly ask: unknown;
}
export type Word = { readonly id: number } & (
  { readonly share: number } | { readonly answer: unknown } | { readonly failed: string; readonly code?: string }
);

/** Where long work is done: on another thread with a connection of its own, or here where there is none (tests). */
export interface Workshop {
  keep(sent: Sent): Promise<Refused | Kept>;
  run<N extends JobName>(name: N, ask: Jobs[N]['ask']): Promise<Jobs[N]['answer']>;
  /** How far the job is that writes much, 0 to 1; null where none runs. */
  progress(): number | null;
  /** Ends when nothing writes much: other writers wait so, without holding anyone up. */
  quiet(): Promise<unknown>;
  close(): Promise<void>;
}

const WRITES: ReadonlySet<JobName> = new Set(['take', 'restore']);

interface Waiting {
  readonly done: (answer: unknown) => void;
  readonly fail: (e: Error) => void;
}

/** The other thread, made when it is first needed. */
class Bench {
  private worker: Worker | null = null;
  private readonly waiting = new Map<number, Waiting>();
  private next = 0;

  constructor(
    private readonly script: URL,
    private readonly file: string | null,
    private readonly told: (share: number) => void,
  ) {}

  ask(name: JobName, ask: unknown): Promise<unknown> {
    const id = this.next++;
    const answer = new Promise((done, fail) => this.waiting.set(id, { done, fail }));
    this.thread().postMessage({ id, name, ask } satisfies Order);
    return answer;
  }

  async close(): Promise<void> {
    await this.worker?.terminate();
  }

  private thread(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(this.script, { workerData: { file: this.file } });
    worker.unref();
    worker.on('message', (word: Word) => this.hear(word));
    worker.on('error', (e) => this.broke(e));
    this.worker = worker;
    return worker;
  }

  private hear(word: Word): void {
    const waiting = this.waiting.get(word.id);
    if ('share' in word) return this.told(word.share);
    this.waiting.delete(word.id);
    if ('answer' in word) waiting?.done(word.answer);
    else waiting?.fail(Object.assign(new Error(word.failed), { code: word.code }));
  }

  private broke(e: Error): void {
    this.worker = null;
    for (const { fail } of this.waiting.values()) fail(e);
    this.waiting.clear();
  }
}

export function workshop(db: Knex, file: string | null, script: URL | null = workerScript()): Workshop {
  let share: number | null = null;
  let writing: Promise<unknown> = Promise.resolve();
  const told = (s: number): void => void (share = s);
  const bench = script && file ? new Bench(script, file, told) : null;
  const once = async <N extends JobName>(name: N, ask: Jobs[N]['ask']): Promise<Jobs[N]['answer']> =>
    bench ? ((await bench.ask(name, ask)) as Jobs[N]['answer']) : JOBS[name](ask, { db: () => db, file }, told);
  const run = async <N extends JobName>(name: N, ask: Jobs[N]['ask']): Promise<Jobs[N]['answer']> => {
    if (!WRITES.has(name)) return once(name, ask);
    const before = writing;
    const work = (async () => {
      await before;
      share = 0;
      return once(name, ask);
    })();
    writing = work.catch(() => undefined).finally(() => (share = null));
    return work;
  };
  return {
    run,
    keep: (sent) => (sent.text.length <= AT_ONCE ? JOBS.keep(sent, { db: () => db, file }, told) : run('keep', sent)),
    progress: () => share,
    quiet: () => writing,
    close: async () => bench?.close(),
  };
}

/** The built worker beside the built server; null where the server runs from its sources. */
function workerScript(): URL | null {
  const script = new URL('./worker.js', import.meta.url);
  return script.protocol === 'file:' && existsSync(script) ? script : null;
}
