import { Signs } from '../letters/Signs';
import { DRAWING } from '../words/views/drawing';

interface Props {
  /** What was done, as a sentence. */
  readonly words: string;
  /** What the press is called. */
  readonly undo?: string;
  readonly onUndo: () => void;
  readonly onClose: () => void;
}

/** Says what was done and offers to take it back. */
export function UndoBar({ words, undo = DRAWING.bringItBack, onUndo, onClose }: Props) {
  return (
    <div
      role="status"
      className="fixed inset-x-3 bottom-20 z-20 mx-auto flex max-w-xl flex-wrap items-center gap-3 rounded-lg bg-night p-3 text-white shadow-2xl sm:bottom-6"
    >
      <span className="grow">
        <Signs>{words}</Signs>
      </span>
      <button
        type="button"
        onClick={onUndo}
        className="cursor-pointer rounded bg-brass px-3 py-1 font-semibold text-brass-ink focus-visible:outline-white"
      >
        {undo}
      </button>
      <button type="button" onClick={onClose} className="cursor-pointer rounded px-2 py-1 underline focus-visible:outline-white">
        {DRAWING.dismiss}
      </button>
    </div>
  );
}
