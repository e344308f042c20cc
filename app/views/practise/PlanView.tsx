import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { StudyBody } from '../../../contract';
import { glyphs, type Shape, type Stands } from '../../../core';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { edited, LOOSE } from '../../store/editor';
import { viewPath } from '../../store/paths';
import { now } from '../../store/practice/clock';
import { agreeKey, dropPlan, makePlan, moveItem, planAsks, sayOfShape, type PlannedShape } from '../../store/practice/plans';
import { MINUTES, practisePrefs, setPractisePrefs } from '../../store/practice/practise-prefs';
import { selectRung, type Laid } from '../../store/study';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { STATE_SIGNS, standWords } from '../../words/plan-text';
import { layoutWords } from '../../words/layout-text';
import { scaleName } from '../../words/scale-text';
import { PRACTISE } from '../../words/views/practise';
import { QUIZ } from '../../words/views/quiz';
import { Problem } from '../Problem';
import { StudyFooter } from '../StudyFooter';
import { StudyGate } from '../StudyGate';
import { Check } from './Choices';
import { OutboxNote } from './OutboxNote';
import { PractiseNav } from './PractiseNav';
import { QuizToday, TodayList, todayTitle } from './TodayCard';
import { useToday, type Today } from './useToday';

/** In which order the shapes of a study are learnt, how each stands, and what today brings. */
export function PlanView() {
  return <StudyGate view="plan">{(body, laid) => <Open body={body} laid={laid} />}</StudyGate>;
}

function Open({ body, laid }: { readonly body: StudyBody; readonly laid: Laid }) {
  const dispatch = useAppDispatch();
  const id = useAppSelector((s) => s.editor.id);
  const current = useAppSelector(selectRung);
  const today = useToday(body, laid.shapes);
  const loose = id === LOOSE;
  const make = (): void => void dispatch(change((n) => makePlan(n.body, n.shapes, n.current)));
  return (
    <div className="view-column">
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium sm:text-[1.5625rem]">{PRACTISE.planTitle}</h1>
      <p className="max-w-[46rem] text-soft">{PRACTISE.planAbout}</p>
      <PlanTools planned={body.plan !== null} onMake={make} />
      <OutboxNote />
      {laid.error && <Problem error={laid.error} body={body} />}
      <Asks body={body} shapes={laid.shapes} today={today} onAnew={make} />
      <div className="grid grid-cols-1 items-start gap-3 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
        <Panel title={PRACTISE.orderOfLearning}>
          {body.plan ? (
            <Items body={body} today={today} study={id ?? ''} />
          ) : (
            <>
              <p className="mb-3 text-soft">{loose ? PRACTISE.planNeedsStudy : PRACTISE.noPlan}</p>
              {!loose && (
                <Button look="brass" disabled={current < 0} onClick={make}>
                  {PRACTISE.makePlan}
                </Button>
              )}
            </>
          )}
        </Panel>
        <Panel title={todayTitle(today)}>
          {today.items.length ? (
            <TodayList today={today} />
          ) : (
            <p className="text-soft">{today.ready && body.plan ? PRACTISE.allDone : ''}</p>
          )}
          <QuizToday />
          <p className="mt-2 text-xs text-clay">{PRACTISE.care}</p>
        </Panel>
      </div>
      <StudyFooter hint={PRACTISE.planHint} />
    </div>
  );
}

/** How long a day is practised, and the plan made anew or dropped. */
function PlanTools({ planned, onMake }: { readonly planned: boolean; readonly onMake: () => void }) {
  const dispatch = useAppDispatch();
  const { minutes, quiz } = practisePrefs.use();
  return (
    <div className="no-print my-3 flex flex-wrap items-end gap-3">
      <PractiseNav page="plan" />
      <div className="w-40">
        <NumberField
          label={PRACTISE.minutesADay}
          value={minutes}
          min={MINUTES.min}
          max={MINUTES.max}
          onChange={(m) => setPractisePrefs({ minutes: m })}
        />
      </div>
      <Check label={QUIZ.daily} checked={quiz} onChange={(on) => setPractisePrefs({ quiz: on })} />
      <span className="grow" />
      {planned && (
        <>
          <Button onClick={onMake}>{PRACTISE.planAgain}</Button>
          <Button onClick={() => dispatch(edited(dropPlan()))}>{PRACTISE.dropPlan}</Button>
        </>
      )}
    </div>
  );
}

interface AsksProps {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly today: Today;
  readonly onAnew: () => void;
}

