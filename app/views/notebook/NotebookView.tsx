import { Plus, Search } from 'lucide-react';
import { useDeferredValue, useMemo, useRef, useState, type RefObject } from 'react';
import { useNavigate } from 'react-router';
import { useDeleteStudyMutation, useRestoreStudyMutation, useStudiesQuery } from '../../store/api';
import { store, useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { studyClosed } from '../../store/editor';
import { openStudy } from '../../store/open';
import { viewPath } from '../../store/paths';
import { useCommands } from '../../shell/keys';
import { usePageTitle } from '../../shell/title';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { UndoBar } from '../../ui/UndoBar';
import { isolated } from '../../words/name-text';
import { countWords, entriesOf, sifted, tagsIn, type Entry, type Sieve } from '../../words/notebook-text';
import { useOpenAndGo } from '../useOpenAndGo';
import { OPENING_WORDS } from '../../words/open-text';
import { refusalWords } from '../../words/save-text';
import { EntryTable } from './EntryTable';
import { NewStudy } from './NewStudy';
import { NOTEBOOK_COMMANDS } from './notebook-commands';
import { NotebookFiles } from './NotebookFiles';
import { NOTEBOOK } from '../../words/views/notebook';
import { DRAWING } from '../../words/views/drawing';

interface Deleted {
  readonly id: string;
  readonly name: string;
}

const NOTHING: Entry[] = [];

/** What of the notebook is listed: by the sieve, and without the licks of studies that are folded. */
function useListed(entries: Entry[]) {
  const [sieve, setSieve] = useState<Sieve>({ text: '', kind: 'all', tag: '' });
  const late = useDeferredValue(sieve);
  const [unfolded, setUnfolded] = useState<ReadonlySet<string>>(new Set());
  const folds = late.kind === 'all' && !late.text.trim() && !late.tag;
  const found = useMemo(() => sifted(entries, late), [entries, late]);
  const shown = useMemo(
    () => (folds ? found.filter((e) => e.kind === 'study' || unfolded.has(e.study.id)) : found),
    [found, folds, unfolded],
  );
  const onFold = (id: string): void => setUnfolded((now) => new Set(now.has(id) ? [...now].filter((x) => x !== id) : [...now, id]));
  return { sieve, setSieve, found, shown, unfolded: folds ? unfolded : null, onFold };
}

/** All studies and licks: found, opened, made, duplicated, renamed, tagged, deleted and brought back; in and out as files. */
export function NotebookView() {
  const { data: latest, error, refetch } = useStudiesQuery(undefined, { refetchOnMountOrArgChange: true });
  // Drawn in parts that the browser may look up between: a notebook is long.
  const data = useDeferredValue(latest);
  const [problem, setProblem] = useState<string | null>(null);
  const [making, setMaking] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const entries = useMemo(() => (data ? entriesOf(data) : NOTHING), [data]);
  const { sieve, setSieve, found, shown, unfolded, onFold } = useListed(entries);
  const openAndGo = useOpenAndGo(setProblem);
  const openEntry = useOpenEntry(openAndGo, setProblem);
  const { deleted, onDelete, onUndo, forget } = useDeleting(setProblem);
  const search = useRef<HTMLInputElement>(null);
  useCommands('notebook', NOTEBOOK_COMMANDS, { search: () => search.current?.focus(), new: () => setMaking(true) });
  usePageTitle('notebook');

  return (
    <>
      <header className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="grow text-[1.5625rem] font-semibold">{NOTEBOOK.notebook}</h1>
        <NotebookFiles chosen={entries.filter((e) => chosen.has(e.key))} onProblem={setProblem} />
        <Button look="brass" icon={<Plus size={15} aria-hidden />} onClick={() => setMaking(true)}>
          {NOTEBOOK.newStudy}
        </Button>
      </header>
      {problem && (
        <p role="alert" className="mb-3 rounded border border-clay p-2 text-clay">
          {problem}
        </p>
      )}
      {making && <NewStudy onMade={(id) => void openAndGo(id)} onCancel={() => setMaking(false)} />}
      {error && <NotListed why={refusalWords(error)} onAgain={() => void refetch()} />}
      {data?.length === 0 && <p className="py-10 text-center">{NOTEBOOK.noStudiesYetMakeOne}</p>}
      {!!data?.length && (
        <>
          <SieveRow sieve={sieve} onSieve={setSieve} entries={entries} search={search} />
          <EntryTable
            entries={shown}
            chosen={chosen}
            onChosen={setChosen}
            onOpen={(e) => void openEntry(e)}
            onDelete={(s) => void onDelete(s)}
            onProblem={setProblem}
            unfolded={unfolded}
            onFold={onFold}
          />
          <p role="status" aria-live="polite" className="num mt-2 text-xs text-soft">
            {found.length === entries.length ? countWords(entries) : NOTEBOOK.of2(countWords(found), countWords(entries))}
          </p>
        </>
      )}
      <p className="mt-4 text-xs text-soft">{NOTEBOOK.studiesAreKeptOnThis}</p>
      {deleted && <UndoBar words={DRAWING.wasDeleted(isolated(deleted.name))} onUndo={() => void onUndo()} onClose={forget} />}
    </>
  );
}

const NotListed = ({ why, onAgain }: { readonly why: string; readonly onAgain: () => void }) => (
  <p role="alert" className="mb-3">
    {NOTEBOOK.theNotebookCannotBeListed(why)}
    <Button onClick={onAgain}>{NOTEBOOK.tryAgain}</Button>
  </p>
);

const KINDS: { readonly value: Sieve['kind']; readonly label: string }[] = [
  { value: 'all', label: NOTEBOOK.all },
  { value: 'study', label: NOTEBOOK.studies },
  { value: 'lick', label: NOTEBOOK.licks },
];

interface SieveProps {
  readonly sieve: Sieve;
  readonly onSieve: (sieve: Sieve) => void;
  readonly entries: Entry[];
  readonly search: RefObject<HTMLInputElement | null>;
}

/** Finds by words, by kind and by tag. */
function SieveRow({ sieve, onSieve, entries, search }: SieveProps) {
  const tags = useMemo(() => tagsIn(entries), [entries]);
  return (
    <div className="no-print mb-3 flex flex-wrap items-end gap-3">
      <label className="flex min-w-56 grow flex-col gap-1 text-xs text-soft">
        <span className="flex items-center gap-1">
          <Search size={12} aria-hidden /> {NOTEBOOK.searchNamesTagsScalesTunings}
        </span>
        <input
          ref={search}
          type="search"
          value={sieve.text}
          onChange={(e) => onSieve({ ...sieve, text: e.target.value })}
          placeholder={NOTEBOOK.dorianSeven}
          className="rounded-md border border-line bg-sheet px-3 py-1.5 text-sm text-ink placeholder:text-soft"
        />
      </label>
      <Segmented label={NOTEBOOK.whatIsListed} value={sieve.kind} options={KINDS} onChange={(kind) => onSieve({ ...sieve, kind })} />
      {tags.length > 0 && (
        <div className="w-40">
          <Select
            label={NOTEBOOK.tag}
            value={sieve.tag}
            options={[{ value: '', label: NOTEBOOK.any }, ...tags.map((value) => ({ value, label: value }))]}
            onChange={(tag) => onSieve({ ...sieve, tag })}
          />
        </div>
      )}
    </div>
  );
}

/** A study opens on its Map, a lick in its study's Licks. */
function useOpenEntry(openAndGo: (id: string) => Promise<void>, onProblem: (message: string) => void) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  return async ({ study, lick }: Entry): Promise<void> => {
    if (!lick) return openAndGo(study.id);
    const result = store.getState().editor.id === study.id ? 'open' : await openStudy(study.id);
    if (result !== 'open') return onProblem(OPENING_WORDS[result]);
    dispatch(change(() => ({ lick: lick.id })));
    await navigate(viewPath(study.id, 'licks'));
  };
}

function useDeleting(onProblem: (message: string | null) => void) {
  const [remove] = useDeleteStudyMutation();
  const [restore] = useRestoreStudyMutation();
  const [deleted, setDeleted] = useState<Deleted | null>(null);
  const dispatch = useAppDispatch();
  const onDelete = async ({ id, name }: Deleted): Promise<void> => {
    const result = await remove(id);
    if ('error' in result && result.error) return onProblem(NOTEBOOK.itCouldNotBeDeleted(refusalWords(result.error)));
    if (store.getState().editor.id === id) dispatch(studyClosed());
    setDeleted({ id, name });
  };
  const onUndo = async (): Promise<void> => {
    if (!deleted) return;
    const result = await restore(deleted.id);
    if ('error' in result && result.error) onProblem(NOTEBOOK.itCouldNotBeBrought(refusalWords(result.error)));
    else setDeleted(null);
  };
  return { deleted, onDelete, onUndo, forget: () => setDeleted(null) };
}
