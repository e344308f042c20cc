import { SaveNote } from '../shell/SaveNote';
import { Link } from 'react-router';
import { useAppSelector } from '../store';
import { UndoRedo } from './UndoRedo';

/** The foot of a view on the open study: its most used keys, all keys, undo and redo, and whether it is saved. */
export function StudyFooter({ hint, onKeys }: { hint: string; onKeys: () => void }) {
  return (
    <footer className="mt-3 flex flex-wrap gap-x-4 gap-y-1 text-xs text-soft">
      <span className="max-sm:hidden">{hint}</span>
      <button type="button" className="cursor-pointer underline" onClick={onKeys}>
        ? all keys
      </button>
      <UndoRedo />
      <VersionsLink />
      <span className="grow" />
      <SaveNote />
    </footer>
  );
}

function VersionsLink() {
  const id = useAppSelector((s) => s.editor.id);
  return id ? (
    <Link className="no-print underline" to={`/versions/${id}`}>
      Versions
    </Link>
  ) : null;
}
