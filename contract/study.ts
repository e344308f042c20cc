import './words';
import { number, string } from 'yup';
import {
  fieldsOf,
  listOf,
  type DegreeName,
  type FingeringSchool,
  type Hand,
  type Instrument,
  type Layout,
  type PlacePin,
  type ScaleRef,
  type ShapeRef,
} from '../core';
import { connectionSchema, routesSchema, type Connection, type KeptRoute } from './connection';
import { drillsSchema, planSchema, practiceSchema, type Drill, type Plan, type Practice } from './drill';
import { FORMAT, upgradeStudy, type Added } from './formats';
import { chordSchema, gripsSchema, type KeptGrip } from './grip';
import { handSchema, schoolSchema } from './hand';
import { handoutsSchema, type Handout } from './handout';
import { instrumentSchema } from './instrument';
import { LAYOUT_KINDS, layoutSchema } from './layout';
import { licksSchema, tagList, time, type Lick } from './lick';
import { built, id, list, name, oneOf, record, rungRef, whole, type RungRef } from './parts';
import { progressionsSchema, type KeptProgression } from './progression';
import { degreeList, scaleRefSchema } from './scale';

/** What the marks on the neck say. */
export const LABELS = ['degrees', 'notes', 'fingers', 'frets', 'blank'] as const;
export type Labels = (typeof LABELS)[number];

/** Most fingers settled by hand. */
export const MOST_PINS = 120;

/** Beats a minute at which a shape is heard. */
export const TEMPO = Object.freeze({ min: 30, max: 260 });

/** A study: an instrument, a scale, how the neck is cut, and where the hand is. */
export interface StudyBody {
  readonly format: number;
  readonly name: string;
  /** The set it belongs to; may be empty. */
  readonly set: string;
  readonly note: string;
  /** The instrument as the study knows it; the study opens even if the instrument's own record is gone. */
  readonly instrument: Instrument;
  readonly instrumentId: string | null;
  readonly scale: ScaleRef;
  readonly layout: Layout;
  /** null: the layout's own school. */
  readonly school: FingeringSchool | null;
  readonly hand: Hand;
  readonly rung: RungRef;
  readonly labels: Labels;
  tempo: number;
  /** A second scale laid over the first in the same place. */
  readonly over: ScaleRef | null;
  /** Symbol of the chord whose tones are marked. */
  readonly chord: string | null;
  /** Degrees marked as passing, beside those that always are. */
  readonly passing: DegreeName[];
  /** Degrees that stand out; empty: all do. */
  readonly focus: DegreeName[];
  /** How many strings of the shape are shown, counted from the root's; null: all. */
  readonly built: number | null;
  /** Fingers settled by place, each in one shape and its copies or everywhere. */
  readonly pins: PlacePin[];
  /** What Connect was asked last; null: from the chosen rung to the one after next. */
  readonly connection: Connection | null;
  readonly routes: KeptRoute[];
  /** Id of the kept route that Connect shows as it was kept; null: what is asked now. */
  readonly route: string | null;
  readonly licks: Lick[];
  /** Id of the lick that is open; null for none. */
  readonly lick: string | null;
  readonly tags: string[];
  /** Milliseconds since 1970; null: not yet. */
  readonly practisedAt: number | null;
  /** What Practise was asked last; null: the chosen shape from its root. */
  readonly practice: Practice | null;
  /** Drills that were named. */
  readonly drills: Drill[];
  readonly plan: Plan | null;
  /** Grips that were named. */
  readonly grips: KeptGrip[];
  readonly progressions: KeptProgression[];
  /** Id of the progression that is open; null: the first. */
  readonly progression: string | null;
  /** Handouts for pupils, made of this study and others. */
  readonly handouts: Handout[];
}

/** Fields that have a plain value: those that a format after the first one added. */
type Plain = Pick<StudyBody, 'format' | Added>;

/** A study of today's format without anything special; the result is the caller's own. */
export const plainStudy = (): Plain => upgradeStudy({ format: 1 }) as Plain;

const pinSchema = built(() =>
  record<PlacePin>({
    string: whole(1, 12),
    fret: whole(0, 36),
    finger: whole(1, 4),
    shape: record<ShapeRef>({ kind: oneOf(LAYOUT_KINDS), number: whole(-12, 60), lowFret: whole(0, 36) })
      .nullable()
      .defined(),
  }),
);

