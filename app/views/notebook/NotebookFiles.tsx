import { Archive, Download, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { API, NOTEBOOK_LIMIT, readBundle, type Bundle } from '../../../contract';
import { useAppDispatch } from '../../store';
import { useCopiesQuery, useMakeCopyMutation, useReplaceNotebookMutation, useRestoreCopyMutation, useTakingInQuery } from '../../store/api';
import { studyClosed } from '../../store/editor';
import { Button } from '../../ui/Button';
import { SentencePart } from '../../ui/SentencePart';
import { dateWords } from '../../words/date-text';
import { refusalWords } from '../../words/save-text';
import { useBringIn } from '../bring-in/BringIn';
import { counted } from '../../words/count-text';
import { isolated } from '../../words/name-text';
import type { Entry } from '../../words/notebook-text';
import { NotebookExport } from './NotebookExport';
import { NOTEBOOK } from '../../words/views/notebook';

interface Props {
  readonly chosen: readonly Entry[];
  readonly onProblem: (message: string | null) => void;
}

const ACCEPT = '.json,.musicxml,.xml,.mxl,.mid,.midi,.txt,.tab,.scl,.kbm';

/** Files in and out of the notebook, the whole of it in one file, and its dated copies. */
export function NotebookFiles({ chosen, onProblem }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const bring = useBringIn();
  return (
    <>
      <Button icon={<Upload size={14} aria-hidden />} onClick={() => input.current?.click()}>
        {NOTEBOOK.bringInFiles}
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        accept={ACCEPT}
        className="sr-only"
        aria-label={NOTEBOOK.filesToBringIn}
        tabIndex={-1}
        onChange={(e) => {
          bring([...(e.target.files ?? [])]);
          e.target.value = '';
        }}
      />
      <NotebookExport chosen={chosen} onProblem={onProblem} />
      <SentencePart
        name="backups"
        look="chip"
        text={
          <>
            <Archive size={14} aria-hidden /> {NOTEBOOK.backups}
          </>
        }
      >
        {() => <Backups onProblem={onProblem} />}
      </SentencePart>
    </>
  );
}

const sizeWords = (bytes: number): string => (bytes < 1_000_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`);

/** A question takes the focus, so that it is heard and answered by keys. */
const takeFocus = (element: HTMLElement | null): void => element?.focus();

function Backups({ onProblem }: { readonly onProblem: (message: string | null) => void }) {
  const dispatch = useAppDispatch();
  const { data = [] } = useCopiesQuery(undefined, { refetchOnMountOrArgChange: true });
  const [makeCopy, { isLoading }] = useMakeCopyMutation();
  const [restore] = useRestoreCopyMutation();
  const [replace, { isLoading: replacing }] = useReplaceNotebookMutation();
  const [versions, setVersions] = useState(false);
  const { data: taking } = useTakingInQuery(undefined, { skip: !replacing, pollingInterval: replacing ? 300 : 0 });
  const [asked, setAsked] = useState<{ readonly words: string; readonly go: () => Promise<{ readonly error?: unknown }> } | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);

  const done = (result: { readonly error?: unknown }): void => {
    setAsked(null);
    if (!result.error) {
      dispatch(studyClosed());
      setSaid(NOTEBOOK.doneWhatWasHereBefore);
      return onProblem(null);
    }
    setSaid(NOTEBOOK.nothingWasChanged(refusalWords(result.error)));
  };
  const onFile = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > NOTEBOOK_LIMIT) return setSaid(NOTEBOOK.thatFileIsLargerThan(NOTEBOOK_LIMIT / 1024 / 1024));
    const read = readBundle(await file.text());
    if ('problem' in read) return setSaid(NOTEBOOK.nothingWasChanged2(isolated(file.name), read.problem));
    const { bundle }: { readonly bundle: Bundle } = read;
    setAsked({
      words: NOTEBOOK.putAndFromInThe(
        counted(bundle.studies.length, 'study', 'studies'),
        counted(bundle.instruments.length, 'instrument'),
        isolated(file.name),
      ),
      go: () => replace(bundle),
    });
  };
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <a href={versions ? `${API.notebook}?versions=1` : API.notebook} download="crow-ladder-notebook.json" className="inline-flex min-h-8 items-center gap-2 rounded-md border border-line bg-sheet px-3 py-1 text-[0.78125rem] hover:border-soft">
          <Download size={14} aria-hidden /> {NOTEBOOK.wholeNotebookToAFile}
        </a>
        <Button icon={<Upload size={14} aria-hidden />} onClick={() => input.current?.click()}>
          {NOTEBOOK.putOneBack}
        </Button>
        <input ref={input} type="file" accept=".json" className="sr-only" tabIndex={-1} aria-label={NOTEBOOK.notebookFileToPutBack} onChange={(e) => { void onFile(e.target.files?.[0]); e.target.value = ''; }} />
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" className="accent-brass" checked={versions} onChange={(e) => setVersions(e.target.checked)} />
        {NOTEBOOK.withTheEarlierVersionsOf}
      </label>
      {replacing && (
        <p role="status">
          {NOTEBOOK.puttingItBack} <progress value={taking?.done ?? undefined} max={1} aria-label={NOTEBOOK.howFarItIs} />
        </p>
      )}
      <h2 className="text-[0.8125rem] font-semibold">{NOTEBOOK.datedCopiesMadeByThemselves}</h2>
      <ul aria-label={NOTEBOOK.datedCopies} className="num grid gap-1">
        {data.map((c) => (
          <li key={c.name} className="flex items-center gap-2">
            <span className="grow">{`${dateWords(c.at)}, ${sizeWords(c.bytes)}`}</span>
            <Button aria-label={NOTEBOOK.goBackToTheCopy(dateWords(c.at))} onClick={() => setAsked({ words: NOTEBOOK.goBackToHowThe(dateWords(c.at)), go: () => restore(c.name) })}>
              {NOTEBOOK.goBackToIt}
            </Button>
          </li>
        ))}
        {!data.length && <li className="text-soft">{NOTEBOOK.noneYet}</li>}
      </ul>
      <Button disabled={isLoading} onClick={() => void makeCopy()}>
        {NOTEBOOK.makeACopyNow}
      </Button>
      {asked && (
        <div
          role="alertdialog"
          aria-label={NOTEBOOK.replaceTheNotebook}
          tabIndex={-1}
          ref={takeFocus}
          onKeyDown={(e) => { if (e.key === 'Escape') { e.stopPropagation(); setAsked(null); } }}
          className="grid gap-2 rounded-md border border-clay p-2">
          <p>{asked.words} {NOTEBOOK.whatIsHereNowIs}</p>
          <span className="flex gap-2">
            <Button look="brass" onClick={() => void asked.go().then(done)}>
              {NOTEBOOK.yesDoIt}
            </Button>
            <Button onClick={() => setAsked(null)}>{NOTEBOOK.no}</Button>
          </span>
        </div>
      )}
      <p role="status" aria-live="polite" className="text-soft">
        {said}
      </p>
    </>
  ); // prettier-ignore
}
