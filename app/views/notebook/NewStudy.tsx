import { useState, type FormEvent } from 'react';
import { useCreateStudyMutation } from '../../store/api';
import { Button } from '../../ui/Button';
import { freshStudy } from '../../store/loose';
import { refusalWords } from '../../words/save-text';
import { NOTEBOOK } from '../../words/views/notebook';

const FIELD = 'w-full rounded-md border border-line bg-paper px-3 py-2 text-base';

export function NewStudy({ onMade, onCancel }: { readonly onMade: (id: string) => void; readonly onCancel: () => void }) {
  const [name, setName] = useState('');
  const [set, setSet] = useState('');
  const [create, { error, isLoading }] = useCreateStudyMutation();
  const submit = async (e: FormEvent): Promise<void> => {
    e.preventDefault();
    const result = await create(freshStudy(name.trim(), set.trim()));
    if (result.data) onMade(result.data.id);
  };
  return (
    <form
      onSubmit={(e) => void submit(e)}
      onKeyDown={(e) => e.key === 'Escape' && onCancel()}
      className="mb-4 flex flex-wrap items-end gap-3 rounded-[10px] border border-line bg-sheet p-4"
    >
      <label className="min-w-[14rem] grow">
        <span className="text-xs text-soft">{NOTEBOOK.nameOfTheStudy}</span>
        <input
          className={FIELD}
          value={name}
          maxLength={120}
          autoFocus
          onChange={(e) => setName(e.target.value)}
          placeholder={NOTEBOOK.whatYouAreWorkingOn}
        />
      </label>
      <label className="min-w-[10rem]">
        <span className="text-xs text-soft">{NOTEBOOK.setIfAny}</span>
        <input className={FIELD} value={set} maxLength={80} onChange={(e) => setSet(e.target.value)} />
      </label>
      <Button type="submit" look="brass" disabled={!name.trim() || isLoading}>
        {NOTEBOOK.makeIt}
      </Button>
      <Button onClick={onCancel}>{NOTEBOOK.cancel}</Button>
      {error !== undefined && (
        <p role="alert" className="w-full text-clay">
          {NOTEBOOK.itCouldNotBeMade(refusalWords(error))}
        </p>
      )}
    </form>
  );
}
