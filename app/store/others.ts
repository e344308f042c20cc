import { useSyncExternalStore } from 'react';

let count = 0;
const listeners = new Set<() => void>();

/** Said by what follows: so many windows and devices do, this one with them. */
export function othersAre(now: number): void {
  count = now;
  for (const l of listeners) l();
}

/** Other windows and devices that follow just now. */
export const useOthers = (): number => useSyncExternalStore((l) => (listeners.add(l), () => listeners.delete(l)), () => Math.max(0, count - 1)); // prettier-ignore
