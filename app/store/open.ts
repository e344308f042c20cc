import { problemsOf, studySchema, upgradeStudy, type StudyBody } from '../../contract';
import { store } from './index';
import { api } from './api';
import { flush } from './autosave';
import { LOOSE, studyClosed, studyOpened } from './editor';
import { dropOpen, lastLeaf, leftBehind, openedHere, rememberHere, rememberLast, windowName, type OpenRecord } from './local';
import { blankLeaf } from './loose';
import { openedFrom, openedWithout, takenOver, type Local, type Opening } from './opening';

/** Only what was asked for last is opened: an answer that comes late puts nothing in the place of what is open by then. */
let turn = 0;

/** Opens a study: what the server holds, and over it what this browser had not yet got through. */
export async function openStudy(id: string): Promise<Opening> {
  const mine = ++turn;
  await flush(() => store.getState(), store.dispatch);
  const query = store.dispatch(api.endpoints.study.initiate(id, { forceRefetch: true }));
  const [{ data, error }, here, window] = await Promise.all([query, localOf(id), windowName()]);
  query.unsubscribe();
  const local = takenOver(here, data?.revision ?? null);
  if (local.own && local.own.window !== window) await dropOpen(id, local.own.window);
  if (mine !== turn) return 'open';
  const opened = data ? openedFrom(data, local) : openedWithout(error, local);
  if (!('kept' in opened)) {
    store.dispatch(studyClosed());
    return opened.why;
  }
  const strays = local.strays.map((s) => ({ window: s.window, at: s.at, body: s.body }));
  store.dispatch(studyOpened({ ...opened, strays }));
  rememberLast(id);
  return 'open';
}

/** Opens the loose leaf: the last one there was, else a blank one. The server is not asked. */
export async function openLoose(): Promise<void> {
  const mine = ++turn;
  await flush(() => store.getState(), store.dispatch);
  const record = await sound(await lastLeaf(LOOSE, await windowName()), '');
  if (mine !== turn) return;
  const kept = { id: LOOSE, revision: 0, createdAt: 0, updatedAt: record?.at ?? 0, body: record?.body ?? blankLeaf() };
  store.dispatch(studyOpened({ kept, problems: [], save: 'loose', past: record?.past, future: record?.future }));
  rememberHere(LOOSE);
}

/** The loose leaf is a study now: that is open before the leaf's record goes. A leaf opened in between would be filled from the address, and stay. */
export async function leafBecame(id: string): Promise<void> {
  await openStudy(id);
  await dropOpen(LOOSE, await windowName());
}

/** What this browser has of a study. A record that does not hold is let go. */
async function localOf(id: string): Promise<Local> {
  const window = await windowName();
  const own = await sound(await openedHere(id, window), window);
  const strays = (await Promise.all((await leftBehind(id, window)).map((r) => sound(r, r.window)))).filter((r) => r !== null);
  return { own, strays };
}

/** A record of today's format whose body holds; else it is dropped, so that it can never come up again. */
async function sound(record: OpenRecord | null, window: string): Promise<OpenRecord | null> {
  if (!record) return null;
  const body = upgradeStudy(record.body) as StudyBody;
  if (!problemsOf(studySchema, body).length) return { ...record, body };
  await dropOpen(record.id, window || record.window);
  return null;
}
