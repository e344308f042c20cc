/** What the sheet of the Map prints. */
export const PRINTS = [
  { what: 'shape', says: 'this shape' },
  { what: 'rungs', says: 'all rungs' },
  { what: 'keys', says: 'all rungs in all keys' },
  { what: 'study', says: 'rungs, kept routes and licks' },
] as const;
export type Print = (typeof PRINTS)[number]['what'];

let asked: Print | null = null;

/** What the sheet is to be of when it opens next. */
export const askPrint = (what: Print): void => void (asked = what);

export function askedPrint(): Print | null {
  const what = asked;
  asked = null;
  return what;
}
