import { Copy, Download, Ellipsis, FolderOpen, History, Tag, Trash2 } from 'lucide-react';
import { Dialog, DropdownMenu } from 'radix-ui';
import { useRef, useState, type ComponentType, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { API, MOST_TAGS, type StudyBody, type StudySummary } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { api, useCreateStudyMutation, useSaveStudyMutation } from '../../store/api';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { TagField } from '../../ui/TagField';
import { refusalWords } from '../../words/save-text';
import { isolated } from '../../words/name-text';
import { say } from '../../shell/say';
import { NOTEBOOK } from '../../words/views/notebook';

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

function Details({
  study,
  set,
  close,
}: {
  readonly study: StudySummary;
  readonly set: (fields: Partial<StudyBody>) => Promise<void>;
  readonly close: () => void;
}) {
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
          {NOTEBOOK.newName}
          <input value={name} maxLength={120} autoFocus onChange={(e) => setName(e.target.value)} className={field} />
        </label>
        <label className="flex flex-col gap-1 text-xs text-soft">
          {NOTEBOOK.set}
          <input value={group} maxLength={80} onChange={(e) => setGroup(e.target.value)} className={field} />
        </label>
        <Button type="submit" look="link" disabled={!name.trim()}>
          {NOTEBOOK.saveName}
        </Button>
      </form>
      <TagField tags={study.tags} most={MOST_TAGS} onTags={(tags) => void set({ tags })} />
      <div className="flex gap-2">
        <Button onClick={() => { void set({ practisedAt: Date.now() }); close(); }}>{NOTEBOOK.practisedNow}</Button>
        <Button onClick={close}>{NOTEBOOK.close}</Button>
      </div>
    </>
  ); // prettier-ignore
}

interface Item {
  readonly word: string;
  readonly Icon: ComponentType<{ readonly size?: number; readonly 'aria-hidden'?: boolean }>;
  readonly run: () => void;
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
      <Dialog.Root open={naming} onOpenChange={setNaming} modal={false}>
        <Dialog.Portal>
          <Dialog.Content
            aria-describedby={undefined}
            onCloseAutoFocus={(e) => { e.preventDefault(); trigger.current?.focus(); }} // prettier-ignore
            className="fixed top-1/2 left-1/2 z-30 grid max-h-[92vh] w-[min(26rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-3 overflow-auto rounded-lg border border-line bg-sheet p-5 shadow-2xl"
          >
            <Dialog.Title className="text-base font-semibold">{NOTEBOOK.nameAndTagsOf(name)}</Dialog.Title>
            <Details study={study} set={set} close={() => setNaming(false)} />
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </div>
  );
}

function More({
  name,
  items,
  trigger,
}: {
  readonly name: string;
  readonly items: Item[];
  readonly trigger: React.RefObject<HTMLButtonElement | null>;
}) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        <Button ref={trigger} icon={<Ellipsis size={14} aria-hidden />} aria-label={NOTEBOOK.moreFor(name)}>
          {NOTEBOOK.more}
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          className="z-30 min-w-44 rounded-lg border border-line bg-sheet p-1 shadow-xl"
        >
          {items.map(({ word, Icon, run }) => (
            <DropdownMenu.Item
              key={word}
              // After the menu has gone, so that what opens keeps the focus.
              onSelect={() => setTimeout(run, 30)}
              className="flex min-h-9 cursor-pointer items-center gap-2 rounded px-3 outline-none data-[highlighted]:bg-feather-wash"
            >
              <Icon size={14} aria-hidden /> {word}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
