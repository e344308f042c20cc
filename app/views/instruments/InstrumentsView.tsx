import { refusalWords } from '../../words/save-text';
import { Copy, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { Kept } from '../../../contract';
import type { Instrument } from '../../../core';
import { useAppDispatch, useAppSelector } from '../../store';
import {
  useCreateInstrumentMutation,
  useDeleteInstrumentMutation,
  useInstrumentsQuery,
  useRestoreInstrumentMutation,
} from '../../store/api';
import { change } from '../../store/change';
import { withInstrument } from '../../store/moves';
import { usePageTitle } from '../../shell/title';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { UndoBar } from '../../ui/UndoBar';
import { instrumentWords } from '../../words/tuning-text';
import { InstrumentFiles } from './InstrumentFiles';
import { InstrumentForm } from './InstrumentForm';
import { isolated } from '../../words/name-text';
import { INSTRUMENTS } from '../../words/views/instruments';
import { DRAWING } from '../../words/views/drawing';

const PLAIN: Instrument = {
  name: 'New six string',
  strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })),
  frets: 22,
  scaleLengthMm: 648,
  capo: 0,
  handedness: 'right',
};

/** Makes, deletes and brings back instruments; what came of it, in words, and what can still be brought back. */
function useKeeping(onMade: (id: string) => void) {
  const [create] = useCreateInstrumentMutation();
  const [remove] = useDeleteInstrumentMutation();
  const [restore] = useRestoreInstrumentMutation();
  const [deleted, setDeleted] = useState<{ readonly id: string; readonly name: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const make = async (body: Instrument): Promise<void> => {
    const result = await create(body);
    if (result.data) onMade(result.data.id);
    setProblem(result.error ? INSTRUMENTS.itWasNotKept(refusalWords(result.error)) : null);
  };
  const onDelete = async (id: string, name: string): Promise<void> => {
    const { error } = await remove(id);
    setProblem(error ? INSTRUMENTS.itWasNotDeleted(refusalWords(error)) : null);
    if (!error) setDeleted({ id, name });
  };
  const onUndo = async (id: string): Promise<void> => {
    const { error } = await restore(id);
    setProblem(error ? INSTRUMENTS.itWasNotBroughtBack(refusalWords(error)) : null);
    if (!error) setDeleted(null);
  };
  return { make, onDelete, onUndo, deleted, forget: () => setDeleted(null), problem, setProblem };
}

/** Everything that has strings: how it is tuned, strung and built. */
export function InstrumentsView() {
  usePageTitle('instruments');
  const { data, error: missing } = useInstrumentsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [chosen, setChosen] = useState<string | null>(null);
  const { make, onDelete, onUndo, deleted, forget, problem, setProblem } = useKeeping(setChosen);
  const usedId = useAppSelector((s) => s.editor.body?.instrumentId ?? null);
  const hasStudy = useAppSelector((s) => s.editor.body !== null);
  const dispatch = useAppDispatch();
  // Not before it is known which study is open: the form must not change under the player's hands.
  const settled = useAppSelector((s) => s.editor.id !== null);
  const shown = settled ? data : undefined;
  const kept = shown?.find((i) => i.id === chosen) ?? shown?.find((i) => i.id === usedId) ?? shown?.[0];
  return (
    <>
      <header className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="grow text-[1.5625rem] font-semibold">{INSTRUMENTS.instruments}</h1>
        {kept && <InstrumentFiles instrument={kept.body} onRead={(i) => void make(i)} onProblem={setProblem} />}
        <Button look="brass" icon={<Plus size={15} aria-hidden />} onClick={() => void make(PLAIN)}>
          {INSTRUMENTS.newInstrument}
        </Button>
      </header>
      {(problem || missing) && (
        <p role="alert" className="mb-3 rounded border border-clay p-2 text-clay">
          <Signs>{problem ?? INSTRUMENTS.theInstrumentsCannotBeListed(refusalWords(missing))}</Signs>
        </p>
      )}
      {shown && (
        <>
          <div className="grid grid-cols-1 gap-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
            <ul aria-label={INSTRUMENTS.instruments} className="h-fit rounded-[10px] border border-line bg-sheet">
              {shown.map((one) => (
                <InstrumentItem
                  key={one.id}
                  one={one}
                  chosen={one.id === kept?.id}
                  used={one.id === usedId}
                  onChoose={() => setChosen(one.id)}
                  onCopy={() => void make({ ...one.body, name: `${one.body.name.slice(0, 70)} (copy)` })}
                  onDelete={() => void onDelete(one.id, one.body.name)}
                />
              ))}
            </ul>
            {kept && (
              <InstrumentForm
                key={`${kept.id}/${kept.revision}`}
                kept={kept}
                onUse={
                  hasStudy && kept.id !== usedId ? () => dispatch(change(({ body }) => withInstrument(body, kept.body, kept.id))) : null
                }
              />
            )}
          </div>
          <p className="mt-4 text-xs text-soft">{INSTRUMENTS.tensionIsMersennesLawWith}</p>
        </>
      )}
      {deleted && <UndoBar words={DRAWING.wasDeleted(isolated(deleted.name))} onUndo={() => void onUndo(deleted.id)} onClose={forget} />}
    </>
  );
}

interface ItemProps {
  readonly one: Kept<Instrument>;
  readonly chosen: boolean;
  /** Whether the open study is played on it. */
  readonly used: boolean;
  readonly onChoose: () => void;
  readonly onCopy: () => void;
  readonly onDelete: () => void;
}

function InstrumentItem({ one: { body }, chosen, used, onChoose, onCopy, onDelete }: ItemProps) {
  return (
    <li className={`border-b border-line p-3 last:border-0 ${chosen ? 'bg-feather-wash' : ''}`}>
      <button
        type="button"
        aria-current={chosen}
        onClick={onChoose}
        className="cursor-pointer text-left font-display text-[1rem] font-semibold hover:text-feather"
      >
        <Signs>{isolated(body.name)}</Signs>
      </button>
      <p className="text-soft">
        <Signs>{instrumentWords(body)}</Signs>
        {used && <span className="ml-2 font-semibold text-brass-deep">{INSTRUMENTS.inTheOpenStudy}</span>}
      </p>
      <div role="group" aria-label={body.name} className="mt-1 flex gap-2">
        <Button
          aria-label={INSTRUMENTS.duplicateOne(isolated(body.name))}
          look="quiet"
          icon={<Copy size={13} aria-hidden />}
          onClick={onCopy}
        >
          {INSTRUMENTS.duplicate}
        </Button>
        <Button
          aria-label={INSTRUMENTS.deleteOne(isolated(body.name))}
          look="quiet"
          icon={<Trash2 size={13} aria-hidden />}
          onClick={onDelete}
        >
          {INSTRUMENTS.deleteWord}
        </Button>
      </div>
    </li>
  );
}
