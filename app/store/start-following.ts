import { useSyncExternalStore } from 'react';
import { following } from './follow';
import { store } from './index';
import { prefsNow, whenPrefsChange } from './prefs';

let count = 0;
const listeners = new Set<() => void>();

/** Once for the page: it follows while it is in sight and the player wants it to. */
export function startFollowing(): void {
  if (!('EventSource' in window)) return;
  const look = following({
    getState: () => store.getState(),
    dispatch: store.dispatch,
    subscribe: (l) => void store.subscribe(l),
    open: (url) => new EventSource(url),
    wants: () => document.visibilityState === 'visible' && prefsNow().follow === 'on',
    present: (now) => {
      count = now;
      for (const l of listeners) l();
    },
  });
  document.addEventListener('visibilitychange', look);
  whenPrefsChange(look);
}

/** Other windows and devices that follow just now. */
export const useOthers = (): number => useSyncExternalStore((l) => (listeners.add(l), () => listeners.delete(l)), () => Math.max(0, count - 1)); // prettier-ignore
