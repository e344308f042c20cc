import { Popover } from 'radix-ui';
import { useRef, type ReactNode } from 'react';
import { typedEarly } from '../shell/open-part';
import { isLost } from './focus';

export interface PopupProps {
  readonly id?: string;
  /** What it is, for those who cannot see it. */
  readonly name: string;
  /** What opened it: it stands there, and the focus goes back there. */
  readonly at: HTMLElement;
  readonly align?: 'start' | 'end';
  readonly side?: 'top' | 'bottom';
  /** Its width and what stands in it how. */
  readonly look: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/**
 * Without a chooser nothing waits for the keys that came early: they go where the focus is again. Said when the content
 * is there, not when it takes the focus: a field of its own that has taken it already leaves nothing to take.
 */
function heard(content: HTMLElement | null): void {
  if (content && !content.querySelector('[role=combobox], [data-coming]')) typedEarly();
}

/** What stands beside what opened it, over the view. Escape or a press outside closes it. */
export function Popup({ id, name, at, align = 'start', side = 'bottom', look, onClose, children }: PopupProps) {
  /** A press elsewhere has put the focus where it wants it. */
  const left = useRef(false);
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={{ current: at }} />
      <Popover.Portal>
        <Popover.Content
          id={id}
          aria-label={name}
          align={align}
          side={side}
          sideOffset={8}
          collisionPadding={8}
          ref={heard}
          onInteractOutside={(e) => {
            // What opened it closes it by itself.
            if (at.contains(e.target as Node)) e.preventDefault();
            else left.current = true;
          }}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            // A next key may have opened another one by now; the focus is its own then.
            if (!left.current && isLost()) at.focus();
          }}
          className={`no-print z-20 overflow-auto rounded-lg border border-line bg-sheet font-text text-[0.84375rem] text-ink shadow-xl ${look}`}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
