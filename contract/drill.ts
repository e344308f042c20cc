import './words';
import { boolean, lazy, mixed, number, string } from 'yup';
import {
  ARTICULATIONS,
  checkClimb,
  CLIMB_RANGE,
  DRILL_ACCENTS,
  DRILL_ORDERS,
  DRILL_RHYTHMS,
  type Climb,
  type DegreeName,
  type DrillAccent,
  type DrillArticulation,
  type DrillOrder,
  type DrillRhythm,
  type RungMotion,
  type Said,
  type ScaleRef,
  type Layout,
} from '../core';
import { passes } from './checks';
import { layoutSchema } from './layout';
import { built, id, list, name, oneOf, record, rungRef, whole, wholes, type RungRef, isDistinct } from './parts';
import { published } from './published';
import { degreeList, scaleRefSchema } from './scale';

export const DRILL_OF = ['shape', 'rungs', 'route', 'lick'] as const;
export const DRILL_WORDS = ['degrees', 'relative', 'notes', 'syllables', 'fingers', 'none'] as const;
export const DRILL_UNDER = ['none', 'drone', 'chord', 'backing'] as const;
export type DrillWords = (typeof DRILL_WORDS)[number];
export const MOTIONS: readonly RungMotion[] = ['each', 'alternate'];

/** What is drilled and how, without key and shape: it means the shape that is chosen, on whatever neck. */
export interface DrillForm {
  /** The chosen shape, all rungs in turn, a kept route or a lick. */
  readonly of: (typeof DRILL_OF)[number];
  /** Id of the route or lick. */
  readonly line: string | null;
  /** Rungs: each in its order before the next, or up one and down the next; and whether each begins with a touch of its root. */
  readonly motion: RungMotion;
  readonly touchRoot: boolean;
  /** Only these strings; empty: all. */
  readonly strings: number[];
  readonly order: DrillOrder;
  readonly turn: 'once' | 'twice';
  readonly root: 'own' | 'relative';
  /** Which root of the shape is home, from 0, the lowest. */
  readonly home: number;
  readonly everyRoot: boolean;
  readonly group: 3 | 4 | 5 | 6;
  readonly interval: 3 | 4 | 5 | 6 | 7 | 8;
  readonly size: 3 | 4;
  readonly back: boolean;
  readonly scaleFirst: boolean;
  /** Down on the scale that is laid over, where there is one. */
  readonly downOver: boolean;
  readonly seed: number;
  readonly count: number;
  readonly lean: DegreeName[];
  readonly endOnRoot: boolean;
  /** What sounds at every return to the root. */
  readonly under: (typeof DRILL_UNDER)[number];
  readonly rhythm: DrillRhythm;
  readonly accent: DrillAccent;
  readonly articulation: DrillArticulation;
  /** What is said in time, and whether it is hidden until the note has begun. */
  readonly words: DrillWords;
  readonly hidden: boolean;
}

/** What everybody begins with: from the root, up, down and home, in triplets. */
export const PLAIN_DRILL: Readonly<DrillForm> = Object.freeze({
  of: 'shape',
  line: null,
  motion: 'each',
  touchRoot: false,
  strings: [],
  order: 'from-root',
  turn: 'once',
  root: 'own',
  home: 0,
  everyRoot: false,
  group: 4,
  interval: 3,
  size: 3,
  back: true,
  scaleFirst: true,
  downOver: false,
  seed: 1,
  count: 32,
  lean: [],
  endOnRoot: false,
  under: 'none',
  rhythm: 'triplets',
  accent: 'beat',
  articulation: 'alternate',
  words: 'degrees',
  hidden: false,
});

export const PLAIN_CLIMB: Readonly<Climb> = Object.freeze({ start: 60, goal: 96, step: 6, clean: 3, misses: 2 });

const choice = (values: readonly number[]) => number().strict().required().oneOf([...values]); // prettier-ignore
const yes = () => boolean().strict().required();

