import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';

interface Props {
  /** What this part of the sentence is, for those who cannot see it. */
  name: string;
  /** What it says now. */
  text: ReactNode;
  shortcut?: string;
  wide?: boolean;
  children: (close: () => void) => ReactNode;
}

/** A part of the sentence that opens what it is made of. */
export function SentencePart({ name, text, shortcut, wide, children }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        data-part={name}
        aria-keyshortcuts={shortcut}
        className="cursor-pointer border-b-2 border-feather text-left font-semibold text-feather hover:bg-feather-wash data-[state=open]:bg-feather-wash"
      >
        <span className="sr-only">{name}: </span>
        {text}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={name}
          align="start"
          sideOffset={8}
          collisionPadding={8}
          className={`no-print z-20 flex max-h-[min(36rem,80vh)] flex-col gap-3 overflow-auto rounded-lg border border-line bg-sheet p-3 font-text text-[13.5px] text-ink shadow-xl ${wide ? 'w-[min(34rem,94vw)]' : 'w-[min(24rem,94vw)]'}`}
        >
          {children(() => setOpen(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
