import { Dialog } from 'radix-ui';
import type { Incoming, Wish } from '../../files/read-files';
import { Button } from '../../ui/Button';
import { STUDY } from '../../words/views/study';
import { Preview } from './Preview';

interface Props {
  /** Null while the first file is still read. */
  readonly incoming: Incoming[] | null;
  readonly reading: boolean;
  readonly onAgain: (at: number, wish: Wish) => void;
  readonly onClose: () => void;
}

/** What came in, to be looked at before anything is written. */
export function IncomingFiles({ incoming, reading, onAgain, onClose }: Props) {
  return (
    <Dialog.Root modal={false} open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-30 grid max-h-[90vh] w-[min(38rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-3 overflow-auto rounded-lg border border-line bg-sheet p-5 shadow-2xl"
        >
          <Dialog.Title className="text-lg font-semibold">{STUDY.whatWillComeIn}</Dialog.Title>
          {reading && !incoming && (
            <p role="status">
              {STUDY.reading} <Button onClick={onClose}>{STUDY.cancel}</Button>
            </p>
          )}
          {incoming && <Preview incoming={incoming} reading={reading} onAgain={onAgain} onClose={onClose} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
