import { Copy, Download, Ellipsis, FolderOpen, History, Tag, Trash2 } from 'lucide-react';
import { useRef, useState, type RefObject } from 'react';
import { useNavigate } from 'react-router';
import { API, type StudyBody, type StudySummary } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { api, useCreateStudyMutation, useSaveStudyMutation } from '../../store/api';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { later } from '../../ui/later';
import { refusalWords } from '../../words/save-text';
import { isolated } from '../../words/name-text';
import { say } from '../../shell/say';
import { NOTEBOOK } from '../../words/views/notebook';
import type { Item } from './RowMenu';

const RowMenu = later(async () => (await import('./RowMenu')).RowMenu);
const NameStudy = later(async () => (await import('./NameStudy')).NameStudy);

interface Props {
  readonly study: StudySummary;
  readonly onOpen: () => void;
  readonly onDelete: () => void;
  readonly onProblem: (message: string) => void;
}

/** The study's own record, fresh from the server, for a copy or for other fields. */
function useStudyActions(study: StudySummary, onProblem: (message: string) => void) {
  const dispatch = useAppDispatch();
  const openId = useAppSelector((s) => s.editor.id);
  const [create] = useCreateStudyMutation();
  const [save] = useSaveStudyMutation();
  const load = () => dispatch(api.endpoints.study.initiate(study.id, { forceRefetch: true, subscribe: false }));
  const duplicate = async (): Promise<void> => {
    const { data, error } = await load();
    const result = data && (await create({ ...data.body, name: `${data.body.name.slice(0, 110)} (copy)` }));
    if (!result || result.error) return onProblem(NOTEBOOK.itCouldNotBeDuplicated(refusalWords(result?.error ?? error)));
    say(NOTEBOOK.aCopyOfWasMade(study.name));
  };
  const set = async (fields: Partial<StudyBody>): Promise<void> => {
    if (openId === study.id) return void dispatch(edited(fields));
    const { data, error } = await load();
    const result = data && (await save({ id: study.id, revision: data.revision, body: { ...data.body, ...fields } }));
    if (!result || result.error) onProblem(NOTEBOOK.itCouldNotBeChanged(refusalWords(result?.error ?? error)));
  };
  return { duplicate, set };
}

/** What can be done with a study in the list: one thing in sight, the others in a menu. */
export function StudyActions({ study, onOpen, onDelete, onProblem }: Props) {
  const { duplicate, set } = useStudyActions(study, onProblem);
  const navigate = useNavigate();
  const [naming, setNaming] = useState(false);
  const trigger = useRef<HTMLButtonElement>(null);
  const name = isolated(study.name);
  const items: Item[] = study.damaged
    ? [{ word: NOTEBOOK.deleteWord, Icon: Trash2, run: onDelete }]
    : [
        { word: NOTEBOOK.nameAndTags, Icon: Tag, run: () => setNaming(true) },
        { word: NOTEBOOK.duplicate, Icon: Copy, run: () => void duplicate() },
        { word: NOTEBOOK.versions, Icon: History, run: () => void navigate(`/versions/${study.id}`) },
        { word: NOTEBOOK.deleteWord, Icon: Trash2, run: onDelete },
      ];
  return (
    <div role="group" aria-label={study.name} className="flex gap-1">
      {study.damaged ? (
        <a
          className="inline-flex min-h-8 items-center gap-2 rounded-md border border-line bg-sheet px-3 py-1 text-[0.78125rem] hover:border-soft"
          href={`${API.studies}/${encodeURIComponent(study.id)}/raw`}
          aria-label={NOTEBOOK.exportAsItIs(name)}
          download
        >
          <Download size={14} aria-hidden /> {NOTEBOOK.exportAsItIs2}
        </a>
      ) : (
        <Button look="link" icon={<FolderOpen size={14} aria-hidden />} aria-label={NOTEBOOK.open2(name)} onClick={onOpen}>
          {NOTEBOOK.open}
        </Button>
      )}
      <More name={name} items={items} trigger={trigger} />
      {naming && <NameStudy study={study} set={set} at={trigger} close={() => setNaming(false)} />}
    </div>
  );
}

function More({
  name,
  items,
  trigger,
}: {
  readonly name: string;
  readonly items: readonly Item[];
  readonly trigger: RefObject<HTMLButtonElement | null>;
}) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        ref={trigger}
        icon={<Ellipsis size={14} aria-hidden />}
        aria-label={NOTEBOOK.moreFor(name)}
        aria-haspopup="menu"
        aria-expanded={at !== null}
        onClick={({ currentTarget }) => setAt(at ? null : currentTarget)}
        onKeyDown={(e) => {
          if (e.key !== 'ArrowDown') return;
          e.preventDefault();
          setAt(e.currentTarget);
        }}
      >
        {NOTEBOOK.more}
      </Button>
      {at && <RowMenu name={NOTEBOOK.moreFor(name)} items={items} at={at} onClose={() => setAt(null)} />}
    </>
  );
}
