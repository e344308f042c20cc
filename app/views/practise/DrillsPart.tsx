import { useState } from 'react';
import { MOST_DRILLS, type DrillForm, type OwnDrill, type StudyBody } from '../../../contract';
import type { Climb } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { now } from '../../store/practice/clock';
import { dropDrill, keepDrill, withDrill } from '../../store/practice/edit';
import { useCreateDrillMutation, useDeleteDrillMutation, useDrillsQuery } from '../../store/practice/log-api';
import { todaysFive } from '../../store/practice/ready';
import { Button } from '../../ui/Button';
import { SentencePart } from '../../ui/SentencePart';
import { isolated } from '../../words/name-text';
import { PRACTISE } from '../../words/views/practise';

const DAY = 86_400_000;

interface Props {
  readonly body: StudyBody;
  readonly form: DrillForm;
  readonly climb: Climb;
  readonly name: string;
}

/** Drills ready for today, those of the study and of the notebook; and keeping what is drilled now under a name. */
export function DrillsPart(props: Props) {
  return (
    <SentencePart name="drills" look="chip" shortcut="g" text={<b className="font-semibold">{PRACTISE.drills}</b>}>
      {(close) => (
        <>
          <Drills drills={props.body.drills} close={close} />
          <KeepDrill {...props} />
        </>
      )}
    </SentencePart>
  );
}

function Drills({ drills, close }: { readonly drills: StudyBody['drills']; readonly close: () => void }) {
  const dispatch = useAppDispatch();
  const { data: own = [] } = useDrillsQuery();
  const [remove] = useDeleteDrillMutation();
  const take = (d: Pick<OwnDrill, 'form' | 'climb'>): void => {
    dispatch(change(() => withDrill(d.form, d.climb)));
    close();
  };
  return (
    <>
      <List title={PRACTISE.todaysFive} drills={todaysFive(Math.floor(now() / DAY)).map((d) => ({ ...d, id: d.name }))} onTake={take} />
      {drills.length > 0 && (
        <List title={PRACTISE.yours} drills={drills} onTake={take} onDrop={(id) => dispatch(change((n) => dropDrill(n.body, id)))} />
      )}
      {own.length > 0 && (
        <List
          title={PRACTISE.notebooks}
          drills={own.filter((d) => !d.problems.length).map((d) => ({ id: d.id, ...d.body }))}
          onTake={take}
          onDrop={(id) => void remove(id)}
        />
      )}
    </>
  );
}

/** What is drilled now, under a name: with the study, or, where it is of no line of it, for every study. */
function KeepDrill({ body, form, climb, name }: Props) {
  const dispatch = useAppDispatch();
  const [create, created] = useCreateDrillMutation();
  const [typed, setTyped] = useState(name.slice(0, 80));
  const named = typed.trim() !== '';
  const forAll = form.of === 'shape' || form.of === 'rungs';
  const full = body.drills.length >= MOST_DRILLS;
  return (
    <>
      <label className="flex flex-col gap-1 text-xs text-soft">
        {PRACTISE.nameIt}
        <input
          value={typed}
          maxLength={80}
          onChange={(e) => setTyped(e.target.value)}
          className="rounded-md border border-line bg-paper px-2 py-1.5 text-[0.84375rem] text-ink"
        />
      </label>
      <div className="flex flex-wrap gap-2">
        <Button look="brass" disabled={!named || full} onClick={() => dispatch(change((n) => keepDrill(n.body, typed)))}>
          {PRACTISE.keepHere}
        </Button>
        <Button disabled={!named || !forAll} onClick={() => void create({ name: typed.trim(), form: { ...form, line: null }, climb })}>
          {PRACTISE.keepForAll}
        </Button>
      </div>
      {!forAll && <p className="text-xs text-soft">{PRACTISE.forAllOnly}</p>}
      {created.isError && (
        <p role="alert" className="text-clay">
          {PRACTISE.notKept}
        </p>
      )}
    </>
  );
}

interface Listed extends OwnDrill {
  readonly id: string;
}

interface ListProps {
  readonly title: string;
  readonly drills: readonly Listed[];
  readonly onTake: (d: Listed) => void;
  readonly onDrop?: (id: string) => void;
}

function List({ title, drills, onTake, onDrop }: ListProps) {
  return (
    <section>
      <h3 className="mb-1 font-text text-xs text-soft">{title}</h3>
      <ul>
        {drills.map((d) => (
          <li key={d.id} className="flex items-center gap-2">
            <button
              type="button"
              className="min-h-9 grow cursor-pointer rounded px-2 text-left hover:bg-feather-wash"
              onClick={() => onTake(d)}
            >
              {isolated(d.name)}
            </button>
            {onDrop && (
              <Button look="quiet" aria-label={PRACTISE.drop(d.name)} onClick={() => onDrop(d.id)}>
                {PRACTISE.dropIt}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
