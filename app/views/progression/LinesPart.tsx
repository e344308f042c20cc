import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../store';
import { store } from '../../store';
import type { DrillForm, KeptProgression, StudyBody } from '../../../contract';
import { edited } from '../../store/editor';
import { guideNotes, lickOfLine, studyNotes } from '../../store/form-lines';
import { GUIDES, overSet, type Guide } from '../../store/over';
import { withForm } from '../../store/practice/edit';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { SentencePart } from '../../ui/SentencePart';
import { PROGRESSION } from '../../words/views/progression';
import { useGo } from '../useGo';
import { DEGREES } from './useGuide';
import type { Ways } from './useWays';

interface Props {
  readonly body: StudyBody;
  readonly p: KeptProgression;
  readonly ways: Ways;
}

const PER_BEAT = ([1, 2, 3, 4] as const).map((value) => ({ value, label: String(value) }));
/** Rhythms of a drill by their notes a quarter. */
const RHYTHMS: Readonly<Record<number, DrillForm['rhythm']>> = { 1: 'quarters', 2: 'eighths', 3: 'triplets', 4: 'sixteenths' };
/** The rhythm that keeps a line over its chords, as the meter counts; eighths where a drill has none such. */
const rhythmOf = (perBeat: number, [, unit]: KeptProgression['meter']): DrillForm['rhythm'] => RHYTHMS[(perBeat * unit) / 4] ?? 'eighths';
const MOST_SEED = 9999;

/** Guide lines and study lines: seen on the neck, and made licks, drills and files. */
export function LinesPart(props: Props) {
  const guide = useAppSelector((s) => s.over.guide);
  return (
    <SentencePart
      name={PROGRESSION.part.lines}
      look="chip"
      shortcut="l"
      text={
        <>
          <span className="text-soft">{PROGRESSION.lines}:</span> <b className="font-semibold">{PROGRESSION.guides[guide]}</b>
        </>
      }
    >
      {() => <Lines {...props} />}
    </SentencePart>
  );
}

type PerBeat = (typeof PER_BEAT)[number]['value'];
type To = 'licks' | 'practise';

/** A line over the form becomes a lick of the study, and where it is to be drilled, a drill over the backing. */
function useMakeLine({ body, p }: Props, perBeat: PerBeat) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const [why, setWhy] = useState<string | null>(null);
  const make = (what: string, notes: () => ReturnType<typeof studyNotes>, then: To): void => {
    const made = lickOfLine(body, p, PROGRESSION.lineName(p.name.slice(0, 80), what), notes);
    if ('why' in made) return setWhy(made.why);
    dispatch(edited(made.lick));
    const now = store.getState().editor.body;
    if (then === 'practise' && now?.lick) {
      const rhythm = rhythmOf(perBeat, p.meter);
      const drill = { of: 'lick', line: now.lick, order: 'up', rhythm, accent: 'beat', under: 'backing' } as const;
      dispatch(edited(withForm(now, () => drill)));
    }
    go(then);
  };
  return { make, why };
}

function Lines(props: Props) {
  const { body, p, ways } = props;
  const dispatch = useAppDispatch();
  const guide = useAppSelector((s) => s.over.guide);
  const [perBeat, setPerBeat] = useState<PerBeat>(2);
  const [seed, setSeed] = useState(1);
  const { make, why } = useMakeLine(props, perBeat);
  const { near } = ways;
  const study = (then: To) => (): void =>
    make(PROGRESSION.studyName(seed), () => studyNotes(body, p, { seed, notesPerBeat: perBeat, near }), then);
  return (
    <>
      <Segmented<Guide>
        label={PROGRESSION.guide}
        value={guide}
        options={GUIDES.map((value) => ({ value, label: PROGRESSION.guides[value] }))}
        onChange={(next) => dispatch(overSet({ guide: next }))}
      />
      <Button
        onClick={() =>
          make(PROGRESSION.guideName, () => guideNotes(body, p, guide === 'none' ? DEGREES.both : DEGREES[guide], near), 'licks')
        }
      >
        {PROGRESSION.guideLick}
      </Button>
      <h3 className="mt-1 font-semibold">{PROGRESSION.study}</h3>
      <p className="text-soft">{PROGRESSION.studyAbout}</p>
      <div className="flex flex-wrap items-end gap-3">
        <div className="flex flex-col gap-1">
          <span className="text-xs text-soft">{PROGRESSION.perBeat}</span>
          <Segmented label={PROGRESSION.perBeat} value={perBeat} options={PER_BEAT} onChange={setPerBeat} />
        </div>
        <div className="w-24">
          <NumberField label={PROGRESSION.seed} value={seed} min={1} max={MOST_SEED} onChange={setSeed} />
        </div>
        <Button onClick={() => setSeed((s) => (s % MOST_SEED) + 1)}>{PROGRESSION.another}</Button>
      </div>
      <div className="flex flex-wrap gap-2">
        <Button look="brass" onClick={study('licks')}>
          {PROGRESSION.studyLick}
        </Button>
        <Button onClick={study('practise')}>{PROGRESSION.studyDrill}</Button>
      </div>
      {p.loop && <p className="text-xs text-soft">{PROGRESSION.ofLoop}</p>}
      {why && (
        <p role="alert" className="text-clay">
          {why}
        </p>
      )}
    </>
  );
}
