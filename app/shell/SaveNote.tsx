import { useEffect, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../store';
import { conflictEnded, edited, strayGone, triedAgain, type SaveState, type Stray } from '../store/editor';
import { useLetIn } from '../store/let-in';
import { dropOpen } from '../store/local';
import { useCreateStudyMutation } from '../store/api';
import { Button } from '../ui/Button';
import { Signs } from '../letters/Signs';
import { dateWords } from '../words/date-text';
import { refusalWords } from '../words/save-text';
import { FRAME } from '../words/views/shell';

const ago = (ms: number): string => {
  const s = Math.max(0, Math.round(ms / 1000));
  if (s < 60) return `${s} s ago`;
  if (s < 3600) return `${Math.floor(s / 60)} min ago`;
  return `at ${new Date(Date.now() - ms).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}`;
};

const WORDS: Record<Exclude<SaveState, 'saved' | 'loose'>, string> = {
  waiting: 'Saving …',
  saving: 'Saving …',
  offline: 'Not on the server yet: it does not answer. Kept in this browser; trying again.',
  refused: 'Not saved.',
  conflict: 'Not saved: changed elsewhere.',
  gone: 'Not saved: this study was deleted elsewhere.',
};
const BAD: readonly SaveState[] = ['offline', 'refused', 'conflict', 'gone'];

/** Whether the study is safe, in words. */
export function SaveNote() {
  const { save, savedAt, body } = useAppSelector((s) => s.editor);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), 5000);
    return () => clearInterval(tick);
  }, []);
  if (!body || save === 'loose') return null;
  const saved = savedAt === null ? 'Saved' : `Saved ${ago(Math.max(now, savedAt) - savedAt)}`;
  return (
    <span data-save={save} className={BAD.includes(save) ? 'font-semibold text-clay' : ''}>
      <Signs>{save === 'saved' ? saved : WORDS[save]}</Signs>
    </span>
  );
}

/** What stands between the study and the server, at the top of what is seen whatever the page shows, covering nothing while the page is at its top; and said to those who hear it. */
export function SaveAlert() {
  const { save, reason, conflict, body, strays } = useAppSelector((s) => s.editor);
  const dispatch = useAppDispatch();
  const letIn = useLetIn();
  const bad = body !== null && BAD.includes(save);
  return (
    <div role="status" aria-live="assertive" className="no-print sticky top-2 z-30 grid gap-2 not-empty:mb-3">
      {!letIn && (
        <Bar>
          <p className="grow">{FRAME.notLetIn}</p>
          <a className="underline" href="/pair">
            {FRAME.typeTheCode}
          </a>
        </Bar>
      )}
      {bad && letIn && (
        <Bar>
          {save === 'offline' && <p className="grow">{WORDS.offline}</p>}
          {save === 'gone' && <p className="grow">{FRAME.thisStudyWasDeletedIn}</p>}
          {save === 'refused' && (
            <p className="grow">
              <Signs>{FRAME.notSavedKeptInThis(reason)}</Signs>
            </p>
          )}
          {(save === 'refused' || save === 'offline') && (
            <Button look="link" onClick={() => dispatch(triedAgain())}>
              {FRAME.tryAgain}
            </Button>
          )}
          {save === 'gone' && <KeepAsNew />}
          {save === 'conflict' && conflict && <Conflict />}
        </Bar>
      )}
      {strays.map((s) => (
        <StrayBar key={s.window} stray={s} />
      ))}
    </div>
  );
}

const Bar = ({ children }: { readonly children: React.ReactNode }) => (
  <div role="alert" className="flex flex-wrap items-center gap-3 rounded-lg border-2 border-clay bg-sheet px-3 py-2 shadow-xl">
    {children}
  </div>
);

/** Two windows changed one study: both versions are here, and none is lost. */
function Conflict() {
  const body = useAppSelector((s) => s.editor.body);
  const dispatch = useAppDispatch();
  const copy = useCopy();
  if (!body) return null;
  return (
    <>
      <p className="grow">{FRAME.thisStudyWasChangedIn}</p>
      <Button look="link" onClick={() => dispatch(conflictEnded('mine'))}>
        {FRAME.keepWhatISeeHere}
      </Button>
      <Button look="link" onClick={() => dispatch(conflictEnded('theirs'))}>
        {FRAME.takeTheOtherVersion}
      </Button>
      <Button look="link" onClick={() => void copy.make(body, () => dispatch(conflictEnded('theirs')))}>
        {FRAME.keepBothMineAsA}
      </Button>
      {copy.problem && <p className="w-full text-clay">{copy.problem}</p>}
    </>
  );
}

/** A body as a study of its own beside the one that is open. */
function useCopy() {
  const [create] = useCreateStudyMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const make = async (body: Stray['body'], done: () => void): Promise<void> => {
    const result = await create({ ...body, name: `${body.name.slice(0, 100)} (other version)` });
    if (result.error) setProblem(FRAME.theCopyWasNotMade(refusalWords(result.error)));
    else done();
  };
  return { make, problem };
}

function KeepAsNew() {
  const body = useAppSelector((s) => s.editor.body);
  const copy = useCopy();
  const [made, setMade] = useState(false);
  if (!body) return null;
  return (
    <>
      <Button look="link" disabled={made} onClick={() => void copy.make(body, () => setMade(true))}>
        {made ? FRAME.keptAsANewStudy : FRAME.keepItAsANew}
      </Button>
      {copy.problem && <p className="w-full text-clay">{copy.problem}</p>}
    </>
  );
}

/** What a window that was closed had not got through. */
function StrayBar({ stray }: { readonly stray: Stray }) {
  const id = useAppSelector((s) => s.editor.id);
  const dispatch = useAppDispatch();
  const copy = useCopy();
  const gone = (): void => {
    if (id) void dropOpen(id, stray.window);
    dispatch(strayGone(stray.window));
  };
  return (
    <Bar>
      <p className="grow">{FRAME.aWindowThatWasClosed(dateWords(stray.at))}</p>
      <Button look="link" onClick={() => { dispatch(edited(stray.body)); gone(); }}>{FRAME.showItHere}</Button>
      <Button look="link" onClick={() => void copy.make(stray.body, gone)}>
        {FRAME.keepItAsACopy}
      </Button>
      <Button look="link" onClick={gone}>
        {FRAME.dropIt}
      </Button>
      {copy.problem && <p className="w-full text-clay">{copy.problem}</p>}
    </Bar>
  ); // prettier-ignore
}
