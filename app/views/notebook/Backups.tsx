import { Download } from 'lucide-react';
import { useState } from 'react';
import { API, NOTEBOOK_LIMIT, readBundle } from '../../../contract';
import { useAppDispatch } from '../../store';
import { useCopiesQuery, useMakeCopyMutation, useReplaceNotebookMutation, useRestoreCopyMutation, useTakingInQuery } from '../../store/api';
import { studyClosed } from '../../store/editor';
import { Button } from '../../ui/Button';
import { FileButton } from '../../ui/FileButton';
import { counted } from '../../words/count-text';
import { dateWords } from '../../words/date-text';
import { isolated } from '../../words/name-text';
import { refusalWords } from '../../words/save-text';
import { NOTEBOOK } from '../../words/views/notebook';

interface Result {
  readonly error?: unknown;
}
/** A replacement that waits for a yes. */
interface Question {
  readonly words: string;
  readonly go: () => Promise<Result>;
}

const sizeWords = (bytes: number): string => (bytes < 1_000_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`);

/** Puts the whole notebook back from a file or a dated copy: asked first, then done, and what came of it said. */
function useReplacing(onProblem: (message: string | null) => void) {
  const dispatch = useAppDispatch();
  const [restore] = useRestoreCopyMutation();
  const [replace, { isLoading: replacing }] = useReplaceNotebookMutation();
  const [asked, setAsked] = useState<Question | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const onFile = async (file: File): Promise<void> => {
    if (file.size > NOTEBOOK_LIMIT) return setSaid(NOTEBOOK.thatFileIsLargerThan(NOTEBOOK_LIMIT / 1024 / 1024));
    const read = readBundle(await file.text());
    if ('problem' in read) return setSaid(NOTEBOOK.nothingWasChanged2(isolated(file.name), read.problem));
    const { bundle } = read;
    const [studies, instruments] = [counted(bundle.studies.length, 'study', 'studies'), counted(bundle.instruments.length, 'instrument')];
    setAsked({ words: NOTEBOOK.putAndFromInThe(studies, instruments, isolated(file.name)), go: () => replace(bundle) });
  };
  const onCopy = (name: string, at: string): void => setAsked({ words: NOTEBOOK.goBackToHowThe(at), go: () => restore(name) });
  const yes = async (question: Question): Promise<void> => {
    const { error } = await question.go();
    setAsked(null);
    setSaid(error ? NOTEBOOK.nothingWasChanged(refusalWords(error)) : NOTEBOOK.doneWhatWasHereBefore);
    if (error) return;
    dispatch(studyClosed());
    onProblem(null);
  };
  return { replacing, asked, said, onFile, onCopy, yes, no: () => setAsked(null) };
}

/** The whole notebook to a file and back, and the dated copies that are made of themselves. */
export function Backups({ onProblem }: { readonly onProblem: (message: string | null) => void }) {
  const { data = [] } = useCopiesQuery(undefined, { refetchOnMountOrArgChange: true });
  const [makeCopy, { isLoading }] = useMakeCopyMutation();
  const { replacing, asked, said, onFile, onCopy, yes, no } = useReplacing(onProblem);
  return (
    <>
      <WholeNotebook onFile={(file) => void onFile(file)} />
      {replacing && <HowFar />}
      <h2 className="text-[0.8125rem] font-semibold">{NOTEBOOK.datedCopiesMadeByThemselves}</h2>
      <ul aria-label={NOTEBOOK.datedCopies} className="num grid gap-1">
        {data.map((c) => (
          <li key={c.name} className="flex items-center gap-2">
            <span className="grow">{`${dateWords(c.at)}, ${sizeWords(c.bytes)}`}</span>
            <Button aria-label={NOTEBOOK.goBackToTheCopy(dateWords(c.at))} onClick={() => onCopy(c.name, dateWords(c.at))}>
              {NOTEBOOK.goBackToIt}
            </Button>
          </li>
        ))}
        {!data.length && <li className="text-soft">{NOTEBOOK.noneYet}</li>}
      </ul>
      <Button disabled={isLoading} onClick={() => void makeCopy()}>
        {NOTEBOOK.makeACopyNow}
      </Button>
      {asked && <Sure words={asked.words} onYes={() => void yes(asked)} onNo={no} />}
      <p role="status" aria-live="polite" className="text-soft">
        {said}
      </p>
    </>
  );
}

function WholeNotebook({ onFile }: { readonly onFile: (file: File) => void }) {
  const [versions, setVersions] = useState(false);
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <a
          href={versions ? `${API.notebook}?versions=1` : API.notebook}
          download="crow-ladder-notebook.json"
          className="inline-flex min-h-8 items-center gap-2 rounded-md border border-line bg-sheet px-3 py-1 text-[0.78125rem] hover:border-soft"
        >
          <Download size={14} aria-hidden /> {NOTEBOOK.wholeNotebookToAFile}
        </a>
        <FileButton label={NOTEBOOK.putOneBack} name={NOTEBOOK.notebookFileToPutBack} accept=".json" onFiles={([file]) => onFile(file!)} />
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" className="accent-brass" checked={versions} onChange={(e) => setVersions(e.target.checked)} />
        {NOTEBOOK.withTheEarlierVersionsOf}
      </label>
    </>
  );
}

/** Asked only while it is put back. */
function HowFar() {
  const { data } = useTakingInQuery(undefined, { pollingInterval: 300 });
  return (
    <p role="status">
      {NOTEBOOK.puttingItBack} <progress value={data?.done ?? undefined} max={1} aria-label={NOTEBOOK.howFarItIs} />
    </p>
  );
}

/** A question takes the focus, so that it is heard and answered by keys. */
const takeFocus = (element: HTMLElement | null): void => element?.focus();

function Sure({ words, onYes, onNo }: { readonly words: string; readonly onYes: () => void; readonly onNo: () => void }) {
  return (
    <div
      role="alertdialog"
      aria-label={NOTEBOOK.replaceTheNotebook}
      tabIndex={-1}
      ref={takeFocus}
      onKeyDown={(e) => {
        if (e.key !== 'Escape') return;
        e.stopPropagation();
        onNo();
      }}
      className="grid gap-2 rounded-md border border-clay p-2"
    >
      <p>
        {words} {NOTEBOOK.whatIsHereNowIs}
      </p>
      <span className="flex gap-2">
        <Button look="brass" onClick={onYes}>
          {NOTEBOOK.yesDoIt}
        </Button>
        <Button onClick={onNo}>{NOTEBOOK.no}</Button>
      </span>
    </div>
  );
}
