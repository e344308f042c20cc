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

/** What waits, in the browser's storage under a name; where that is forbidden, for as long as the page lives. */
class Box<T extends { readonly id: string }> {
  private opened: UseStore | null = null;
  private readonly held = new Map<string, T>();

  constructor(private readonly name: string) {}

  private store(): UseStore {
    return (this.opened ??= createStore(this.name, 'outbox'));
  }

  /** Oldest first, each under its key. */
  async all(): Promise<[string, T][]> {
    const kept = await attempt(() => entries<string, T>(this.store()), []);
    return [...kept, ...this.held].sort(([a], [b]) => (a < b ? -1 : 1));
  }

  async add(one: T): Promise<void> {
    const key = nextKey(one.id);
    if (!(await attempt(() => set(key, one, this.store()).then(() => true), false))) this.held.set(key, one);
  }

  async drop(keys: string[]): Promise<void> {
    keys.forEach((k) => this.held.delete(k));
    await attempt(() => delMany(keys, this.store()), undefined);
  }
}

/** The server's answer to some, or null where it gave none that counts. */
async function post(url: string, field: string, some: readonly unknown[]): Promise<Answer | null> {
  try {
    const answer = await fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ [field]: some }) }); // prettier-ignore
    return answer.ok ? ((await answer.json()) as Answer) : null;
  } catch {
    return null;
  }
}

/** Work done one after another, under a name that one window has at a time. */
function inTurn(name: string): (work: () => Promise<void>) => Promise<unknown> {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const turns = locks();
    return (last = last.then(() => (turns ? turns.request(name, work) : work())).catch(() => undefined));
  };
}

/** An outbox under a name of the browser's storage; `field` is what the server calls the list, `most` how many it takes at once. */
function outbox<T extends { readonly id: string }>(name: string, url: string, field: string, most: number): Outbox<T> {
  const box = new Box<T>(name);
  const alone = inTurn(`${name}:outbox`);
  const listeners = new Set<() => void>();
  let state: OutboxState = { waiting: 0, refused: [] };
  let onKept: () => void = () => undefined;
  const tell = (next: OutboxState): void => {
    state = next;
    listeners.forEach((l) => l());
  };

  /** Sends as many as the server takes at once; whether there may be more to send. */
  const sendSome = async (): Promise<boolean> => {
    const some = (await box.all()).slice(0, most);
    tell({ ...state, waiting: some.length });
    const answer = some.length ? await post(url, field, some.map(([, one]) => one)) : null; // prettier-ignore
    if (!answer) return false;
    const done = new Set([...answer.kept, ...answer.refused.map((r) => r.id)]);
    const gone = some.filter(([, one]) => done.has(one.id)).map(([key]) => key);
    if (!gone.length) return false;
    await box.drop(gone);
    tell({ waiting: some.length - gone.length, refused: [...state.refused, ...answer.refused.map((r) => r.message)] });
    onKept();
    return true;
  };
  const send = (): Promise<unknown> =>
    alone(async () => {
      while (await sendSome());
    });
  const keep = async (one: T): Promise<void> => {
    await box.add(one);
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
