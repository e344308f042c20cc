import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { StudySummary } from '../../../contract';
import { useStudiesQuery, useRestoreStudyMutation, useDeleteStudyMutation } from '../../store/api';
import { store, useAppDispatch } from '../../store';
import { studyClosed } from '../../store/editor';
import { Button } from '../../ui/Button';
import { UndoBar } from '../../ui/UndoBar';
import { NewStudy } from './NewStudy';
import { StudyRow } from './StudyRow';
import { useOpenAndGo } from './useOpenAndGo';

interface Deleted {
  id: string;
  name: string;
}

/** All studies: open, make, duplicate, rename, delete and bring back. */
export function NotebookView() {
  const { data, isError, refetch } = useStudiesQuery(undefined, { refetchOnMountOrArgChange: true });
  const [remove] = useDeleteStudyMutation();
  const [restore] = useRestoreStudyMutation();
  const [deleted, setDeleted] = useState<Deleted | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [making, setMaking] = useState(false);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const openAndGo = useOpenAndGo(setProblem);

  const onDelete = async ({ id, name }: StudySummary): Promise<void> => {
    const result = await remove(id);
    if ('error' in result && result.error) setProblem('It could not be deleted: the server does not answer.');
    else {
      if (store.getState().editor.id === id) dispatch(studyClosed());
      setDeleted({ id, name });
    }
  };
  const onUndo = async (): Promise<void> => {
    if (!deleted) return;
    const result = await restore(deleted.id);
    if ('error' in result && result.error) setProblem('It could not be brought back: the server does not answer. Try again.');
    else setDeleted(null);
  };

  return (
    <>
      <header className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="grow text-[25px] font-semibold">Notebook</h1>
        <Button look="brass" icon={<Plus size={15} aria-hidden />} onClick={() => setMaking(true)}>
          New study
        </Button>
      </header>
      {problem && (
        <p role="alert" className="mb-3 rounded border border-clay p-2 text-clay">
          {problem}
        </p>
      )}
      {making && <NewStudy onMade={(id) => void openAndGo(id)} onCancel={() => setMaking(false)} />}
      {isError && (
        <p role="alert" className="mb-3">
          The server does not answer. Start it again with npm start; nothing is lost.{' '}
          <Button onClick={() => void refetch()}>Try again</Button>
        </p>
      )}
      {data?.length === 0 && <p className="py-10 text-center">No studies yet. Make one, or bring the demo back with npm run demo:reset.</p>}
      {!!data?.length && (
        <div className="rounded-[10px] border border-line bg-sheet">
          <ul aria-label="Studies">
            {data.map((s) => (
              <StudyRow key={s.id} study={s} onOpen={() => void openAndGo(s.id)} onDelete={() => void onDelete(s)} onProblem={setProblem} />
            ))}
          </ul>
        </div>
      )}
      <p className="mt-4 text-xs text-soft">
        Studies are kept on this machine only.{' '}
        <button type="button" className="cursor-pointer underline" onClick={() => void navigate('/map')}>
          Back to the Map
        </button>
      </p>
      {deleted && <UndoBar name={deleted.name} onUndo={() => void onUndo()} onClose={() => setDeleted(null)} />}
    </>
  );
}
