import './words';
import { boolean, lazy, number, object } from 'yup';
import {
  CONNECT_WAYS,
  MOST_WEIGHT,
  type ConnectWay,
  type FingeredStep,
  type FingeringSchool,
  type Hand,
  type Instrument,
  type Layout,
  type Picking,
  type Place,
  type Route,
  type RouteGoal,
  type RouteWeights,
  type ScaleRef,
  type Stroke,
  isOneOf,
} from '../core';
import { instrumentSchema } from './instrument';
import { layoutSchema } from './layout';
import { hasOnly, isWhole } from './lick';
import { built, id, list, name, oneOf, place, record, rungRef, whole, type RungRef } from './parts';
import { published } from './published';
import { scaleRefSchema } from './scale';
import { handSchema, schoolSchema } from './hand';

export const WAYS = [...CONNECT_WAYS, 'best'] as const;
export type Way = ConnectWay | 'best';

/** Most notes that a line typed by hand has, most routes that a study keeps, and most notes of one of them. */
export const MOST_TYPED = 400;
export const MOST_KEPT = 60;
export const MOST_KEPT_NOTES = 400;

/** What is asked of Connect: from where to where, and how. */
export interface Connection {
  readonly way: Way;
  readonly from: RungRef;
  readonly to: RungRef;
  /** Strings that the way is to use; empty: whichever are best. */
  readonly strings: number[];
  /** Best route: other ends than those of the rungs. */
  readonly start: Place | null;
  readonly goal: RouteGoal | null;
  /** Best route: a scale run, in thirds, or through `pitches` (MIDI numbers). */
  readonly motion: 'run' | 'thirds' | 'given';
  readonly pitches: number[];
  readonly within: { readonly fromFret: number; readonly toFret: number } | null;
  readonly weights: RouteWeights;
  /** Notes held on one of their places and fingers settled, by index in the line. */
  readonly held: (Place & { readonly index: number })[];
  readonly fingers: { readonly index: number; readonly finger: number }[];
  readonly picking: Picking;
  /** Which of the ways there is shown. */
  readonly choice: number;
  /** Whether the staff is shown beside the tab. */
  readonly staff: boolean;
}

/** The study as it was when a route was kept: what its question was asked of. */
export interface RouteSetting {
  readonly instrument: Instrument;
  readonly scale: ScaleRef;
  readonly layout: Layout;
  readonly school: FingeringSchool | null;
  readonly hand: Hand;
}

/** A route kept with the study: its notes as they were, and beside them what had been asked, and of what. */
export interface KeptRoute {
  /** Its own within the study. */
  readonly id: string;
  readonly name: string;
  readonly steps: Route['steps'];
  /** One a note. */
  readonly strokes: Stroke[];
  readonly asked: Connection;
  readonly on: RouteSetting;
}

const factor = (min: number, max: number) => number().strict().required().min(min).max(max);

/** A place, a fret under the hand, or a pitch. */
const pitchGoal = built(() => record<{ readonly pitch: number }>({ pitch: whole(0, 163) }));
const fretGoal = built(() => record<{ readonly fret: number }>({ fret: whole(1, 36) }));
const goal = built(() =>
  lazy((value: unknown) => {
    const fields = value && typeof value === 'object' ? value : {};
    if (value === null) return object().nullable();
    if ('pitch' in fields) return pitchGoal().required();
    return ('string' in fields ? place() : fretGoal()).required();
  }).meta(published({ is: 'any', of: [null, place(), fretGoal(), pitchGoal()] })),
);

const weightsSchema = built(() =>
  record<RouteWeights>({
    travel: factor(0, MOST_WEIGHT),
    shifts: factor(0, MOST_WEIGHT),
    stretch: factor(0, MOST_WEIGHT),
    stringChanges: factor(0, MOST_WEIGHT),
    openStrings: factor(-1, MOST_WEIGHT),
    tone: factor(-1, 1),
    region: factor(0, MOST_WEIGHT),
  }),
);

