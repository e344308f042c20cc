import { Dialog } from 'radix-ui';
import { useState, type FormEvent, type RefObject } from 'react';
import { MOST_TAGS, type StudyBody, type StudySummary } from '../../../contract';
import { Button } from '../../ui/Button';
import { isLost } from '../../ui/focus';
import { TagField } from '../../ui/TagField';
import { isolated } from '../../words/name-text';
import { NOTEBOOK } from '../../words/views/notebook';

interface Props {
  readonly study: StudySummary;
  readonly set: (fields: Partial<StudyBody>) => Promise<void>;
  /** What opened it; the focus goes back there. */
  readonly at: RefObject<HTMLElement | null>;
  readonly close: () => void;
}

/** Name, set and tags of a study in the list. */
export function NameStudy({ study, set, at, close }: Props) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()} modal={false}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(e) => { e.preventDefault(); if (isLost()) at.current?.focus(); }} // prettier-ignore
          className="fixed top-1/2 left-1/2 z-30 grid max-h-[92vh] w-[min(26rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-3 overflow-auto rounded-lg border border-line bg-sheet p-5 shadow-2xl"
        >
          <Dialog.Title className="text-base font-semibold">{NOTEBOOK.nameAndTagsOf(isolated(study.name))}</Dialog.Title>
          <Details study={study} set={set} close={close} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Details({ study, set, close }: Omit<Props, 'at'>) {
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
