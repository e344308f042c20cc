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
import { useBringIn } from '../BringIn';
import { counted } from '../../words/count-text';
import { isolated } from '../../words/name-text';
import type { Entry } from '../../words/notebook-text';
import { NotebookExport } from './NotebookExport';

interface Props {
  chosen: readonly Entry[];
  onProblem: (message: string | null) => void;
}

const ACCEPT = '.json,.musicxml,.xml,.mxl,.mid,.midi,.txt,.tab,.scl,.kbm';

/** Files in and out of the notebook, the whole of it in one file, and its dated copies. */
export function NotebookFiles({ chosen, onProblem }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const bring = useBringIn();
  return (
    <>
      <Button icon={<Upload size={14} aria-hidden />} onClick={() => input.current?.click()}>
        Bring in files
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        accept={ACCEPT}
        className="sr-only"
        aria-label="Files to bring in"
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
            <Archive size={14} aria-hidden /> Backups
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

function Backups({ onProblem }: { onProblem: (message: string | null) => void }) {
  const dispatch = useAppDispatch();
  const { data = [] } = useCopiesQuery(undefined, { refetchOnMountOrArgChange: true });
  const [makeCopy, { isLoading }] = useMakeCopyMutation();
  const [restore] = useRestoreCopyMutation();
  const [replace, { isLoading: replacing }] = useReplaceNotebookMutation();
  const [versions, setVersions] = useState(false);
  const { data: taking } = useTakingInQuery(undefined, { skip: !replacing, pollingInterval: replacing ? 300 : 0 });
  const [asked, setAsked] = useState<{ words: string; go: () => Promise<{ error?: unknown }> } | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);

  const done = (result: { error?: unknown }): void => {
    setAsked(null);
    if (!result.error) {
      dispatch(studyClosed());
      setSaid('Done. What was here before is kept as a dated copy.');
      return onProblem(null);
    }
    setSaid(`Nothing was changed: ${refusalWords(result.error)}`);
  };
  const onFile = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > NOTEBOOK_LIMIT) return setSaid(`That file is larger than ${NOTEBOOK_LIMIT / 1024 / 1024} MB; nothing was changed.`);
    const read = readBundle(await file.text());
    if ('problem' in read) return setSaid(`${isolated(file.name)}: ${read.problem} Nothing was changed.`);
    const { bundle }: { bundle: Bundle } = read;
    setAsked({
      words: `Put ${counted(bundle.studies.length, 'study', 'studies')} and ${counted(bundle.instruments.length, 'instrument')} from ${isolated(file.name)} in the place of everything that is here?`,
      go: () => replace(bundle),
    });
  };
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <a href={versions ? `${API.notebook}?versions=1` : API.notebook} download="crow-ladder-notebook.json" className="inline-flex min-h-8 items-center gap-2 rounded-md border border-line bg-sheet px-3 py-1 text-[0.78125rem] hover:border-soft">
          <Download size={14} aria-hidden /> Whole notebook to a file
        </a>
        <Button icon={<Upload size={14} aria-hidden />} onClick={() => input.current?.click()}>
          Put one back
        </Button>
        <input ref={input} type="file" accept=".json" className="sr-only" tabIndex={-1} aria-label="Notebook file to put back" onChange={(e) => { void onFile(e.target.files?.[0]); e.target.value = ''; }} />
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" className="accent-brass" checked={versions} onChange={(e) => setVersions(e.target.checked)} />
        with the earlier versions of every study (dated copies always have them)
      </label>
      {replacing && (
        <p role="status">
          Putting it back … <progress value={taking?.done ?? undefined} max={1} aria-label="How far it is" />
        </p>
      )}
      <h3 className="text-[0.8125rem] font-semibold">Dated copies, made by themselves once a day</h3>
      <ul aria-label="Dated copies" className="num grid gap-1">
        {data.map((c) => (
          <li key={c.name} className="flex items-center gap-2">
            <span className="grow">{`${dateWords(c.at)}, ${sizeWords(c.bytes)}`}</span>
            <Button aria-label={`Go back to the copy of ${dateWords(c.at)}`} onClick={() => setAsked({ words: `Go back to how the notebook was on ${dateWords(c.at)}?`, go: () => restore(c.name) })}>
              Go back to it
            </Button>
          </li>
        ))}
        {!data.length && <li className="text-soft">None yet.</li>}
      </ul>
      <Button disabled={isLoading} onClick={() => void makeCopy()}>
        Make a copy now
      </Button>
      {asked && (
        <div
          role="alertdialog"
          aria-label="Replace the notebook"
          tabIndex={-1}
          ref={takeFocus}
          onKeyDown={(e) => { if (e.key === 'Escape') { e.stopPropagation(); setAsked(null); } }}
          className="grid gap-2 rounded-md border border-clay p-2">
          <p>{asked.words} What is here now is kept as a dated copy first.</p>
          <span className="flex gap-2">
            <Button look="brass" onClick={() => void asked.go().then(done)}>
              Yes, do it
            </Button>
            <Button onClick={() => setAsked(null)}>No</Button>
          </span>
        </div>
      )}
      <p role="status" aria-live="polite" className="text-soft">
        {said}
      </p>
    </>
  ); // prettier-ignore
}
