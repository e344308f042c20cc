import { Pencil, Play, Square } from 'lucide-react';
import { METER_BEATS, METER_UNITS, PATH_MOTIONS } from '../../../core';
import { FORM_TEMPO, type KeptProgression, type StudyBody } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { overSet } from '../../store/over';
import { withProgression } from '../../store/progressions';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { SentencePart } from '../../ui/SentencePart';
import { PROGRESSION } from '../../words/views/progression';
import { HarmonyPages } from '../harmony/HarmonyPages';
import { FormFiles } from './FormFiles';
import { KeyPart } from './KeyPart';
import { LinesPart } from './LinesPart';
import type { BackingOn } from './useBacking';
import type { Ways } from './useWays';

interface Props {
  readonly body: StudyBody;
  readonly p: KeptProgression;
  readonly ways: Ways;
  readonly backing: BackingOn;
}

type Motion = KeptProgression['motion'];

/** How the form is played over, what is made of it, and the backing. */
export function ProgressionTools({ body, p, ways, backing }: Props) {
  const dispatch = useAppDispatch();
  const writing = useAppSelector((s) => s.over.writing);
  const set = (fields: Partial<KeptProgression>): void => void dispatch(change((n) => withProgression(n.body, () => fields)));
  return (
    <div className="no-print after-neck my-3 flex flex-wrap items-center gap-2">
      <HarmonyPages page="progression" />
      <Segmented<Motion>
        label={PROGRESSION.motion}
        value={p.motion}
        options={PATH_MOTIONS.map((value) => ({ value, label: PROGRESSION.motions[value] }))}
        onChange={(motion) => set({ motion })}
      />
      <KeyPart p={p} />
      <LinesPart body={body} p={p} ways={ways} />
      <FormFiles p={p} form={ways.form} backing={backing} />
      <Button icon={<Pencil size={14} aria-hidden />} aria-pressed={writing} onClick={() => dispatch(overSet({ writing: !writing }))}>
        {PROGRESSION.write}
      </Button>
      <span className="grow" />
      <TempoPart p={p} onSet={set} />
      <Button
        look="brass"
        disabled={!backing.take}
        icon={backing.on ? <Square size={14} fill="currentColor" aria-hidden /> : <Play size={14} fill="currentColor" aria-hidden />}
        onClick={backing.toggle}
      >
        {backing.on ? PROGRESSION.stop : PROGRESSION.play}
      </Button>
    </div>
  );
}

interface TempoProps {
  readonly p: KeptProgression;
  readonly onSet: (fields: Partial<KeptProgression>) => void;
}

function TempoPart({ p, onSet }: TempoProps) {
  return (
    <SentencePart
      name={PROGRESSION.part.tempo}
      look="chip"
      shortcut="m"
      text={
        <>
          <span className="text-soft">{PROGRESSION.tempoChip}:</span>{' '}
          <b className="num font-semibold">{`${p.tempo}, ${p.meter.join('/')}`}</b>
        </>
      }
    >
      {() => (
        <>
          <NumberField
            label={PROGRESSION.tempo}
            value={p.tempo}
            min={FORM_TEMPO.min}
            max={FORM_TEMPO.max}
            onChange={(tempo) => onSet({ tempo })}
          />
          <div className="grid grid-cols-2 gap-3">
            <NumberField
              label={PROGRESSION.meter}
              value={p.meter[0]}
              min={METER_BEATS.min}
              max={METER_BEATS.max}
              onChange={(beats) => onSet({ meter: [beats, p.meter[1]] })}
            />
            <Select<string>
              label={PROGRESSION.unit}
              value={String(p.meter[1])}
              options={METER_UNITS.map((u) => ({ value: String(u), label: PROGRESSION.units[`${u}`] }))}
              onChange={(unit) => onSet({ meter: [p.meter[0], Number(unit)] })}
            />
          </div>
          <p className="text-xs text-soft">{PROGRESSION.quiet}</p>
        </>
      )}
    </SentencePart>
  );
}
