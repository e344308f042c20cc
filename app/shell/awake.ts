import { useEffect } from 'react';

/** Keeps the screen awake while something runs and the page is in sight (Screen Wake Lock, W3C); does nothing where the browser has none. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    const { wakeLock: lock }: Partial<Navigator> = navigator;
    if (!on || !lock) return undefined;
    let over = false;
    let held: WakeLockSentinel | null = null;
    const hold = (): void => {
      if (document.visibilityState !== 'visible') return;
      void lock.request('screen').then(
        (sentinel) => {
          if (over) void sentinel.release();
          else held = sentinel;
        },
        () => undefined, // a battery that runs low refuses it
      );
    };
    hold();
    document.addEventListener('visibilitychange', hold); // the browser lets go of it with the page out of sight
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', hold);
      void held?.release();
    };
  }, [on]);
}
