import { following } from './follow';
import { store } from './index';
import { othersAre } from './others';
import { prefsNow, whenPrefsChange } from './prefs';

/** Once for the page: it follows while it is in sight and the player wants it to. */
export function startFollowing(): void {
  if (!('EventSource' in window)) return;
  const look = following({
    getState: () => store.getState(),
    dispatch: store.dispatch,
    subscribe: (l) => void store.subscribe(l),
    open: (url) => new EventSource(url),
    wants: () => document.visibilityState === 'visible' && prefsNow().follow === 'on',
    present: othersAre,
  });
  document.addEventListener('visibilitychange', look);
  whenPrefsChange(look);
}
