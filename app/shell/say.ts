import { useSyncExternalStore } from 'react';

/** What was said last to those who hear the page; counted, so that the same words are said again. */
let said = { words: '', count: 0 };
const listeners = new Set<() => void>();

/** Says a change to a screen reader, after what it is saying now. */
export function say(words: string): void {
  if (!words) return;
  said = { words, count: said.count + 1 };
  listeners.forEach((l) => l());
}

export const useSaid = (): typeof said => useSyncExternalStore((l) => (listeners.add(l), () => listeners.delete(l)), () => said); // prettier-ignore