/** A study as the server keeps it. Unknown fields, scales and layouts are refused, each by its path. */
export const studySchema = built(() =>
  record<StudyBody>({
    format: number().strict().oneOf([FORMAT]).required(),
    name: name(120, 'give the study a name.'),
    set: string().strict().defined().max(80),
    note: string().strict().defined().max(4000),
    instrument: instrumentSchema(),
    instrumentId: id().notRequired().nullable().defined(),
    scale: scaleRefSchema().required(),
    layout: layoutSchema(),
    school: schoolSchema(),
    hand: handSchema(),
    rung: rungRef().required(),
    labels: oneOf(LABELS),
    tempo: number().strict().required().min(TEMPO.min).max(TEMPO.max),
    over: scaleRefSchema().nullable().defined(),
    chord: chordSchema(),
    passing: degreeList(),
    focus: degreeList(),
    built: number().strict().integer().nullable().defined().min(1).max(12),
    pins: list(pinSchema(), MOST_PINS),
    connection: connectionSchema().nullable().defined(),
    routes: routesSchema(),
    route: string().strict().nullable().defined().max(40),
    licks: licksSchema(),
    lick: string().strict().nullable().defined().max(40),
    tags: tagList(),
    practisedAt: time(),
    practice: practiceSchema().nullable().defined(),
    drills: drillsSchema(),
    plan: planSchema(),
    grips: gripsSchema(),
    progressions: progressionsSchema(),
    progression: string().strict().nullable().defined().max(40),
    handouts: handoutsSchema(),
  }).required(),
);

/** The schema of a study in parts that are built one after another, the whole at last: for a page that has just been drawn. */
export const STUDY_PARTS: readonly (() => unknown)[] = [
  instrumentSchema,
  layoutSchema,
  handSchema,
  connectionSchema,
  routesSchema,
  licksSchema,
  drillsSchema,
  planSchema,
  progressionsSchema,
  handoutsSchema,
  studySchema,
];

/** A study in a list. `problems` is not empty where the record no longer holds, such as a scale that is unknown here. */
export interface StudySummary {
  readonly id: string;
  readonly revision: number;
  readonly createdAt: number;
  readonly updatedAt: number;
  readonly name: string;
  readonly set: string;
  readonly scale: ScaleRef;
  readonly instrument: Instrument;
  readonly layout: Layout;
  readonly tags: string[];
  readonly practisedAt: number | null;
  readonly licks: LickSummary[];
  readonly plan: Plan | null;
  readonly problems: { readonly field: string; readonly message: string }[];
  /** True where the record's text cannot be read at all: it can be exported as it is, and deleted. */
  readonly damaged?: boolean;
}

/** A note that is struck: no rest, no note tied to the one before. The record may be damaged. */
const isStruck = (n: { readonly place?: unknown; readonly join?: unknown } | null): boolean => !!n?.place && n.join !== 'tie';

/** A lick in a list. */
export interface LickSummary extends Pick<Lick, 'id' | 'name' | 'tags' | 'practisedAt'> {
  /** Notes and rests. */
  readonly notes: number;
}

const textOf = (value: unknown): string => (typeof value === 'string' ? value : '');
const objectsIn = (value: unknown): object[] => listOf(value).filter((v) => typeof v === 'object' && v !== null);

/** What a list shows of a study. What a damaged record lacks is left empty; `problems` says why. */
export function studySummary(body: unknown): Omit<StudySummary, 'id' | 'revision' | 'createdAt' | 'updatedAt' | 'problems'> {
  const { name: called, set, scale, instrument, layout, tags, practisedAt, licks, plan } = fieldsOf(body) as Partial<StudyBody>;
  return {
    name: textOf(called) || 'A study without a name',
    set: textOf(set),
    scale: scale as ScaleRef,
    instrument: instrument as Instrument,
    layout: layout as Layout,
    tags: Array.isArray(tags) ? tags.filter((t) => typeof t === 'string') : [],
    practisedAt: typeof practisedAt === 'number' ? practisedAt : null,
    plan: plan ?? null,
    licks: (objectsIn(licks) as Partial<Lick>[]).map((l) => ({
      id: textOf(l.id),
      name: textOf(l.name),
      tags: Array.isArray(l.tags) ? l.tags : [],
      practisedAt: l.practisedAt ?? null,
      notes: Array.isArray(l.notes) ? l.notes.filter(isStruck).length : 0,
    })),
  };
}
