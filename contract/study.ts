import { array, lazy, mixed, number, object, string } from 'yup';
import {
  checkDegree,
  checkNote,
  chordNotes,
  degreesOf,
  SCHOOLS,
  type DegreeName,
  type FingeringSchool,
  type Hand,
  type Instrument,
  type Layout,
  type PlacePin,
  type ScaleRef,
} from '../core';
import { passes } from './checks';
import { connectionSchema, keptRouteSchema, MOST_KEPT, type Connection, type KeptRoute } from './connection';
import { instrumentSchema } from './instrument';
import { licksSchema, tagList, time, type Lick } from './lick';
import { list, place, record, rungRef, whole, type RungRef } from './parts';

/** What the marks on the neck say. */
export const LABELS = ['degrees', 'notes', 'fingers', 'frets', 'blank'] as const;
export type Labels = (typeof LABELS)[number];

/** Beats a minute at which a shape is heard. */
export const TEMPO = Object.freeze({ min: 30, max: 260 });

/** A study: an instrument, a scale, how the neck is cut, and where the hand is. */
export interface StudyBody {
  format: 4;
  name: string;
  /** The set it belongs to; may be empty. */
  set: string;
  note: string;
  /** The instrument as the study knows it; the study opens even if the instrument's own record is gone. */
  instrument: Instrument;
  instrumentId: string | null;
  scale: ScaleRef;
  layout: Layout;
  /** null: the layout's own school. */
  school: FingeringSchool | null;
  hand: Hand['size'];
  rung: RungRef;
  labels: Labels;
  tempo: number;
  /** A second scale laid over the first in the same place. */
  over: ScaleRef | null;
  /** Symbol of the chord whose tones are marked. */
  chord: string | null;
  /** Degrees marked as passing, beside those that always are. */
  passing: DegreeName[];
  /** Degrees that stand out; empty: all do. */
  focus: DegreeName[];
  /** How many strings of the shape are shown, counted from the root's; null: all. */
  built: number | null;
  /** Scales of one's own, by name. */
  ownScales: OwnScale[];
  /** Fingers settled by place, in every shape that has it. */
  pins: PlacePin[];
  /** What Connect was asked last; null: from the chosen rung to the one after next. */
  connection: Connection | null;
  routes: KeptRoute[];
  licks: Lick[];
  /** Id of the lick that is open; null for none. */
  lick: string | null;
  tags: string[];
  /** Milliseconds since 1970; null: not yet. */
  practisedAt: number | null;
}

/** A scale that a player named. */
export interface OwnScale {
  name: string;
  degrees: DegreeName[];
}

/** What format 2 added, as a study of format 1 gets it. */
const FORMAT_2 = Object.freeze({ format: 2, over: null, chord: null, passing: [], focus: [], built: null, ownScales: [] });
/** What format 3 added. */
const FORMAT_3 = Object.freeze({ format: 3, pins: [], connection: null, routes: [] });
/** What format 4 added. */
const FORMAT_4 = Object.freeze({ format: 4, licks: [], lick: null, tags: [], practisedAt: null });
/** What each format added to the one before, oldest first. Append only. */
export const FORMATS: readonly { format: number }[] = [FORMAT_2, FORMAT_3, FORMAT_4];
/** A study of today's format without anything special. */
export const PLAIN_STUDY = Object.freeze({ ...FORMAT_2, ...FORMAT_3, ...FORMAT_4, format: 4 as const });

/** A study of any format as one of today's: fields that newer formats added get their plain values. */
export function upgradeStudy(body: object): object {
  const { format } = body as { format?: unknown };
  const old = typeof format === 'number' ? format : 1;
  return FORMATS.filter((f) => f.format > old).reduce<object>((study, f) => ({ ...f, ...study, format: f.format }), body);
}

const kind = (name: Layout['kind']) => string().strict().oneOf([name]).required();
const counts = (length: { min: number; max: number }) => array().of(whole(1, 12)).strict().min(length.min).max(length.max);

/** One schema a layout; its fields as in the core. */
const LAYOUT_SCHEMAS: Record<Layout['kind'], ReturnType<typeof record>> = {
  window: record({ kind: kind('window'), stretch: string().strict().oneOf(['index', 'little', 'nearer']) }),
  box: record({ kind: kind('box'), numbering: string().strict().oneOf(['minor-root', 'major-root']) }),
  'per-string': record({ kind: kind('per-string'), notes: whole(1, 6) }),
  'one-string': record({ kind: kind('one-string'), string: whole(1, 12) }),
  'string-set': record({
    kind: kind('string-set'),
    strings: counts({ min: 1, max: 12 }).required(),
    counts: counts({ min: 1, max: 12 }).required(),
    start: place.required(),
  }),
  diagonal: record({ kind: kind('diagonal'), counts: counts({ min: 2, max: 2 }), root: place.required() }),
  split: record({ kind: kind('split'), notes: number().strict().integer().min(1).max(6) }),
  region: record({ kind: kind('region'), fromFret: whole(0, 36), toFret: whole(0, 36) }),
  anchor: record({ kind: kind('anchor'), root: place.required(), notes: whole(1, 6) }),
};

