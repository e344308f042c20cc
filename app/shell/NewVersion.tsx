import { useRegisterSW } from 'virtual:pwa-register/react';
import { Button } from '../ui/Button';

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
      A newer Crow Ladder is here.
      <Button look="brass" onClick={() => void updateServiceWorker(true)}>
        Load it
      </Button>
      <Button onClick={() => setWaiting(false)}>Later</Button>
    </div>
  );
}
