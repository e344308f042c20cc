import { Redo2, Undo2 } from 'lucide-react';
import { useAppDispatch, useAppSelector } from '../store';
import { redone, undone } from '../store/editor';
import { Button } from '../ui/Button';
import { STUDY } from '../words/views/study';

/** Back and forth through the edits of this sitting. */
export function UndoRedo() {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector((s) => s.editor.past.length > 0);
  const canRedo = useAppSelector((s) => s.editor.future.length > 0);
  return (
    <span className="no-print inline-flex gap-2">
      <Button look="quiet" icon={<Undo2 size={14} aria-hidden />} disabled={!canUndo} onClick={() => dispatch(undone())}>
        {STUDY.undo}
      </Button>
      <Button look="quiet" icon={<Redo2 size={14} aria-hidden />} disabled={!canRedo} onClick={() => dispatch(redone())}>
        {STUDY.redo}
      </Button>
    </span>
  );
}
