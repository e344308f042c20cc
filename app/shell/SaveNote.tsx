import { useEffect, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../store';
import { conflictEnded } from '../store/editor';
import { useCreateStudyMutation } from '../store/api';
import { Button } from '../ui/Button';
import { Signs } from '../ui/Signs';

const ago = (ms: number): string => {
  const s = Math.max(0, Math.round(ms / 1000));
  if (s < 60) return `${s} s ago`;
  if (s < 3600) return `${Math.floor(s / 60)} min ago`;
  return `at ${new Date(Date.now() - ms).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}`;
};

/** Whether the study is safe, in words, always in sight. */
export function SaveNote() {
  const { save, savedAt, body } = useAppSelector((s) => s.editor);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), 5000);
    return () => clearInterval(tick);
  }, []);
  if (!body) return null;
  const saved = savedAt === null ? 'Saved' : `Saved in “${body.name}” ${ago(Math.max(now, savedAt) - savedAt)}`;
  const words = {
    saved,
    waiting: 'Saving …',
    saving: 'Saving …',
    offline: 'Not on the server yet: it does not answer. Kept in this browser; trying again.',
    refused: 'Not saved: the server refused this study.',
    conflict: 'Not saved: changed elsewhere, see above.',
    gone: 'Not saved: this study was deleted elsewhere. Undo the deletion in the Notebook.',
  }[save];
  const bad = ['offline', 'refused', 'conflict', 'gone'].includes(save);
  return (
    <span data-save={save} className={bad ? 'font-semibold text-clay' : ''}>
      <Signs>{words}</Signs>
    </span>
  );
}

/** Two windows changed one study: both versions are here, and none is lost. */
export function ConflictBar() {
  const conflict = useAppSelector((s) => s.editor.conflict);
  const body = useAppSelector((s) => s.editor.body);
  const dispatch = useAppDispatch();
  const [create] = useCreateStudyMutation();
  if (!conflict || !body) return null;
  const keepBoth = async (): Promise<void> => {
    const result = await create({ ...body, name: `${body.name.slice(0, 100)} (other version)` });
    if (!('error' in result)) dispatch(conflictEnded('theirs'));
  };
  return (
    <div role="alert" className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border-2 border-clay bg-sheet p-3">
      <p className="grow">This study was changed in another window in the meantime. Which version is to stay?</p>
      <Button look="link" onClick={() => dispatch(conflictEnded('mine'))}>
        Keep what I see here
      </Button>
      <Button look="link" onClick={() => dispatch(conflictEnded('theirs'))}>
        Take the other version
      </Button>
      <Button look="link" onClick={() => void keepBoth()}>
        Keep both, mine as a copy
      </Button>
    </div>
  );
}
