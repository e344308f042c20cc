import type { Print } from './command-line/read';

let asked: Print | null = null;

/** What the sheet is to be of when it opens next. */
export const askPrint = (what: Print): void => void (asked = what);

export function askedPrint(): Print | null {
  const what = asked;
  asked = null;
  return what;
}
