import './words';
import { array, number, string } from 'yup';
import {
  FEELS,
  MOST_PATH_WEIGHT,
  METER_BEATS,
  METER_UNITS,
  parseChord,
  PATH_MOTIONS,
  PATH_SCHOOLS,
  type Feel,
  type PathOptions,
  type PathWeights,
  type ScaleRef,
  isOneOf,
  listOf,
} from '../core';
import { passes } from './checks';
import { isWhole } from './lick';
import { built, id, list, name, oneOf, record, whole, isDistinct } from './parts';
import { published } from './published';
import { scaleRefSchema } from './scale';

/** A scale settled over one chord of a form. */
export interface ScaleLock {
  /** Which chord, silent ones not counted; it holds while that chord is there. */
  readonly chord: number;
  readonly symbol: string;
  readonly ref: ScaleRef;
}

/** A progression as a player typed it, and how it is played over. */
export interface KeptProgression {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  readonly meter: [number, number];
  readonly tempo: number;
  readonly feel: Feel;
  /** The scale that is home over it. */
  readonly home: ScaleRef;
  readonly school: PathOptions['school'];
  readonly motion: NonNullable<PathOptions['motion']>;
  /** The fret that the hand is near; null: where the study's position has it. */
  readonly near: number | null;
  readonly locks: ScaleLock[];
  readonly weights: PathWeights;
  /** First and last bar that go round, from 0; null: the whole form. */
  readonly loop: [number, number] | null;
}
export const MOST_PROGRESSIONS = 40;
export const MOST_FORM_TEXT = 6000;
export const MOST_LOCKS = 500;
export const FORM_TEMPO = Object.freeze({ min: 20, max: 400 });
const LAST_BAR = 499;

const BAR = { type: 'integer', minimum: 0, maximum: LAST_BAR };
const LOOP = { type: 'array', items: BAR, minItems: 2, maxItems: 2 };
const METER = {
  type: 'array',
  prefixItems: [{ type: 'integer', minimum: METER_BEATS.min, maximum: METER_BEATS.max }, { enum: [...METER_UNITS] }],
  minItems: 2,
  maxItems: 2,
};

const meter = built(() =>
  array()
    .strict()
    .required()
    .length(2)
    .meta(published({ is: 'checked', form: METER }))
    .test('meter', `meter: ${METER_BEATS.min} to ${METER_BEATS.max} beats a bar, counted in ${METER_UNITS.join(', ')}.`, (v: unknown) => {
      const [beats, unit] = listOf(v);
      return isWhole(beats, [METER_BEATS.min, METER_BEATS.max]) && isOneOf(METER_UNITS, unit);
    }),
);

const loop = built(() =>
  array()
    .strict()
    .nullable()
    .defined()
    .meta(published({ is: 'checked', form: LOOP }))
    .test('loop', 'loop: give the first and the last bar, the first not after the last.', (v: unknown) => {
      if (v === null) return true;
      const [from, to, ...more] = listOf(v);
      return !more.length && isWhole(to, [0, LAST_BAR]) && isWhole(from, [0, to]);
    }),
);

const weight = () => number().strict().required().min(0).max(MOST_PATH_WEIGHT);
const lockSchema = built(() =>
  record<ScaleLock>({
    chord: whole(0, 1999),
    symbol: string().strict().required().max(40).test('chord', passes((v) => parseChord(v as string))), // prettier-ignore
    ref: scaleRefSchema().required(),
  }),
);

const progressionSchema = built(() =>
  record<KeptProgression>({
    id: id().max(40),
    name: name(120, 'give the progression a name.'),
    text: string().strict().defined().max(MOST_FORM_TEXT),
    meter: meter() as never,
    tempo: number().strict().required().min(FORM_TEMPO.min).max(FORM_TEMPO.max),
    feel: oneOf(FEELS),
    home: scaleRefSchema().required(),
    school: oneOf(PATH_SCHOOLS),
    motion: oneOf(PATH_MOTIONS),
    near: whole(0, 36).nullable().defined() as never,
    locks: list(lockSchema(), MOST_LOCKS),
    weights: record<PathWeights>({ travel: weight(), changes: weight(), fit: weight(), home: weight() }).required(),
    loop: loop() as never,
  }),
);

export const progressionsSchema = built(() =>
  list(progressionSchema(), MOST_PROGRESSIONS).test('ids', 'progressions: two progressions have the same id.', (v) => isDistinct(v, 'id')),
);
