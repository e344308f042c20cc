import { locks } from './locks';
import { createStore, del, entries, get, set, type UseStore } from 'idb-keyval';
import type { StudyBody } from '../../contract';
import type { Change } from './editor';

/** A study as a window has it open, kept in the browser so that a closed, killed or reloaded window loses nothing. */
export interface OpenRecord {
  readonly id: string;
  readonly window: string;
  /** The revision that the body goes on from. */
  readonly revision: number;
  readonly body: StudyBody;
  /** Whether the body holds what the server has not acknowledged. */
  readonly unsaved: boolean;
  /** What was on its way to the server when this was kept. */
  readonly sent: StudyBody | null;
  readonly past: Change[];
  readonly future: Change[];
  readonly savedAt: number | null;
  /** When it was kept, milliseconds since 1970. */
  readonly at: number;
}

/** Storage may be full or forbidden; saving to the server does not depend on it. */
async function attempt<T>(action: () => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await action();
  } catch {
    return otherwise;
  }
}

let opened: UseStore | null = null;
const store = (): UseStore => (opened ??= createStore('crow-ladder', 'open-studies'));
const keyOf = (id: string, window: string): string => `${id}/${window}`;

export const keepOpen = (record: OpenRecord): Promise<void> =>
  attempt(() => set(keyOf(record.id, record.window), record, store()), undefined);
export const dropOpen = (id: string, window: string): Promise<void> => attempt(() => del(keyOf(id, window), store()), undefined);
export const openedHere = (id: string, window: string): Promise<OpenRecord | null> =>
  attempt(async () => (await get<OpenRecord>(keyOf(id, window), store())) ?? null, null);

/** What was saved is kept for a server that is away, for so long: two days, in ms. */
const CLEAN_FOR = 2 * 24 * 3600_000;

/** What windows that are closed by now left unsaved of a study, newest first. */
export async function leftBehind(id: string, window: string): Promise<OpenRecord[]> {
  const all = await attempt(() => entries<string, OpenRecord>(store()), []);
  const alive = await windowsAlive();
  const old = Date.now() - CLEAN_FOR;
  for (const [, r] of all) if (!r.unsaved && r.at < old && !alive.has(r.window)) void dropOpen(r.id, r.window);
  return all
    .map(([, record]) => record)
    .filter((r) => r.id === id && r.window !== window && r.unsaved && !alive.has(r.window))
    .sort((a, b) => b.at - a.at);
}

/** The loose leaf that was written on last, in this window or, where it has none, in another; those of windows that are closed go. */
export async function lastLeaf(id: string, window: string): Promise<OpenRecord | null> {
  const all = (await attempt(() => entries<string, OpenRecord>(store()), [])).map(([, r]) => r).filter((r) => r.id === id);
  const alive = await windowsAlive();
  const found = all.find((r) => r.window === window) ?? all.sort((a, b) => b.at - a.at)[0];
  for (const r of all) if (r.window !== window && r !== found && !alive.has(r.window)) void dropOpen(id, r.window);
  return found ?? null;
}

const WINDOW = 'crow-ladder:window';
const LAST = 'crow-ladder:last-study';
const lockOf = (window: string): string => `${WINDOW}:${window}`;

const letters = (): string =>
  [...crypto.getRandomValues(new Uint8Array(8))]
    .map((b) => b.toString(36))
    .join('')
    .slice(0, 12);

let mine: Promise<string> | null = null;
/** This window's own name. It outlasts a reload; a window that was duplicated gets a new one. Held by a lock while the window lives. */
export const windowName = (): Promise<string> => (mine ??= nameWindow());

async function nameWindow(): Promise<string> {
  const before = read(thisWindow, WINDOW);
  const name = before && (await hold(before)) ? before : letters();
  if (name !== before) await hold(name);
  write(thisWindow, WINDOW, name);
  return name;
}

/** Takes a window's lock for as long as the page lives; false where another window has it. A page that just goes may keep it a moment. */
async function hold(name: string): Promise<boolean> {
  const manager = locks();
  if (!manager) return true;
  for (let tries = 0; tries < 10; tries++) {
    const got = await new Promise<boolean>((done) => {
      void manager.request(lockOf(name), { ifAvailable: true }, (lock) => {
        done(lock !== null);
        return lock ? new Promise(() => undefined) : undefined;
      });
    });
    if (got) return true;
    await new Promise((rest) => setTimeout(rest, 50));
  }
  return false;
}

async function windowsAlive(): Promise<ReadonlySet<string>> {
  const state = await attempt(async () => (await locks()?.query()) ?? null, null);
  return new Set((state?.held ?? []).flatMap(({ name }) => (name?.startsWith(lockOf('')) ? [name.slice(lockOf('').length)] : [])));
}

type Where = () => Storage;
const thisWindow: Where = () => sessionStorage;
const everyWindow: Where = () => localStorage;

const read = (where: Where, key: string): string | null => {
  try {
    return where().getItem(key);
  } catch {
    return null;
  }
};
const write = (where: Where, key: string, value: string): void => {
  try {
    where().setItem(key, value);
  } catch {
    // forbidden or full: the window begins anew after a reload
  }
};

/** What this window had open, a study or a loose leaf. */
export const lastHere = (): string | null => read(thisWindow, LAST);
/** The study that was opened last, in whatever window. */
export const lastStudy = (): string | null => read(everyWindow, LAST);
export const rememberHere = (id: string): void => write(thisWindow, LAST, id);
export function rememberLast(id: string): void {
  rememberHere(id);
  write(everyWindow, LAST, id);
}
