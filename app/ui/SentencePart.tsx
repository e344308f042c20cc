import { useId, useState, type ReactNode } from 'react';
import { LaterPopup } from './LaterPopup';

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
const CONTENT = 'flex max-h-[min(36rem,88vh)] short:max-h-[97vh] short:gap-1 short:p-1.5 flex-col gap-3 p-3';

/** Something said that opens what it is made of: a part of the sentence, or a chip below it. */
export function SentencePart({ name, text, shortcut, wide, look = 'sentence', fixed, children }: Props) {
  /** The part itself while it is open. */
  const [at, setAt] = useState<HTMLElement | null>(null);
  const id = useId();
  const close = (): void => setAt(null);
  return (
    <>
      <button
        type="button"
        data-part={name}
        data-state={at ? 'open' : 'closed'}
        aria-haspopup="dialog"
        aria-expanded={at !== null}
        aria-controls={at ? id : undefined}
        aria-keyshortcuts={shortcut}
        title={
          look === 'sentence' ? `${name[0]!.toUpperCase()}${name.slice(1)}${shortcut ? ` (${shortcut.toUpperCase()})` : ''}` : undefined
        }
        onClick={({ currentTarget }) => setAt(at ? null : currentTarget)}
        className={`${LOOKS[look]} ${fixed ? `${fixed} overflow-hidden whitespace-nowrap` : ''}`}
      >
        {look === 'chip' && <span className="sr-only">{name}: </span>}
        {text}
      </button>
      {at && (
        <LaterPopup id={id} name={name} at={at} onClose={close} look={`${CONTENT} ${wide ? 'w-[min(34rem,94vw)]' : 'w-[min(24rem,94vw)]'}`}>
          {children(close)}
        </LaterPopup>
      )}
    </>
  );
}
