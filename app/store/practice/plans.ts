import { MOST_PLANNED, type PassHistory, type Plan, type PlanItem, type StudyBody, type StudySummary } from '../../../contract';
import { chromaOf, CoreError, layOut, onceEach, ruleOf, type PlanShape, type PlayedDay, type Said, type Shape } from '../../../core';
import { shapeKey } from './drilled';

type Edit = Partial<StudyBody>;
/** What a plan needs to know of its study. */
export type Planned = Pick<StudyBody, 'instrument' | 'scale' | 'layout' | 'plan'>;

/** One shape of a plan where it lies now; `shape` is null where the study has none of its number any more. */
export interface PlannedShape {
  /** Its own over all plans. */
  readonly id: string;
  readonly study: string;
  /** What the log calls it. */
  readonly key: string;
  readonly item: PlanItem;
  readonly shape: Shape | null;
}

/** A shape reaches far where its layout tells of stretches, or it is wider than four frets at the middle of a usual neck. */
const WIDE_MM = 105;
const isWide = (s: Shape): boolean => s.stretches.length > 0 || s.widthMm > WIDE_MM;

/** Each shape of a layout once, in order up the neck. */
export const shapesToLearn = ({ layout }: Pick<StudyBody, 'layout'>, shapes: readonly Shape[]): Shape[] => onceEach(layout.kind, shapes);

/** A plan of a study: from the chosen shape up the neck, then those below it. */
export function makePlan(body: StudyBody, shapes: readonly Shape[], current: number): Edit | null {
  const all = shapesToLearn(body, shapes);
  if (!all.length) return null;
  const here = shapes[current];
  const at = Math.max(0, all.findIndex((s) => s.number === here?.number)); // prettier-ignore
  const order = [...all.slice(at), ...all.slice(0, at)].slice(0, MOST_PLANNED);
  return { plan: { items: order.map(itemOf), scale: body.scale, layout: body.layout } };
}
const itemOf = (s: Shape): PlanItem => ({ rung: { number: s.number, fret: s.handFret }, said: null, since: null });

/** The shapes of a study's plan, in its order. */
export function plannedShapes(study: string, { plan, layout }: Planned, shapes: readonly Shape[]): PlannedShape[] {
  const all = shapesToLearn({ layout }, shapes);
  return (plan?.items ?? []).map((item) => {
    const key = shapeKey({ layout }, item.rung);
    return { id: `${study}/${key}`, study, key, item, shape: all.find((s) => s.number === item.rung.number) ?? null };
  });
}

/** The shapes of a study in a list; none where they cannot be laid out. */
export function shapesOfSummary(s: Pick<StudySummary, 'instrument' | 'scale' | 'layout'>): Shape[] {
  try {
    return layOut(s.instrument, s.scale, s.layout);
  } catch (e) {
    if (e instanceof CoreError) return [];
    throw e;
  }
}

/** What the core's plan is told of shapes that are there. */
export const toldShapes = (planned: readonly PlannedShape[], history: PassHistory | undefined): PlanShape[] =>
  planned.flatMap(({ id, study, key, item, shape }) =>
    shape ? [{ id, said: item.said, days: daysOf(history, study, key), handFret: shape.handFret, wide: isWide(shape) }] : [],
  );
export const daysOf = (history: PassHistory | undefined, study: string, key: string): PlayedDay[] =>
  (history?.days ?? []).filter((d) => d.study === study && d.shape === key);

/** Shapes of which earlier passes do not count, for the log. */
export const sinceOf = (planned: readonly PlannedShape[]): { readonly study: string; readonly shape: string; readonly at: number }[] =>
  planned.flatMap(({ study, key, item }) => (item.since === null ? [] : [{ study, shape: key, at: item.since }]));

/** Whether a study has moved away from what its plan was made in: to another key alone, or to other shapes. */
export function planAsks({ plan, scale, layout }: Planned): 'key' | 'shapes' | null {
  if (!plan) return null;
  const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
  if (plan.layout.kind !== layout.kind || !same(plan.scale.scale, scale.scale)) return 'shapes';
  return plan.scale.tonic === scale.tonic ? null : 'key';
}

/** The plan goes along with the study's key: what was learned counts as known there, or is learnt again from now on. */
export function agreeKey(
  body: StudyBody,
  shapes: readonly Shape[],
  how: 'known' | 'again',
  learned: ReadonlySet<string>,
  now: number,
): Edit {
  const { plan } = body;
  if (!plan) return {};
  const all = shapesToLearn(body, shapes);
  // Windows are numbered by their fret, so that they move with the key; other shapes keep their number.
  const still = ruleOf(body.layout.kind).still;
  const by = still ? movedBy(plan, body) : 0;
  const items = plan.items.map((item): PlanItem => {
    const was = learned.has(shapeKey(body, item.rung));
    const number = item.rung.number + by;
    const shape = all.find((s) => s.number === number) ?? all.find((s) => (s.number - number) % 12 === 0);
    const rung = shape ? { number: shape.number, fret: shape.handFret } : { number, fret: item.rung.fret };
    if (how === 'again') return { rung, said: item.said === 'known' ? null : item.said, since: now };
    return { ...item, rung, said: still && was && item.said === null ? 'known' : item.said };
  });
  return { plan: { items, scale: body.scale, layout: body.layout } };
}

/** Half steps from the plan's key to the study's, the shorter way. */
function movedBy(plan: Plan, { scale }: StudyBody): number {
  const up = (((chromaOf(scale.tonic) - chromaOf(plan.scale.tonic)) % 12) + 12) % 12;
  return up > 6 ? up - 12 : up;
}

/** Fields of one shape of the plan. */
const withItem = (body: StudyBody, index: number, fields: Partial<PlanItem>): Edit =>
  body.plan ? { plan: { ...body.plan, items: body.plan.items.map((item, k) => (k === index ? { ...item, ...fields } : item)) } } : {};
export const sayOfShape = (body: StudyBody, index: number, said: Said): Edit => withItem(body, index, { said });

/** One place up (-1) or down (1) in the order; null at its end. */
export function moveItem({ plan }: StudyBody, index: number, by: -1 | 1): Edit | null {
  if (!plan || !plan.items[index] || !plan.items[index + by]) return null;
  const items = [...plan.items];
  [items[index], items[index + by]] = [items[index + by]!, items[index]!];
  return { plan: { ...plan, items } };
}
export const dropPlan = (): Edit => ({ plan: null });
