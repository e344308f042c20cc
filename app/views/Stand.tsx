import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useAwake } from '../shell/awake';
import { useCommands, type CommandInfo } from '../shell/keys';
import { Signs } from '../letters/Signs';
import { Button } from '../ui/Button';
import { STUDY } from '../words/views/study';

/** What a foot pedal sends; while a stand is up it turns it, else the page scrolls. */
const STAND_COMMANDS = [
  { id: 'after', keys: ['PageDown'], shown: 'Page down', does: 'turn the stand on' },
  { id: 'before', keys: ['PageUp'], shown: 'Page up', does: 'turn the stand back' },
] as const satisfies readonly CommandInfo[];

function Pedal({ onBefore, onAfter }: Pick<Props, 'onBefore' | 'onAfter'>) {
  useAwake(true);
  useCommands('stand', STAND_COMMANDS, { after: onAfter, before: onBefore });
  return null;
}

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  /** What lies before and after, in a word or two. */
  readonly before: string;
  readonly after: string;
  readonly onBefore: () => void;
  readonly onAfter: () => void;
  readonly children: ReactNode;
}

/** The music stand: one thing across the whole screen, to be read from a metre away and turned with one key or a pedal. */
export function Stand({ open, onClose, title, before, after, onBefore, onAfter, children }: Props) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          data-stand
          aria-describedby={undefined}
          onOpenAutoFocus={(e) => { e.preventDefault(); (e.currentTarget as HTMLElement).focus(); }} // prettier-ignore
          className="no-print fixed inset-0 z-40 flex flex-col gap-2 bg-paper p-3 text-ink outline-none sm:p-4"
        >
          <div className="flex items-center gap-4">
            <Dialog.Title className="min-w-0 grow text-[clamp(1.5rem,4vw,3rem)] leading-tight font-semibold">
              <Signs>{title}</Signs>
            </Dialog.Title>
            <Dialog.Close asChild>
              <Button>{STUDY.closeZ}</Button>
            </Dialog.Close>
          </div>
          {open && <Pedal onBefore={onBefore} onAfter={onAfter} />}
          <div className="min-h-0 grow">{open && children}</div>
          <div className="flex items-center justify-between gap-4 text-[clamp(1rem,2.2vw,1.6rem)]">
            <Turn words={before} onTurn={onBefore} side="before" />
            <Turn words={after} onTurn={onAfter} side="after" />
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const Turn = ({ words, onTurn, side }: { readonly words: string; readonly onTurn: () => void; readonly side: 'before' | 'after' }) => (
  <button
    type="button"
    disabled={!words}
    onClick={onTurn}
    aria-label={words ? `${side === 'before' ? 'Back' : 'On'}: ${words}` : side === 'before' ? STUDY.nothingBefore : STUDY.nothingAfter}
    className="min-h-12 min-w-12 cursor-pointer rounded-md px-3 text-soft hover:bg-feather-wash disabled:invisible"
  >
    <Signs>{side === 'before' ? `← ${words}` : `${words} →`}</Signs>
  </button>
);
