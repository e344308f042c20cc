import { Copy, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { MOST_HANDOUTS, type Handout, type HandoutPart, type StudyBody } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { useStudiesQuery } from '../../store/api';
import { edited } from '../../store/editor';
import { addHandout, copyHandout, dropHandout, setHandout } from '../../store/handouts';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Select } from '../../ui/Select';
import { Signs } from '../../letters/Signs';
import { partWords } from '../../words/handout-text';
import { isolated } from '../../words/name-text';
import { HANDOUT } from '../../words/views/handout';
import { StudyFooter } from '../StudyFooter';
import { StudyGate } from '../StudyGate';
import { AddPart } from './AddPart';
import { MakeIt } from './MakeIt';
import { PartsList } from './PartsList';

/** Booklets for pupils: what is on them, in which order, and as files. */
export function HandoutView() {
  return <StudyGate view="handout">{(body) => <Open body={body} />}</StudyGate>;
}

function Open({ body }: { readonly body: StudyBody }) {
  const dispatch = useAppDispatch();
  const [chosen, setChosen] = useState<string | null>(null);
  const { handouts } = body;
  const handout = handouts.find((h) => h.id === chosen) ?? handouts.at(-1);
  const take = (made: { readonly edit: Partial<StudyBody>; readonly id: string } | null): void => {
    if (!made) return;
    dispatch(edited(made.edit));
    setChosen(made.id);
  };
  const begin = (): void => take(addHandout(body, { teacher: handouts.at(-1)?.teacher ?? '', paper: handouts.at(-1)?.paper ?? 'a4' }));
  const full = handouts.length >= MOST_HANDOUTS;
  return (
    <div className="view-column">
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium sm:text-[1.5625rem]">
        <Signs>{handout ? HANDOUT.handoutFor(isolated(handout.title), isolated(handout.pupil)) : HANDOUT.name}</Signs>
      </h1>
      {!handout && <p className="mt-1 mb-3 max-w-prose text-soft">{HANDOUT.none}</p>}
      <div className="my-3 flex flex-wrap items-end gap-2">
        {handouts.length > 1 && handout && (
          <Select<string>
            label={HANDOUT.which}
            value={handout.id}
            options={handouts.map((h) => ({ value: h.id, label: HANDOUT.handoutFor(isolated(h.title), isolated(h.pupil)) }))}
            onChange={setChosen}
          />
        )}
        <Button look={handout ? 'plain' : 'brass'} disabled={full} icon={<Plus size={14} aria-hidden />} onClick={begin}>
          {full ? HANDOUT.full(MOST_HANDOUTS) : handout ? HANDOUT.another : HANDOUT.begin}
        </Button>
        {handout && !full && (
          <Button icon={<Copy size={14} aria-hidden />} onClick={() => take(copyHandout(body, handout.id))}>
            {HANDOUT.copy}
          </Button>
        )}
        {handout && (
          <Button icon={<Trash2 size={14} aria-hidden />} onClick={() => dispatch(edited(dropHandout(body, handout.id)))}>
            {HANDOUT.drop}
          </Button>
        )}
      </div>
      {handout && <OpenHandout key={handout.id} body={body} handout={handout} />}
      <StudyFooter hint={HANDOUT.hint} />
    </div>
  );
}

function OpenHandout({ body, handout }: { readonly body: StudyBody; readonly handout: Handout }) {
  const open = useAppSelector((s) => s.editor.id);
  const { data: studies } = useStudiesQuery();
  const nameOf = (part: HandoutPart): string => partWords(part, body, open, studies);
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[3fr_2fr]">
      <Panel title={HANDOUT.parts}>
        <p className="mb-2 text-[0.84375rem] text-soft">{HANDOUT.partsAbout}</p>
        <PartsList handout={handout} nameOf={nameOf} />
      </Panel>
      <div className="grid gap-3">
        <Head handout={handout} />
        <AddPart handout={handout} />
        <MakeIt
          handout={handout}
          partName={(id) => {
            const part = handout.parts.find((p) => p.id === id);
            return part ? nameOf(part) : HANDOUT.gone;
          }}
        />
      </div>
    </div>
  );
}

const HANDS = ['as-is', 'right', 'left'] as const;

/** What is typed for its first page, the paper and the hand. */
function Head({ handout }: { readonly handout: Handout }) {
  const dispatch = useAppDispatch();
  const body = useAppSelector((s) => s.editor.body);
  const set = (fields: Partial<Omit<Handout, 'id' | 'parts'>>): void => {
    if (body) dispatch(edited(setHandout(body, handout.id, fields)));
  };
  return (
    <Panel title={HANDOUT.head}>
      <div className="grid gap-2">
        {(['title', 'pupil', 'teacher'] as const).map((field) => (
          <label key={field} className="grid gap-1 text-xs text-soft">
            {HANDOUT[field]}
            <input
              key={`${handout.id}/${field}`}
              defaultValue={handout[field]}
              maxLength={80}
              placeholder={field === 'title' ? undefined : HANDOUT.asTyped}
              onBlur={(e) => {
                // Every handout has a title: an emptied one comes back, in sight.
                if (field === 'title' && !e.target.value.trim()) e.target.value = handout.title;
                set({ [field]: e.target.value.trim() });
              }}
              onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
              className="rounded-md border border-line bg-paper px-2 py-1.5 text-base text-ink"
            />
          </label>
        ))}
        <div className="grid grid-cols-2 gap-2">
          <Select<Handout['paper']>
            label={HANDOUT.paper}
            value={handout.paper}
            options={[
              { value: 'a4', label: 'A4' },
              { value: 'letter', label: 'Letter' },
            ]}
            onChange={(paper) => set({ paper })}
          />
          <Select<Handout['hand']>
            label={HANDOUT.hand}
            value={handout.hand}
            options={HANDS.map((value) => ({ value, label: HANDOUT.hands[value] }))}
            onChange={(hand) => set({ hand })}
          />
        </div>
      </div>
    </Panel>
  );
}
