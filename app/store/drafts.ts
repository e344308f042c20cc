import type { StudyBody } from '../../contract';

/** An edit that the server has not yet acknowledged, kept in the browser so that a closed tab loses nothing. */
export interface Draft {
  revision: number;
  body: StudyBody;
}

const key = (id: string): string => `crow-ladder:draft:${id}`;

/** Storage may be full or forbidden; the save to the server does not depend on it. */
const attempt = <T>(action: () => T): T | null => {
  try {
    return action();
  } catch {
    return null;
  }
};

export const keepDraft = (id: string, draft: Draft): void => void attempt(() => localStorage.setItem(key(id), JSON.stringify(draft)));
export const dropDraft = (id: string): void => void attempt(() => localStorage.removeItem(key(id)));
export const draftOf = (id: string): Draft | null =>
  attempt(() => {
    const text = localStorage.getItem(key(id));
    return text ? (JSON.parse(text) as Draft) : null;
  });

const LAST = 'crow-ladder:last-study';
export const rememberLast = (id: string): void => void attempt(() => localStorage.setItem(LAST, id));
export const lastStudy = (): string | null => attempt(() => localStorage.getItem(LAST));
