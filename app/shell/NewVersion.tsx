import { useRegisterSW } from 'virtual:pwa-register/react';
import { Button } from '../ui/Button';
import { FRAME } from '../words/views/shell';

/** A newer build is waiting: the player says when it takes over, so that no work is pulled from under the hand. */
export function NewVersion() {
  const {
    needRefresh: [waiting, setWaiting],
    updateServiceWorker,
  } = useRegisterSW({ immediate: true });
  if (!waiting) return null;
  return (
    <div
      role="status"
      className="no-print fixed right-2 bottom-16 z-20 flex items-center gap-3 rounded-lg border border-line bg-sheet px-4 py-2 shadow-xl sm:bottom-3"
    >
      {FRAME.aNewerCrowLadderIs}
      <Button look="brass" onClick={() => void updateServiceWorker(true)}>
        {FRAME.loadIt}
      </Button>
      <Button onClick={() => setWaiting(false)}>{FRAME.later}</Button>
    </div>
  );
}
