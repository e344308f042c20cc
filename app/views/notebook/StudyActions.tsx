import { Copy, Download, FolderOpen, History, Tag, Trash2 } from 'lucide-react';
import { useNavigate } from 'react-router';
import { useState, type FormEvent } from 'react';
import { API, MOST_TAGS, type StudyBody, type StudySummary } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { api, useCreateStudyMutation, useSaveStudyMutation } from '../../store/api';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { SentencePart } from '../../ui/SentencePart';
import { TagField } from '../../ui/TagField';
import { refusalWords } from '../../words/save-text';
import { isolated } from '../../words/name-text';

interface Props {
  study: StudySummary;
  onOpen: () => void;
  onDelete: () => void;
  onProblem: (message: string) => void;
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
    if (!result || result.error) onProblem(`It could not be duplicated: ${refusalWords(result?.error ?? error)}`);
  };
  const set = async (fields: Partial<StudyBody>): Promise<void> => {
    if (openId === study.id) return void dispatch(edited(fields));
    const { data, error } = await load();
    const result = data && (await save({ id: study.id, revision: data.revision, body: { ...data.body, ...fields } }));
    if (!result || result.error) onProblem(`It could not be changed: ${refusalWords(result?.error ?? error)}`);
  };
  return { duplicate, set };
}

function Details({ study, set, close }: { study: StudySummary; set: (fields: Partial<StudyBody>) => Promise<void>; close: () => void }) {
  const [name, setName] = useState(study.name);
  const [group, setGroup] = useState(study.set);
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    if (name.trim()) void set({ name: name.trim(), set: group.trim() });
    close();
  };
  const field = 'rounded-md border border-line bg-paper px-2 py-1.5 text-sm text-ink';
  return (
    <>
      <form onSubmit={submit} className="grid gap-2">
        <label className="flex flex-col gap-1 text-xs text-soft">
          New name
          <input value={name} maxLength={120} autoFocus onChange={(e) => setName(e.target.value)} className={field} />
        </label>
        <label className="flex flex-col gap-1 text-xs text-soft">
          Set
          <input value={group} maxLength={80} onChange={(e) => setGroup(e.target.value)} className={field} />
        </label>
        <Button type="submit" look="link" disabled={!name.trim()}>
          Save name
        </Button>
      </form>
      <TagField tags={study.tags} most={MOST_TAGS} onTags={(tags) => void set({ tags })} />
      <Button onClick={() => { void set({ practisedAt: Date.now() }); close(); }}>Practised now</Button>
    </>
  ); // prettier-ignore
}

/** What can be done with a study in the list. */
export function StudyActions({ study, onOpen, onDelete, onProblem }: Props) {
  const { duplicate, set } = useStudyActions(study, onProblem);
  const navigate = useNavigate();
  const remove = (
    <Button icon={<Trash2 size={14} aria-hidden />} onClick={onDelete}>
      Delete
    </Button>
  );
  const versions = (
    <Button icon={<History size={14} aria-hidden />} onClick={() => void navigate(`/versions/${study.id}`)}>
      Versions
    </Button>
  );
  if (study.damaged)
    return (
      <div role="group" aria-label={study.name} className="flex flex-wrap gap-1">
        <a
          className="inline-flex min-h-8 items-center gap-2 rounded-md border border-line bg-sheet px-3 py-1 text-[12.5px] hover:border-soft"
          href={`${API.studies}/${encodeURIComponent(study.id)}/raw`}
          download
        >
          <Download size={14} aria-hidden /> Export as it is
        </a>
        {remove}
      </div>
    );
  return (
    <div role="group" aria-label={study.name} className="flex flex-wrap gap-1 xl:flex-nowrap">
      <Button look="link" icon={<FolderOpen size={14} aria-hidden />} onClick={onOpen}>
        Open
      </Button>
      <SentencePart
        name={`name and tags of ${isolated(study.name)}`}
        look="chip"
        text={
          <>
            <Tag size={13} aria-hidden /> <span className="whitespace-nowrap">Name, tags</span>
          </>
        }
      >
        {(close) => <Details study={study} set={set} close={close} />}
      </SentencePart>
      <Button icon={<Copy size={14} aria-hidden />} onClick={() => void duplicate()}>
        Duplicate
      </Button>
      {versions}
      {remove}
    </div>
  );
}
