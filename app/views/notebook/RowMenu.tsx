import { DropdownMenu } from 'radix-ui';
import type { ComponentType } from 'react';
import { isLost } from '../../ui/focus';

export interface Item {
  readonly word: string;
  readonly Icon: ComponentType<{ readonly size?: number; readonly 'aria-hidden'?: boolean }>;
  readonly run: () => void;
}

interface Props {
  readonly name: string;
  readonly items: readonly Item[];
  /** What opened it: it stands below, and the focus goes back there. */
  readonly at: HTMLElement;
  readonly onClose: () => void;
}

/** What else can be done with a row, in a menu beside what opened it. */
export function RowMenu({ name, items, at, onClose }: Props) {
  const { left, top, width, height } = at.getBoundingClientRect();
  return (
    <DropdownMenu.Root open onOpenChange={(open) => !open && onClose()} modal={false}>
      <DropdownMenu.Trigger asChild>
        <span aria-hidden className="pointer-events-none fixed" style={{ left, top, width, height }} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label={name}
          // A press on what opened it closes it by itself.
          onInteractOutside={(e) => at.contains(e.target as Node) && e.preventDefault()}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            if (isLost()) at.focus(); // a press elsewhere has put it where it wants it
          }}
          className="z-30 min-w-44 rounded-lg border border-line bg-sheet p-1 shadow-xl"
        >
          {items.map(({ word, Icon, run }) => (
            <DropdownMenu.Item
              key={word}
              // After the menu has gone, so that what opens keeps the focus.
              onSelect={() => setTimeout(run, 30)}
              className="flex min-h-9 cursor-pointer items-center gap-2 rounded px-3 outline-none data-[highlighted]:bg-feather-wash"
            >
              <Icon size={14} aria-hidden /> {word}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
