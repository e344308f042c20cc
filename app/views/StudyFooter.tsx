import { openPanel } from '../shell/panels';
import { UndoRedo } from './UndoRedo';
import { STUDY } from '../words/views/study';

/** The foot of a view on what is open: its most used keys, all keys, the list of words, undo and redo. */
export function StudyFooter({ hint }: { readonly hint: string }) {
  return (
    <footer className="no-print after-tools mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 text-xs text-soft">
      <span className="max-sm:hidden">{hint}</span>
      <button type="button" className="tap cursor-pointer underline" onClick={() => openPanel('keys')}>
        {STUDY.allKeys}
      </button>
      <button type="button" className="tap cursor-pointer underline" onClick={() => openPanel('words')}>
        {STUDY.words}
      </button>
      <UndoRedo />
    </footer>
  );
}
