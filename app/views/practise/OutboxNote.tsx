import { useSyncExternalStore } from 'react';
import { passBox } from '../../store/practice/outbox';
import { PRACTISE } from '../../words/views/practise';

/** Passes that wait for the server, and those it refused. */
export function OutboxNote() {
  const { waiting, refused } = useSyncExternalStore(passBox.subscribe, passBox.state);
  return (
    <>
      {waiting > 0 && (
        <p role="status" className="mb-2 text-[0.84375rem] text-soft">
          {PRACTISE.waitingToSend(waiting)}
        </p>
      )}
      {refused.length > 0 && (
        <p role="alert" className="mb-2 text-[0.84375rem] text-clay">
          {PRACTISE.refused(refused.length, refused[0]!)}
        </p>
      )}
    </>
  );
}
