import { become, earState } from './ear-state';
import { listenPrefs } from './listen-prefs';

const earIsUp = (): boolean => earState().source !== null || earState().problem !== null;

let views = 0;
/** How long a player may be between two views that hear, ms. */
const BETWEEN = 1500;
/** A view that hears is up; once none is, listening ends: nobody is listened to without seeing it. */
export function holdEar(): () => void {
  views++;
  return () => {
    views--;
    setTimeout(() => {
      if (views === 0 && earIsUp()) void import('./ear').then((ear) => ear.stopListening(), () => undefined); // prettier-ignore
    }, BETWEEN);
  };
}

/** On with the source that was used last, or off. */
export function toggleListening(): void {
  import('./ear').then(
    ({ listenTo, stopListening }) => (earState().state === 'off' ? listenTo(listenPrefs.get().source) : stopListening()),
    () => become({ problem: 'broken' }), // its file did not load
  );
}
