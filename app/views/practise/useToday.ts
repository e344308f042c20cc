import { useMemo } from 'react';
import type { PassHistory, StudyBody, StudySummary } from '../../../contract';
import { standOf, today, type Shape, type Stands, type TodayItem } from '../../../core';
import { useAppSelector } from '../../store';
import { useStudiesQuery } from '../../store/api';
import { LOOSE } from '../../store/editor';
import { endOfDay, now } from '../../store/practice/clock';
import { usePassHistoryQuery } from '../../store/practice/log-api';
import { plannedShapes, shapesOfSummary, sinceOf, toldShapes, type PlannedShape } from '../../store/practice/plans';
import { practisePrefs } from '../../store/practice/practise-prefs';

export interface Today {
  readonly items: TodayItem[];
  /** Every shape of every plan, by id, and the studies they are of, by name. */
  readonly shapes: ReadonlyMap<string, PlannedShape>;
  readonly names: ReadonlyMap<string, string>;
  /** How each shape stands. */
  readonly stands: ReadonlyMap<string, Stands>;
  readonly history: PassHistory | undefined;
  /** Whether the log has answered. */
  readonly ready: boolean;
  readonly minutes: number;
}

const NONE: StudySummary[] = [];
/** Laid out once for each state of a study in the list. */
const laid = new Map<string, { readonly revision: number; readonly shapes: Shape[] }>();
function shapesOf(s: StudySummary): Shape[] {
  const known = laid.get(s.id);
  if (known?.revision === s.revision) return known.shapes;
  const shapes = shapesOfSummary(s);
  laid.set(s.id, { revision: s.revision, shapes });
  return shapes;
}

/** What the plans of all studies say for today; the open study as it stands here. */
export function useToday(body: StudyBody, shapes: readonly Shape[]): Today {
  const id = useAppSelector((s) => s.editor.id);
  const { data: studies = NONE } = useStudiesQuery();
  const { minutes } = practisePrefs.use();
  const open = id === null || id === LOOSE ? null : id;
  const plans = useMemo(() => {
    const others = studies.filter((s) => s.plan && s.id !== open && !s.problems.length && !s.damaged);
    const mine = open !== null && body.plan ? [{ name: body.name, planned: plannedShapes(open, body, shapes), id: open }] : [];
    return [...mine, ...others.map((s) => ({ id: s.id, name: s.name, planned: plannedShapes(s.id, s, shapesOf(s)) }))];
  }, [studies, open, body, shapes]);
  const asked = useMemo(() => ({ studies: plans.map((p) => p.id), since: plans.flatMap((p) => sinceOf(p.planned)) }), [plans]);
  const { currentData: history, isSuccess } = usePassHistoryQuery(asked, { skip: !plans.length });
  return useMemo(() => {
    const told = plans.map((p) => toldShapes(p.planned, history));
    const time = now();
    return {
      items: today(told, { now: time, endOfDay: endOfDay(time), minutes }),
      shapes: new Map(plans.flatMap((p) => p.planned).map((s) => [s.id, s])),
      names: new Map(plans.map((p) => [p.id, p.name])),
      stands: new Map(told.flatMap(standOf).map((s) => [s.id, s])),
      history,
      ready: isSuccess || !plans.length,
      minutes,
    };
  }, [plans, history, isSuccess, minutes]);
}
