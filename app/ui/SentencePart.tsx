import { Popover } from 'radix-ui';
import { typedEarly } from '../shell/open-part';
import { useState, type ReactNode } from 'react';

interface Props {
  /** What this part of the sentence is, for those who cannot see it. */
  readonly name: string;
  /** What it says now. */
  readonly text: ReactNode;
  readonly shortcut?: string;
  readonly wide?: boolean;
  readonly look?: 'sentence' | 'chip';
  /** A width that a chip keeps whatever it says, so that nothing beside it moves. */
  readonly fixed?: string;
  readonly children: (close: () => void) => ReactNode;
}

const LOOKS = {
  sentence:
    'cursor-pointer border-b-2 border-feather text-left font-semibold text-feather hover:bg-feather-wash data-[state=open]:bg-feather-wash',
  chip: 'inline-flex min-h-8 max-w-full cursor-pointer items-center gap-1.5 rounded-md border border-line bg-sheet px-3 text-[0.78125rem] hover:border-soft data-[state=open]:border-feather',
};

/**
 * Without a chooser nothing waits for the keys that came early: they go where the focus is again. Said when the content
 * is there, not when it takes the focus: a field of its own that has taken it already leaves nothing to take.
 */
function heard(content: HTMLElement | null): void {
  if (content && !content.querySelector('[role=combobox], [data-coming]')) typedEarly();
}

/** Something said that opens what it is made of: a part of the sentence, or a chip below it. */
export function SentencePart({ name, text, shortcut, wide, look = 'sentence', fixed, children }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        data-part={name}
        aria-keyshortcuts={shortcut}
        title={
          look === 'sentence' ? `${name[0]!.toUpperCase()}${name.slice(1)}${shortcut ? ` (${shortcut.toUpperCase()})` : ''}` : undefined
        }
        className={`${LOOKS[look]} ${fixed ? `${fixed} overflow-hidden whitespace-nowrap` : ''}`}
      >
        {look === 'chip' && <span className="sr-only">{name}: </span>}
        {text}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={name}
          align="start"
          sideOffset={8}
          collisionPadding={8}
          ref={heard}
          className={`no-print z-20 flex max-h-[min(36rem,88vh)] short:max-h-[97vh] short:gap-1 short:p-1.5 flex-col gap-3 overflow-auto rounded-lg border border-line bg-sheet p-3 font-text text-[0.84375rem] text-ink shadow-xl ${wide ? 'w-[min(34rem,94vw)]' : 'w-[min(24rem,94vw)]'}`}
        >
          {children(() => setOpen(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
