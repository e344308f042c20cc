import { locks } from '../locks';
import { createStore, delMany, entries, set, type UseStore } from 'idb-keyval';
import { API, MOST_ROUNDS_SENT, MOST_SENT, type Pass, type Round } from '../../../contract';
import { keptValue } from '../kept-value';

/** What there is to say of an outbox: what waits in it, and why some was refused. */
export interface OutboxState {
  readonly waiting: number;
  readonly refused: string[];
}

/**
 * Things on their way to the server's log. Each is kept in the browser until the server has acknowledged it, so that one that ends while
 * the server is away is sent later; the server takes an id once, so that it is never logged twice.
 */
export interface Outbox<T> {
  /** Keeps one and sends what there is. */
  readonly keep: (one: T) => Promise<void>;
  /** Puts some away at once, as a page that closes must: kept when the next page begins. */
  readonly leave: (some: readonly T[]) => void;
  readonly keepLeft: () => Promise<void>;
  /** Sends all that waits, oldest first; what the server does not answer for stays. */
  readonly send: () => Promise<unknown>;
  readonly state: () => OutboxState;
  readonly subscribe: (listener: () => void) => () => void;
  /** What is done when something has come into the log. */
  readonly whenKept: (then: () => void) => void;
}

/** The server's answer. */
interface Answer {
  readonly kept: string[];
  readonly refused: { readonly id: string; readonly message: string }[];
}

/** Storage may be full or forbidden: a box that cannot be opened is no box. */
async function attempt<T>(action: () => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await action();
  } catch {
    return otherwise;
  }
}

/** Counts up over reloads, so that what waits keeps its order whatever the clock says. */
const counter = keptValue('log-counter', (v): number => (typeof v === 'number' && Number.isSafeInteger(v) && v >= 0 ? v : 0));
function nextKey(id: string): string {
  const n = counter.get() + 1;
  counter.set(n);
  return `${String(n).padStart(12, '0')}/${id}`;
}

/** An outbox under a name of the browser's storage; `field` is what the server calls the list, `most` how many it takes at once. */
function outbox<T extends { readonly id: string }>(name: string, url: string, field: string, most: number): Outbox<T> {
  let opened: UseStore | null = null;
  const box = (): UseStore => (opened ??= createStore(name, 'outbox'));
  /** Where the browser forbids storage, for as long as the page lives. */
  const held = new Map<string, T>();
  const listeners = new Set<() => void>();
  let state: OutboxState = { waiting: 0, refused: [] };
  let onKept: () => void = () => undefined;
  const tell = (next: OutboxState): void => {
    state = next;
    listeners.forEach((l) => l());
  };

  const all = async (): Promise<[string, T][]> => {
    const kept = await attempt(() => entries<string, T>(box()), []);
    return [...kept, ...held].sort(([a], [b]) => (a < b ? -1 : 1));
  };
  const drop = async (keys: string[]): Promise<void> => {
    keys.forEach((k) => held.delete(k));
    await attempt(() => delMany(keys, box()), undefined);
  };
  /** The server's answer, or null where it gave none that counts. */
  const post = async (some: T[]): Promise<Answer | null> => {
    try {
      const answer = await fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ [field]: some }) }); // prettier-ignore
      return answer.ok ? ((await answer.json()) as Answer) : null;
    } catch {
      return null;
    }
  };

  /** One window sends at a time, and one thing at a time in it. */
  let sending: Promise<unknown> = Promise.resolve();
  const alone = (work: () => Promise<void>): Promise<unknown> => {
    const turns = locks();
    return (sending = sending.then(() => (turns ? turns.request(`${name}:outbox`, work) : work())).catch(() => undefined));
  };
  const send = (): Promise<unknown> =>
    alone(async () => {
      for (;;) {
        const some = (await all()).slice(0, most);
        tell({ ...state, waiting: some.length });
        if (!some.length) return;
        const answer = await post(some.map(([, one]) => one));
        if (!answer) return;
        const done = new Set([...answer.kept, ...answer.refused.map((r) => r.id)]);
        const gone = some.filter(([, one]) => done.has(one.id)).map(([key]) => key);
        if (!gone.length) return;
        await drop(gone);
        tell({ waiting: some.length - gone.length, refused: [...state.refused, ...answer.refused.map((r) => r.message)] });
        onKept();
      }
    });
  const keep = async (one: T): Promise<void> => {
    const key = nextKey(one.id);
    if (!(await attempt(() => set(key, one, box()).then(() => true), false))) held.set(key, one);
    void send();
  };
  const left = keptValue(`left-${field}`, (v): T[] => (Array.isArray(v) ? (v as T[]) : []));
  const leave = (some: readonly T[]): void => void (some.length && left.set([...left.get(), ...some]));
  const keepLeft = async (): Promise<void> => {
    const some = left.get();
    if (!some.length) return;
    for (const one of some) await keep(one);
    left.set([]);
  };
  const subscribe = (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => void listeners.delete(listener);
  };
  return { keep, leave, keepLeft, send, subscribe, state: () => state, whenKept: (then) => void (onKept = then) };
}

export const passBox = outbox<Pass>('crow-ladder-log', API.passes, 'passes', MOST_SENT);
export const roundBox = outbox<Round>('crow-ladder-rounds', API.rounds, 'rounds', MOST_ROUNDS_SENT);
export const logPass = passBox.keep;

const AGAIN_AFTER = 20_000; // ms

/** Tries again whenever there is a chance. */
export function keepSending(): void {
  const sendAll = (): void => [passBox, roundBox].forEach((b) => void b.send());
  sendAll();
  addEventListener('online', sendAll);
  document.addEventListener('visibilitychange', sendAll);
  setInterval(() => {
    for (const b of [passBox, roundBox]) if (b.state().waiting) void b.send();
  }, AGAIN_AFTER);
}
