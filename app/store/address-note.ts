import { useSyncExternalStore } from 'react';

/** What of an address could not be used, and of which page it was. */
interface Note {
  readonly of: string;
  readonly problems: readonly string[];
}

let note: Note = { of: '', problems: [] };
const listeners = new Set<() => void>();

/** Says of a page's address what could not be used; nothing takes back what was said. */
export function noteAddress(of: string, problems: readonly string[]): void {
  if (note.of === of && !note.problems.length && !problems.length) return;
  note = { of, problems };
  listeners.forEach((l) => l());
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

const NOTHING: readonly string[] = [];

/** What could not be used of the address of a page. */
export const useAddressNote = (of: string): readonly string[] => {
  const now = useSyncExternalStore(subscribe, () => note);
  return now.of === of ? now.problems : NOTHING;
};