/** A study that moved away from its plan: what is to become of it is the player's to say. */
function Asks({ body, shapes, today, onAnew }: AsksProps) {
  const dispatch = useAppDispatch();
  const asks = planAsks(body);
  if (!asks || !body.plan) return null;
  const words = (on: Pick<StudyBody, 'scale' | 'layout'>): string => `${scaleName(on.scale)}, ${layoutWords(on.layout)}`;
  const agree = (how: 'known' | 'again'): void => {
    const learned = new Set([...today.stands.values()].filter((s) => s.state === 'learned').map((s) => today.shapes.get(s.id)?.key ?? ''));
    dispatch(change((n) => agreeKey(n.body, n.shapes, how, learned, now())));
  };
  return (
    <div role="status" className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-brass bg-sheet p-3">
      <p className="grow">
        <Signs>
          {glyphs(
            asks === 'key'
              ? PRACTISE.movedKey(scaleName(body.plan.scale), scaleName(body.scale))
              : PRACTISE.movedShapes(words(body.plan), words(body)),
          )}
        </Signs>
      </p>
      {asks === 'key' ? (
        <>
          <Button look="link" onClick={() => agree('known')}>
            {PRACTISE.countAsKnown}
          </Button>
          <Button onClick={() => agree('again')}>{PRACTISE.learnAgain}</Button>
        </>
      ) : (
        <Button look="link" disabled={!shapes.length} onClick={onAnew}>
          {PRACTISE.planAgain}
        </Button>
      )}
    </div>
  );
}

function Items({ body, today, study }: { readonly body: StudyBody; readonly today: Today; readonly study: string }) {
  const planned = [...today.shapes.values()].filter((s) => s.study === study);
  const open = planned.find((p) => today.stands.get(p.id)?.state === 'open');
  return (
    <ol className="flex flex-col divide-y divide-line">
      {planned.map((p, k) => (
        <Item
          key={`${p.id}/${k}`}
          p={p}
          index={k}
          last={k === planned.length - 1}
          stands={today.stands.get(p.id)}
          waitsFor={open?.shape?.label ?? null}
          body={body}
        />
      ))}
    </ol>
  );
}

interface ItemProps {
  readonly p: PlannedShape;
  readonly index: number;
  readonly last: boolean;
  readonly stands: Stands | undefined;
  readonly waitsFor: string | null;
  readonly body: StudyBody;
}

function Item({ p, index, last, stands, waitsFor }: ItemProps) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [time] = useState(now);
  const label = p.shape?.label ?? '';
  if (!p.shape || !stands) return <li className="py-2 text-soft">{PRACTISE.shapeGone(p.item.rung.number)}</li>;
  const { handFret } = p.shape;
  const said = p.item.said;
  const set = (to: typeof said): void => void dispatch(change((n) => sayOfShape(n.body, index, to)));
  const move = (by: -1 | 1): void => void dispatch(change((n) => moveItem(n.body, index, by)));
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2" data-plan-state={stands.state}>
      <span aria-hidden className="w-4 text-brass-deep">
        {STATE_SIGNS[stands.state]}
      </span>
      <span className={`min-w-40 grow ${stands.state === 'waiting' || stands.state === 'skipped' ? 'text-soft' : ''}`}>
        <b className="font-semibold">
          <Signs>{label.charAt(0).toUpperCase() + label.slice(1)}</Signs>
        </b>
        <span className="ml-2 text-soft">{standWords(stands, time, waitsFor)}</span>
      </span>
      <span className="no-print flex flex-wrap gap-1">
        <Button look="quiet" disabled={index === 0} aria-label={`${PRACTISE.earlier}: ${label}`} onClick={() => move(-1)}>
          ↑
        </Button>
        <Button look="quiet" disabled={last} aria-label={`${PRACTISE.later}: ${label}`} onClick={() => move(1)}>
          ↓
        </Button>
        {said === null ? (
          <>
            {stands.state !== 'learned' && <Button onClick={() => set('known')}>{PRACTISE.known}</Button>}
            <Button onClick={() => set('skipped')}>{PRACTISE.skip}</Button>
          </>
        ) : (
          <Button onClick={() => set(null)}>{PRACTISE.takeBack}</Button>
        )}
        <Button look="link" onClick={() => void navigate(`${viewPath(p.study, 'practise')}?rung=${p.item.rung.number}.${handFret}`)}>
          {PRACTISE.practiseIt}
        </Button>
      </span>
    </li>
  );
}
