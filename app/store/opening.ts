import { fieldsOf } from '../../core';
import { dequal } from 'dequal/lite';
import type { Kept, Problem, StudyBody } from '../../contract';
import type { OPENING_WORDS } from '../words/open-text';
import type { Opened } from './editor';
import type { OpenRecord } from './local';

/** What comes of opening a study: it is open, or a reason that has its words. */
export type Opening = 'open' | keyof typeof OPENING_WORDS;

/** What this browser has of a study. */
export interface Local {
  /** This window's own record. */
  readonly own: OpenRecord | null;
  /** What closed windows left unsaved, newest first. */
  readonly strays: OpenRecord[];
}

/** What a closed window left goes on in this one, if nothing was saved since (or nobody knows); else it is offered. */
export function takenOver({ own, strays }: Local, stands: number | null): Local {
  const [newest, ...others] = strays;
  const goesOn = !own?.unsaved && newest && (stands === null || newest.revision === stands);
  return goesOn ? { own: newest, strays: others } : { own, strays };
}

type Held = Kept<StudyBody> & { readonly problems: Problem[] };

/** Unsaved work from the revision that stands is still to be saved; from an older one it is a conflict to be settled, unless what stands is what this window had sent. */
export function openedFrom({ problems, ...kept }: Held, { own }: Pick<Local, 'own'>): Opened {
  if (!own || problems.length) return { kept, problems };
  const history = { past: own.past, future: own.future };
  const arrived = own.sent !== null && own.revision < kept.revision && dequal(own.sent, kept.body);
  if (dequal(own.body, kept.body)) return { kept, problems, ...(own.revision === kept.revision || arrived ? history : {}) };
  if (!own.unsaved) return { kept, problems };
  return own.revision === kept.revision || arrived
    ? { kept, problems, draft: own.body, ...history }
    : { kept, problems, draft: own.body, conflict: kept, ...history };
}

/** Without the server's record: what the browser kept of it, or why nothing can be shown. */
export function openedWithout(error: unknown, { own }: Pick<Local, 'own'>): Opened | { readonly why: Exclude<Opening, 'open'> } {
  const { status } = fieldsOf(error);
  if (status === 422) return { why: 'damaged' };
  if (status === 404 && !own?.unsaved) return { why: 'missing' };
  if (!own && status === 401) return { why: 'not-let-in' };
  if (!own) return { why: 'offline' };
  const { id, revision, body, savedAt, past, future, unsaved } = own;
  const kept: Kept<StudyBody> = { id, revision, createdAt: 0, updatedAt: savedAt ?? 0, body };
  const save = status === 404 ? 'gone' : unsaved ? 'offline' : 'saved';
  return { kept, problems: [], draft: body, save, past, future };
}