export const connectionSchema = built(() =>
  record<Connection>({
    way: oneOf(WAYS),
    from: rungRef().required(),
    to: rungRef().required(),
    strings: list(whole(1, 12), 12),
    start: place().nullable().defined(),
    goal: goal(),
    motion: oneOf(['run', 'thirds', 'given']),
    pitches: list(whole(0, 163), MOST_TYPED, { plainly: (v) => isWhole(v, [0, 163]) }),
    within: record<NonNullable<Connection['within']>>({ fromFret: whole(0, 36), toFret: whole(0, 36) })
      .nullable()
      .defined(),
    weights: weightsSchema().required(),
    held: list(record<Connection['held'][number]>({ index: whole(0, 20_000), string: whole(1, 12), fret: whole(0, 36) }), MOST_TYPED, {
      plainly: (v) => hasOnly(v, HELD_KEYS) && isWhole(v.index, [0, 20_000]) && isWhole(v.string, [1, 12]) && isWhole(v.fret, [0, 36]),
    }),
    fingers: list(record<Connection['fingers'][number]>({ index: whole(0, 20_000), finger: whole(0, 4) }), MOST_TYPED, {
      plainly: (v) => hasOnly(v, FINGER_KEYS) && isWhole(v.index, [0, 20_000]) && isWhole(v.finger, [0, 4]),
    }),
    picking: oneOf(['alternate', 'economy', 'hammered']),
    choice: whole(0, 50),
    staff: boolean().strict().required(),
  }),
);
const HELD_KEYS = new Set(['index', 'string', 'fret']);
const FINGER_KEYS = new Set(['index', 'finger']);

const MOVES = ['start', 'stay', 'stretch', 'shift', 'slide', 'roll'];
export const stepSchema = built(() =>
  record<FingeredStep>({
    string: whole(1, 12),
    fret: whole(0, 36),
    finger: whole(0, 4),
    handFret: whole(0, 40),
    move: oneOf(MOVES),
    costMm: number().strict().required(),
  }),
);
const STEP_KEYS = built(() => new Set(Object.keys(stepSchema().fields)));

/** What the schema of a kept note passes, without asking it. */
export const isPlainStep = (v: unknown): boolean =>
  hasOnly(v, STEP_KEYS()) &&
  isWhole(v.string, [1, 12]) &&
  isWhole(v.fret, [0, 36]) &&
  isWhole(v.finger, [0, 4]) &&
  isWhole(v.handFret, [0, 40]) &&
  typeof v.move === 'string' &&
  MOVES.includes(v.move) &&
  typeof v.costMm === 'number' &&
  Number.isFinite(v.costMm);

const STROKES: readonly Stroke[] = ['down', 'up', 'hammer', 'pull', 'slide'];

export const keptRouteSchema = built(() =>
  record<KeptRoute>({
    id: id().max(40),
    name: name(120, 'give the route a name.'),
    steps: list(stepSchema(), MOST_KEPT_NOTES, { plainly: isPlainStep }),
    strokes: list(oneOf(STROKES), MOST_KEPT_NOTES, { plainly: (v) => typeof v === 'string' && isOneOf(STROKES, v) }),
    asked: connectionSchema().required(),
    on: record<RouteSetting>({
      instrument: instrumentSchema(),
      scale: scaleRefSchema().required(),
      layout: layoutSchema(),
      school: schoolSchema(),
      hand: handSchema(),
    }).required(),
  }).test('strokes', 'routes: a kept route has one pick stroke a note.', (v) => {
    const { steps, strokes } = (v ?? {}) as Partial<KeptRoute>;
    return !Array.isArray(steps) || !Array.isArray(strokes) || steps.length === strokes.length;
  }),
);

/** Kept routes: no two of one id. */
export const routesSchema = built(() =>
  list(keptRouteSchema(), MOST_KEPT).test('ids', 'routes: two routes have the same id.', (v) => {
    const ids = Array.isArray(v) && v.length <= MOST_KEPT ? v.map((r) => (r as KeptRoute | null)?.id) : [];
    return new Set(ids).size === ids.length;
  }),
);