const form = () => ({
  of: oneOf(DRILL_OF),
  line: string().strict().nullable().defined().max(40),
  motion: oneOf(MOTIONS),
  touchRoot: yes(),
  strings: wholes(1, 12, { min: 0, max: 12 }),
  order: oneOf(DRILL_ORDERS),
  turn: oneOf(['once', 'twice']),
  root: oneOf(['own', 'relative']),
  home: whole(0, 11),
  everyRoot: yes(),
  group: choice([3, 4, 5, 6]),
  interval: choice([3, 4, 5, 6, 7, 8]),
  size: choice([3, 4]),
  back: yes(),
  scaleFirst: yes(),
  downOver: yes(),
  seed: whole(0, 2 ** 32 - 1),
  count: whole(1, 10_000),
  lean: degreeList(),
  endOnRoot: yes(),
  under: oneOf(DRILL_UNDER),
  rhythm: oneOf(DRILL_RHYTHMS),
  accent: oneOf(DRILL_ACCENTS),
  articulation: oneOf(ARTICULATIONS),
  words: oneOf(DRILL_WORDS),
  hidden: yes(),
});
export const drillFormSchema = built(() => record<DrillForm>(form()).meta({ named: 'drillForm' }));

const { tempo, step, passes: inARow } = CLIMB_RANGE;
export const climbSchema = built(() =>
  record<Climb>({
    start: whole(tempo.min, tempo.max),
    goal: whole(tempo.min, tempo.max),
    step: whole(step.min, step.max),
    clean: whole(inARow.min, inARow.max),
    misses: whole(inARow.min, inARow.max),
  }).test(
    'climb',
    passes((v) => typeof v === 'object' && v !== null && checkClimb(v as Climb), true),
  ),
);

/** A drill that a player named, in its study. */
export interface Drill {
  readonly id: string;
  readonly name: string;
  readonly form: DrillForm;
  readonly climb: Climb;
}
export const MOST_DRILLS = 100;
const drillName = () => name(80, 'give the drill a name.');
const drillSchema = built(() => record<Drill>({ id: id().max(40), name: drillName(), form: drillFormSchema(), climb: climbSchema() }));
export const drillsSchema = built(() =>
  list(drillSchema(), MOST_DRILLS).test('ids', 'drills: two drills have the same id.', (v) => isDistinct(v, 'id')),
);

/** A drill without key and shape, kept in the notebook for all studies. */
export interface OwnDrill {
  readonly name: string;
  readonly form: DrillForm;
  readonly climb: Climb;
}
export const ownDrillSchema = built(() =>
  record<OwnDrill>({
    name: drillName(),
    form: record<DrillForm>({ ...form(), of: oneOf(['shape', 'rungs']) }),
    climb: climbSchema(),
  }).required(),
);

/** What Practise was asked last. */
export interface Practice {
  readonly form: DrillForm;
  readonly climb: Climb;
}
export const practiceSchema = built(() => record<Practice>({ form: drillFormSchema(), climb: climbSchema() }));

/** One shape of a plan. */
export interface PlanItem {
  readonly rung: RungRef;
  /** What the player said of it. */
  readonly said: Said;
  /** Passes that ended before this do not count (ms since 1970): it is learnt anew. null: all count. */
  readonly since: number | null;
}

/** In which order the shapes of a study are learnt. */
export interface Plan {
  readonly items: PlanItem[];
  /** The scale and layout that it was made in or agreed to last: where the study has others, the plan asks. */
  readonly scale: ScaleRef;
  readonly layout: Layout;
}
export const MOST_PLANNED = 60;
const planItem = built(() =>
  record<PlanItem>({
    rung: rungRef(),
    said: string().strict().nullable().defined().oneOf(['known', 'skipped', null]),
    since: number().strict().integer().nullable().defined().min(0),
  }),
);
const plan = built(() =>
  record<Plan>({ items: list(planItem(), MOST_PLANNED, { min: 1 }), scale: scaleRefSchema().required(), layout: layoutSchema() }),
);
export const planSchema = built(() =>
  lazy((value: unknown) => (value === null ? mixed().nullable() : plan())).meta(published({ is: 'any', of: [null, plan()] })),
);
