import { createStore, delMany, entries, set, type UseStore } from 'idb-keyval';
import { API, MOST_SENT, type Pass, type PassesKept } from '../../../contract';
import { keptValue } from '../kept-value';

/**
 * Passes on their way to the log. Each is kept in the browser until the server has acknowledged it, so that one that ends while
 * the server is away is sent later; the server takes an id once, so that it is never logged twice.
 */
let opened: UseStore | null = null;
const box = (): UseStore => (opened ??= createStore('crow-ladder-log', 'outbox'));

/** Where the browser forbids storage, for as long as the page lives. */
const held = new Map<string, Pass>();

/** What there is to say of it: passes that wait, and why some were refused. */
export interface OutboxState {
  waiting: number;
  refused: string[];
}
let state: OutboxState = { waiting: 0, refused: [] };
const listeners = new Set<() => void>();
export const outboxState = (): OutboxState => state;
export const onOutbox = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
const tell = (next: OutboxState): void => {
  state = next;
  listeners.forEach((l) => l());
};

/** Counts up over reloads, so that passes keep their order whatever the clock says. */
const counter = keptValue('log-counter', (v): number => (typeof v === 'number' && Number.isSafeInteger(v) && v >= 0 ? v : 0));
function nextKey(id: string): string {
  const n = counter.get() + 1;
  counter.set(n);
  return `${String(n).padStart(12, '0')}/${id}`;
}

/** Storage may be full or forbidden: a box that cannot be opened is no box. */
async function attempt<T>(action: () => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await action();
  } catch {
    return otherwise;
  }
}

async function all(): Promise<[string, Pass][]> {
  const kept = await attempt(() => entries<string, Pass>(box()), []);
  return [...kept, ...held].sort(([a], [b]) => (a < b ? -1 : 1));
}

/** Keeps a pass and sends what there is. */
export async function logPass(pass: Pass): Promise<void> {
  const key = nextKey(pass.id);
  if (!(await attempt(() => set(key, pass, box()).then(() => true), false))) held.set(key, pass);
  void sendPasses();
}

/** One window sends at a time, and one thing at a time in it. */
let sending: Promise<unknown> = Promise.resolve();
const alone = (work: () => Promise<void>): Promise<unknown> => {
  const locks = typeof navigator === 'undefined' ? undefined : (navigator as Partial<Navigator>).locks;
  return (sending = sending.then(() => (locks ? locks.request('crow-ladder:outbox', work) : work())).catch(() => undefined));
};

let onKept: () => void = () => undefined;
/** What is done when passes have come into the log. */
export const whenKept = (then: () => void): void => void (onKept = then);

/** Sends all that waits, oldest first; what the server does not answer for stays. */
export const sendPasses = (): Promise<unknown> =>
  alone(async () => {
    for (;;) {
      const some = (await all()).slice(0, MOST_SENT);
      tell({ ...state, waiting: some.length });
      if (!some.length) return;
      const answer = await post(some.map(([, pass]) => pass));
      if (!answer) return;
      const done = new Set([...answer.kept, ...answer.refused.map((r) => r.id)]);
      const gone = some.filter(([, pass]) => done.has(pass.id)).map(([key]) => key);
      if (!gone.length) return;
      await drop(gone);
      tell({ waiting: some.length - gone.length, refused: [...state.refused, ...answer.refused.map((r) => r.message)] });
      onKept();
    }
  });

async function drop(keys: string[]): Promise<void> {
  keys.forEach((k) => held.delete(k));
  await attempt(() => delMany(keys, box()), undefined);
}

/** The server's answer, or null where it gave none that counts. */
async function post(passes: Pass[]): Promise<PassesKept | null> {
  try {
    const answer = await fetch(API.passes, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ passes }),
    });
    return answer.ok ? ((await answer.json()) as PassesKept) : null;
  } catch {
    return null;
  }
}

const AGAIN_AFTER = 20_000; // ms

/** Tries again whenever there is a chance. */
export function keepSending(): void {
  void sendPasses();
  addEventListener('online', () => void sendPasses());
  document.addEventListener('visibilitychange', () => void sendPasses());
  setInterval(() => {
    if (state.waiting) void sendPasses();
  }, AGAIN_AFTER);
}
