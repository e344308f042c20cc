import { refusalWords } from '../../words/save-text';
import { useState } from 'react';
import type { Kept } from '../../../contract';
import { CoreError, checkInstrument, LIMITS, lengthMm, pitchName, type Instrument, type InstrumentString, fieldsOf } from '../../../core';
import { useSaveInstrumentMutation } from '../../store/api';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { Signs } from '../../letters/Signs';
import { differenceWords, fanned, tightened, tuningsFor, withStringCount } from '../../words/instrument-text';
import { StringRows } from './StringRows';
import { INSTRUMENTS } from '../../words/views/instruments';

const problemOf = (i: Instrument): string | null => {
  if (!i.name.trim()) return 'Give the instrument a name.';
  try {
    checkInstrument(i);
    return null;
  } catch (e) {
    if (e instanceof CoreError) return e.message;
    throw e;
  }
};

/** Absent fields instead of undefined ones: what is sent is what is kept. */
const tidy = (i: Instrument): Instrument => JSON.parse(JSON.stringify(i)) as Instrument;

function Care({ saved, draft }: { readonly saved: Instrument; readonly draft: Instrument }) {
  const tight = tightened(saved, draft);
  if (!tight.length) return null;
  return (
    <p role="note" className="mt-2 rounded-md border border-clay p-2 text-clay">
      {tight.map((t) => `String ${t.string} would pull ${Math.round(t.share * 100)} % harder`).join('; ')} {INSTRUMENTS.thanInTheTuningIt}
    </p>
  );
}

/** An instrument's own page: strings, lengths, frets, capo, hand. Kept when saved, not before. */
export function InstrumentForm({ kept, onUse }: { readonly kept: Kept<Instrument>; readonly onUse: (() => void) | null }) {
  const [draft, setDraft] = useState(kept.body);
  const [save, { isLoading }] = useSaveInstrumentMutation();
  const [said, setSaid] = useState<string | null>(null);
  const problem = problemOf(draft);
  const dirty = JSON.stringify(tidy(draft)) !== JSON.stringify(kept.body);
  const set = (change: Partial<Instrument>): void => {
    setSaid(null);
    setDraft((d) => ({ ...d, ...change }));
  };
  const setString = (index: number, s: InstrumentString): void => set({ strings: draft.strings.map((old, k) => (k === index ? s : old)) });

  const onSave = async (): Promise<void> => {
    const result = await save({ id: kept.id, revision: kept.revision, body: tidy(draft) });
    if (!('error' in result) || !result.error) return setSaid(INSTRUMENTS.savedStudiesThatUseIt);
    const { status } = fieldsOf(result.error);
    setSaid(status === 409 ? INSTRUMENTS.notSavedItWasChanged : INSTRUMENTS.notSaved(refusalWords(result.error)));
  };

  return (
    <div className="rounded-[10px] border border-line bg-sheet p-4">
      <label className="mb-3 block">
        <span className="text-xs text-soft">{INSTRUMENTS.name}</span>
        <input
          className="w-full rounded-md border border-line bg-paper px-3 py-2 text-base"
          value={draft.name}
          maxLength={80}
          onChange={(e) => set({ name: e.target.value })}
        />
      </label>
      <Build draft={draft} onDraft={set} />
      <StringRows instrument={draft} onString={setString} />
      {!problem && draft.strings.length === kept.body.strings.length && <Care saved={kept.body} draft={draft} />}
      <HowItStands saved={kept.body} draft={draft} problem={problem} dirty={dirty} />
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <Button look="brass" disabled={!dirty || !!problem || isLoading} onClick={() => void onSave()}>
          {INSTRUMENTS.save}
        </Button>
        <Button disabled={!dirty} onClick={() => setDraft(kept.body)}>
          {INSTRUMENTS.putBackAsSaved}
        </Button>
        {onUse && (
          <Button look="link" disabled={dirty} onClick={onUse}>
            {INSTRUMENTS.useItInTheOpen}
          </Button>
        )}
        {said && <p role="status">{said}</p>}
      </div>
    </div>
  );
}

interface StandsProps {
  readonly saved: Instrument;
  readonly draft: Instrument;
  readonly problem: string | null;
  readonly dirty: boolean;
}

/** What is wrong with the draft, or how it differs from what is kept. */
function HowItStands({ saved, draft, problem, dirty }: StandsProps) {
  if (problem)
    return (
      <p role="alert" className="mt-2 text-clay">
        <Signs>{problem}</Signs>
      </p>
    );
  if (!dirty) return null;
  return (
    <p className="mt-2 text-soft">
      <Signs>{INSTRUMENTS.notSavedYet(differenceWords(saved, draft).join('; ') || 'a new name')}</Signs>
    </p>
  );
}

interface BuildProps {
  readonly draft: Instrument;
  readonly onDraft: (change: Partial<Instrument>) => void;
}

const HANDS: { readonly value: NonNullable<Instrument['handedness']>; readonly label: string }[] = [
  { value: 'right', label: INSTRUMENTS.rightHanded },
  { value: 'left', label: INSTRUMENTS.leftHanded },
];

/** Strings, frets, capo, hand, tuning by name, and the sounding lengths of the outer strings. */
function Build({ draft, onDraft }: BuildProps) {
  const tunings = tuningsFor(draft.strings.length);
  const onTuning = (name: string): void => {
    const open = tunings.find((t) => t.value === name)?.open;
    if (open) onDraft({ strings: draft.strings.map((s, k) => ({ ...s, open: open[k]! })) });
  };
  return (
    <div className="mb-3 grid grid-cols-2 gap-3 md:grid-cols-4">
      <NumberField
        label={INSTRUMENTS.strings}
        value={draft.strings.length}
        min={1}
        max={12}
        onChange={(n) => onDraft(withStringCount(draft, n, pitchName))}
      />
      <NumberField
        label={INSTRUMENTS.frets}
        value={draft.frets}
        min={LIMITS.frets[0]}
        max={LIMITS.frets[1]}
        onChange={(frets) => onDraft({ frets, capo: Math.min(draft.capo ?? 0, frets - 5) })}
      />
      <NumberField
        label={INSTRUMENTS.capoAtFret}
        value={draft.capo ?? 0}
        min={0}
        max={Math.min(12, draft.frets - 5)}
        onChange={(capo) => onDraft({ capo })}
      />
      <Select
        label={INSTRUMENTS.played}
        value={draft.handedness ?? 'right'}
        options={HANDS}
        onChange={(handedness) => onDraft({ handedness })}
      />
      <Lengths draft={draft} onDraft={onDraft} />
      {tunings.length > 0 && (
        <Select
          label={INSTRUMENTS.tuningByName}
          value=""
          options={[{ value: '', label: INSTRUMENTS.choose }, ...tunings]}
          onChange={onTuning}
        />
      )}
    </div>
  );
}

function Lengths({ draft, onDraft }: BuildProps) {
  const thin = lengthMm(draft, 1);
  const thick = lengthMm(draft, draft.strings.length);
  const field = { unit: 'mm', step: 0.1, min: 200, max: 1200 };
  return (
    <>
      <NumberField
        {...field}
        label={INSTRUMENTS.lengthThinSide}
        value={thin}
        onChange={(mm) => onDraft(fanned(draft, mm, thin === thick ? mm : thick))}
      />
      <NumberField {...field} label={INSTRUMENTS.lengthThickSide} value={thick} onChange={(mm) => onDraft(fanned(draft, thin, mm))} />
    </>
  );
}