const layoutSchema = lazy((value: unknown) => {
  const name = (value as Layout | null)?.kind;
  const known = typeof name === 'string' && Object.hasOwn(LAYOUT_SCHEMAS, name);
  return known ? LAYOUT_SCHEMAS[name] : object({ kind: string().strict().required().oneOf(Object.keys(LAYOUT_SCHEMAS)) }).required();
});

/** Degrees in any order. */
const degreeList = () =>
  array()
    .of(
      mixed<DegreeName>()
        .required()
        .test(
          'degree',
          passes((v) => checkDegree(v)),
        ),
    )
    .strict()
    .defined()
    .max(12);

const ownScaleSchema = record({
  name: string().strict().trim().required('ownScales: give the scale a name.').max(60),
  degrees: mixed<DegreeName[]>()
    .required()
    .test(
      'scale',
      passes((v) => degreesOf(v as DegreeName[])),
    ),
});

export const scaleRefSchema = object({
  tonic: mixed<string>().required().test('note', passes((v) => checkNote(v))), // prettier-ignore
  scale: mixed<string | DegreeName[]>().required().test('scale', passes((v) => degreesOf(v as ScaleRef['scale']))), // prettier-ignore
})
  .noUnknown()
  .strict();

/** A study as the server keeps it. Unknown fields, scales and layouts are refused, each by its path. */
export const studySchema = object({
  format: number().strict().oneOf([4]).required(),
  name: string().strict().required('name: give the study a name.').max(120),
  set: string().strict().defined().max(80),
  note: string().strict().defined().max(4000),
  instrument: instrumentSchema.required(),
  instrumentId: string().strict().nullable().defined().max(64),
  scale: scaleRefSchema.required(),
  layout: layoutSchema,
  school: string()
    .strict()
    .nullable()
    .defined()
    .oneOf([...Object.keys(SCHOOLS), null]),
  hand: string().strict().oneOf(['small', 'medium', 'large']).required(),
  rung: rungRef.required(),
  labels: string().strict().oneOf([...LABELS]).required(), // prettier-ignore
  tempo: number().strict().required().min(TEMPO.min).max(TEMPO.max),
  over: scaleRefSchema.nullable().defined(),
  chord: string()
    .strict()
    .nullable()
    .defined()
    .max(24)
    .test(
      'chord',
      passes((v) => v === null || chordNotes(v as string)),
    ),
  passing: degreeList(),
  focus: degreeList(),
  built: number().strict().integer().nullable().defined().min(1).max(12),
  ownScales: list(ownScaleSchema, 60),
  pins: list(record({ string: whole(1, 12), fret: whole(0, 36), finger: whole(1, 4) }), 120),
  connection: connectionSchema.nullable().defined(),
  routes: list(keptRouteSchema, MOST_KEPT),
  licks: licksSchema,
  lick: string().strict().nullable().defined().max(40),
  tags: tagList(),
  practisedAt: time(),
})
  .noUnknown()
  .strict()
  .required();

/** A study in a list. `problems` is not empty where the record no longer holds, such as a scale that is unknown here. */
export interface StudySummary {
  id: string;
  revision: number;
  createdAt: number;
  updatedAt: number;
  name: string;
  set: string;
  scale: ScaleRef;
  instrument: Instrument;
  layout: Layout;
  tags: string[];
  practisedAt: number | null;
  licks: LickSummary[];
  problems: { field: string; message: string }[];
}

/** A lick in a list. */
export interface LickSummary extends Pick<Lick, 'id' | 'name' | 'tags' | 'practisedAt'> {
  /** Notes and rests. */
  notes: number;
}

/** What a list shows of a study. A record that an older or broken version left may lack what is asked for. */
export const studySummary = (body: StudyBody): Omit<StudySummary, 'id' | 'revision' | 'createdAt' | 'updatedAt' | 'problems'> => ({
  name: body.name,
  set: body.set,
  scale: body.scale,
  instrument: body.instrument,
  layout: body.layout,
  tags: body.tags ?? [],
  practisedAt: body.practisedAt ?? null,
  licks: (body.licks ?? []).map(({ id, name, tags, practisedAt, notes }) => ({ id, name, tags, practisedAt, notes: notes.length })),
});
