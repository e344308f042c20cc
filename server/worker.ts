import { codeOf } from './error-code';
import type { Knex } from 'knex';
import { parentPort, workerData } from 'node:worker_threads';
import { connectTo } from './database';
import { JOBS } from './jobs';
import type { Order, Word } from './workshop';

/** The thread for long work: one job after the other, on a connection of its own. */
const { file } = workerData as { readonly file: string | null };
let connection: Knex | null = null;
const db = (): Knex => (connection ??= connectTo(file!));
const say = (word: Word): void => parentPort?.postMessage(word);

async function work({ id, name, ask }: Order): Promise<void> {
  let last = 0;
  const told = (share: number): void => {
    if (share - last < 0.01) return;
    last = share;
    say({ id, share });
  };
  try {
    const job = JOBS[name] as (
      ask: unknown,
      on: { readonly db: () => Knex; readonly file: string | null },
      told: (share: number) => void,
    ) => Promise<unknown>;
    say({ id, answer: await job(ask, { db, file }, told) });
  } catch (e) {
    say({ id, failed: e instanceof Error ? e.message : String(e), code: codeOf(e) });
  }
}

let queue: Promise<void> = Promise.resolve();
parentPort?.on('message', (order: Order) => {
  queue = queue.then(() => work(order));
});
