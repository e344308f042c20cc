import { Copy, FolderOpen, Pencil, Trash2 } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import type { StudySummary } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { api, useCreateStudyMutation, useSaveStudyMutation } from '../../store/api';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { Signs } from '../../ui/Signs';
import { scaleName } from '../../words/scale-text';
import { layoutWords } from '../../words/layout-text';
import { instrumentWords } from '../../words/tuning-text';

interface Props {
  study: StudySummary;
  onOpen: () => void;
  onDelete: () => void;
  onProblem: (message: string) => void;
}

const describe = (s: StudySummary): string =>
  s.problems.length
    ? s.problems[0].message
    : `${scaleName(s.scale)} on ${instrumentWords(s.instrument)}, laid out as ${layoutWords(s.layout)}`;

function Rename({ name, onDone }: { name: string; onDone: (name: string | null) => void }) {
  const [text, setText] = useState(name);
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    onDone(text.trim() || null);
  };
  return (
    <form onSubmit={submit} className="flex flex-wrap gap-2">
      <input
        aria-label="New name"
        value={text}
        maxLength={120}
        autoFocus
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && onDone(null)}
        className="min-w-0 grow rounded-md border border-line bg-paper px-2 py-1 text-base"
      />
      <Button type="submit" look="link" disabled={!text.trim()}>
        Save name
      </Button>
      <Button onClick={() => onDone(null)}>Cancel</Button>
    </form>
  );
}

/** The study's own record, fresh from the server, for a copy or a new name. */
function useStudyActions(study: StudySummary, onProblem: (message: string) => void) {
  const dispatch = useAppDispatch();
  const openId = useAppSelector((s) => s.editor.id);
  const [create] = useCreateStudyMutation();
  const [save] = useSaveStudyMutation();
  const load = () => dispatch(api.endpoints.study.initiate(study.id, { forceRefetch: true, subscribe: false }));
  const duplicate = async (): Promise<void> => {
    const { data } = await load();
    const result = data && (await create({ ...data.body, name: `${data.body.name.slice(0, 110)} (copy)` }));
    if (!result || result.error) onProblem('It could not be duplicated: the server does not answer, or refused it.');
  };
  const rename = async (name: string): Promise<void> => {
    if (openId === study.id) return void dispatch(edited({ name }));
    const { data } = await load();
    const result = data && (await save({ id: study.id, revision: data.revision, body: { ...data.body, name } }));
    if (!result || result.error)
      onProblem('It could not be renamed: it was changed in another window, or the server does not answer. Try again.');
  };
  return { duplicate, rename };
}

export function StudyRow({ study, onOpen, onDelete, onProblem }: Props) {
  const [renaming, setRenaming] = useState(false);
  const isOpen = useAppSelector((s) => s.editor.id === study.id);
  const openName = useAppSelector((s) => (s.editor.id === study.id ? s.editor.body?.name : undefined));
  const { duplicate, rename } = useStudyActions(study, onProblem);
  const name = openName ?? study.name;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-4 py-3 last:border-0">
      <div className="min-w-[14rem] grow">
        {renaming ? (
          <Rename
            name={name}
            onDone={(next) => {
              setRenaming(false);
              if (next && next !== name) void rename(next);
            }}
          />
        ) : (
          <button
            type="button"
            onClick={onOpen}
            className="cursor-pointer text-left font-display text-[17px] font-semibold hover:text-feather"
          >
            <Signs>{name}</Signs>
          </button>
        )}
        <p className={study.problems.length ? 'text-clay' : 'text-soft'}>
          <Signs>{describe(study)}</Signs>
        </p>
        <p className="text-xs text-soft">
          {isOpen && <span className="mr-2 font-semibold text-brass-deep">open now</span>}
          {study.set && <span className="mr-2">{study.set}</span>}
          changed {new Date(study.updatedAt).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })}
        </p>
      </div>
      <div role="group" aria-label={name} className="flex flex-wrap gap-2">
        <Button look="link" icon={<FolderOpen size={14} aria-hidden />} onClick={onOpen}>
          Open
        </Button>
        <Button icon={<Copy size={14} aria-hidden />} onClick={() => void duplicate()}>
          Duplicate
        </Button>
        <Button icon={<Pencil size={14} aria-hidden />} onClick={() => setRenaming(true)}>
          Rename
        </Button>
        <Button icon={<Trash2 size={14} aria-hidden />} onClick={onDelete}>
          Delete
        </Button>
      </div>
    </li>
  );
}
