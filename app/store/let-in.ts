import { useSyncExternalStore } from 'react';

/** Whether the server lets this device in: it may have been shut out on the computer that Crow Ladder runs on. */
let isIn = true;
const listeners = new Set<() => void>();

const NOT_LET_IN = 401;

/** Hears the status of every answer; one without a number (no connection) tells nothing. */
export function noteAnswer(status: number | string): void {
  if (typeof status !== 'number' || isIn === (status !== NOT_LET_IN)) return;
  isIn = status !== NOT_LET_IN;
  for (const l of listeners) l();
}

export const useLetIn = (): boolean => useSyncExternalStore((l) => (listeners.add(l), () => listeners.delete(l)), () => isIn); // prettier-ignore
