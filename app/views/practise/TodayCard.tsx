import { memo } from 'react';
import { useNavigate } from 'react-router';
import type { StudyBody } from '../../../contract';
import { glyphs, type Shape, type TodayItem } from '../../../core';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { LOOSE } from '../../store/editor';
import { viewPath } from '../../store/paths';
import { now } from '../../store/practice/clock';
import { dayOf } from '../../../contract';
import { daysOf, makePlan } from '../../store/practice/plans';
import { practisePrefs } from '../../store/practice/practise-prefs';
import { useRoundsQuery } from '../../store/practice/log-api';
import { askWarmUp } from '../../store/practice/wish';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { isolated } from '../../words/name-text';
import { minutesWords, todayWords } from '../../words/plan-text';
import { PRACTISE } from '../../words/views/practise';
import { QUIZ } from '../../words/views/quiz';
import { useToday, type Today } from './useToday';

/** What there is to do today, over all plans: in which order, for how many minutes. A press goes to it. */
/** "Today, 22 minutes". */
export const todayTitle = ({ items }: Today): string => (items.length ? PRACTISE.todayMinutes(items.reduce((sum, i) => sum + i.minutes, 0)) : PRACTISE.today); // prettier-ignore

export const TodayCard = memo(function TodayCard({ body, shapes }: { readonly body: StudyBody; readonly shapes: Shape[] }) {
  const today = useToday(body, shapes);
  return (
    <section aria-labelledby="today" className="rounded-[10px] border border-line bg-sheet p-4">
      <h2 id="today" className="mb-2 text-[0.875rem] font-semibold">
        {todayTitle(today)}
      </h2>
      {today.items.length > 0 ? <TodayList today={today} /> : <NoPlan body={body} ready={today.ready} />}
      <QuizToday />
      <p className="mt-2 text-xs text-clay">{PRACTISE.care}</p>
    </section>
  );
});

/** A round of questions, where the player wants one a day; done once one was played today. */
export function QuizToday() {
  const { quiz } = practisePrefs.use();
  const { data: rounds } = useRoundsQuery(undefined, { skip: !quiz });
  const navigate = useNavigate();
  const id = useAppSelector((s) => s.editor.id);
  if (!quiz) return null;
  const day = dayOf(now());
  const done = rounds?.some((r) => r.day === day) ?? false;
  return (
    <p className="flex items-center gap-2">
      <span aria-hidden className="w-4 text-brass-deep">
        {done ? '✓' : '?'}
      </span>
      <button
        type="button"
        className="min-h-8 grow cursor-pointer rounded px-1 text-left hover:bg-feather-wash"
        onClick={() => void navigate(viewPath(id, 'quiz'))}
      >
        {QUIZ.today}
      </button>
      <span className="num whitespace-nowrap text-soft">{done ? QUIZ.played : minutesWords(0, ROUND_MINUTES)}</span>
    </p>
  );
}
/** Minutes that a round of twelve takes. */
const ROUND_MINUTES = 2;

function NoPlan({ body, ready }: { readonly body: StudyBody; readonly ready: boolean }) {
  const dispatch = useAppDispatch();
  const loose = useAppSelector((s) => s.editor.id === LOOSE);
  if (body.plan && ready) return <p className="text-soft">{PRACTISE.allDone}</p>;
  return (
    <>
      <p className="mb-2 text-soft">{loose ? PRACTISE.planNeedsStudy : PRACTISE.noPlan}</p>
      {!loose && (
        <Button look="link" onClick={() => dispatch(change((n) => makePlan(n.body, n.shapes, n.current)))}>
          {PRACTISE.makePlan}
        </Button>
      )}
    </>
  );
}

/** The day's list; what is done of each by today's log stands beside it. */
export function TodayList({ today }: { readonly today: Today }) {
  const navigate = useNavigate();
  const id = useAppSelector((s) => s.editor.id);
  const day = dayOf(now());
  const doneOf = (item: TodayItem): number => {
    if (item.kind === 'rest') return 0;
    const planned = today.shapes.get(item.shape);
    const seconds = planned ? daysOf(today.history, planned.study, planned.key).find((d) => d.day === day)?.seconds : 0;
    return Math.round((seconds ?? 0) / 60);
  };
  const go = (item: TodayItem): void => {
    if (item.kind === 'rest') return;
    const planned = today.shapes.get(item.shape);
    if (!planned?.shape) return;
    const { rung } = planned.item;
    askWarmUp(item.kind === 'warm-up' ? planned.id : null);
    void navigate(`${viewPath(planned.study, 'practise')}?rung=${rung.number}.${planned.shape.handFret}`);
  };
  return (
    <ol className="flex flex-col gap-0.5">
      {today.items.map((item, k) => {
        const planned = item.kind === 'rest' ? undefined : today.shapes.get(item.shape);
        const study = planned && planned.study !== id ? `, ${isolated(today.names.get(planned.study) ?? '')}` : '';
        const label = `${planned?.shape?.label ?? ''}${study}`;
        const done = item.kind === 'warm-up' ? 0 : doneOf(item);
        const words = todayWords(item, label.charAt(0).toUpperCase() + label.slice(1));
        return (
          <li key={k} className="flex items-center gap-2">
            <span aria-hidden className="w-4 text-brass-deep">
              {done >= item.minutes ? '✓' : item.kind === 'learn' ? '▶' : item.kind === 'review' ? '↻' : '·'}
            </span>
            {item.kind === 'rest' ? (
              <span className="min-h-8 grow py-1 text-soft">{words}</span>
            ) : (
              <button
                type="button"
                onClick={() => go(item)}
                className={`min-h-8 grow cursor-pointer rounded px-1 text-left hover:bg-feather-wash ${item.kind === 'learn' ? 'font-semibold' : ''}`}
              >
                <Signs>{glyphs(words)}</Signs>
              </button>
            )}
            <span className="num whitespace-nowrap text-soft">{minutesWords(done, item.minutes)}</span>
          </li>
        );
      })}
    </ol>
  );
}
