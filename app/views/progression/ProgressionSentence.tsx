import { useMemo } from 'react';
import { homeOf, PATH_SCHOOLS, sameScale } from '../../../core';
import type { KeptProgression, StudyBody } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { selectLaid } from '../../store/study';
import { change } from '../../store/change';
import { withProgression } from '../../store/progressions';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { SentencePart } from '../../ui/SentencePart';
import { EarPart } from '../listen/EarPart';
import { Signs } from '../../letters/Signs';
import { scaleOf } from '../../words/harmony-text';
import { isolated } from '../../words/name-text';
import { PROGRESSION } from '../../words/views/progression';
import { withLayout } from '../../store/moves';
import { LayoutPart } from '../map/LayoutPart';
import { ScalePart } from '../map/ScalePart';
import { Check, Chooser } from '../practise/Choices';
import { ProgressionPart } from './ProgressionPart';
import type { Ways } from './useWays';

interface Props {
  readonly body: StudyBody;
  readonly p: KeptProgression;
  readonly ways: Ways;
}

/** Over what, with which scales, where on the neck: each part is the control. */
export function ProgressionSentence({ body, p, ways }: Props) {
  const dispatch = useAppDispatch();
  const roots = useAppSelector(selectLaid)?.shapes[0]?.roots ?? [];
  return (
    <header>
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem]">
        {PROGRESSION.over} <ProgressionPart body={body} p={p} />, <SchoolPart p={p} />,{' '}
        {p.motion === 'stay' ? PROGRESSION.staying : PROGRESSION.climbing} <NearPart body={body} p={p} near={ways.near} /> {PROGRESSION.in}{' '}
        <LayoutPart
          layout={body.layout}
          roots={roots}
          start={{ instrument: body.instrument, scale: body.scale, root: roots[roots.length - 1] ?? { string: 1, fret: 0 } }}
          onLayout={(next) => dispatch(change((n) => withLayout(n.body, next, n.shape)))}
        />
      </h1>
      <Facts body={body} p={p} ways={ways} />
    </header>
  );
}

/** Changes the open progression. */
function useSet(): (fields: Partial<KeptProgression>) => void {
  const dispatch = useAppDispatch();
  return (fields) => void dispatch(change((n) => withProgression(n.body, () => fields)));
}

const SCHOOLS = PATH_SCHOOLS.map((value) => ({ value, label: PROGRESSION.schools[value], does: PROGRESSION.schoolDoes[value] }));

function SchoolPart({ p }: Pick<Props, 'p'>) {
  const set = useSet();
  return (
    <SentencePart name={PROGRESSION.part.school} shortcut="y" text={PROGRESSION.schools[p.school]}>
      {(close) => (
        <Chooser<KeptProgression['school']>
          label={PROGRESSION.part.school}
          value={p.school}
          options={SCHOOLS}
          onChange={(school) => {
            set({ school });
            close();
          }}
        />
      )}
    </SentencePart>
  );
}

function NearPart({ body, p, near }: Pick<Props, 'body' | 'p'> & { readonly near: number }) {
  const set = useSet();
  return (
    <SentencePart name={PROGRESSION.part.near} text={PROGRESSION.nearFret(near)}>
      {() => (
        <>
          <Check label={PROGRESSION.handHere} checked={p.near === null} onChange={(own) => set({ near: own ? null : near })} />
          <NumberField label={PROGRESSION.hand} value={near} min={0} max={body.instrument.frets} onChange={(fret) => set({ near: fret })} />
        </>
      )}
    </SentencePart>
  );
}

/** How long it is, where it is at home, and how far the hand goes. */
function Facts({ body, p, ways: { form, way } }: Props) {
  const set = useSet();
  const guess = useMemo(() => homeOf(form.bars), [form.bars]);
  const changes = way?.steps.filter((s) => s.changed > 0).length ?? 0;
  const travel = way?.steps.reduce((sum, s) => sum + s.moveMm, 0) ?? 0;
  return (
    <div className="num mt-1 flex min-h-5 flex-wrap items-baseline gap-x-1.5 text-[0.84375rem] text-soft">
      <span>{PROGRESSION.facts(form.bars.length, form.chords.length)}</span> · <span>{PROGRESSION.homeIs}</span>
      <ScalePart scale={p.home} onScale={(home) => set({ home })} />
      {guess && !sameScale(guess, p.home) && guess.tonic !== p.home.tonic && (
        <Button look="link" className="min-h-6! py-0!" onClick={() => set({ home: guess })}>
          <span>
            {PROGRESSION.seems} <Signs>{scaleOf(guess)}</Signs>
          </span>
        </Button>
      )}
      {way && (
        <>
          · <span>{PROGRESSION.moves(changes, Math.round(travel))}</span>
        </>
      )}
      · <span>{isolated(body.instrument.name)}</span>
      <span className="no-print ml-auto self-center text-ink">
        <EarPart />
      </span>
    </div>
  );
}
