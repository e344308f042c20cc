import './words';
import { boolean, lazy, mixed, number, string } from 'yup';
import { checkLick, CoreError, type Instrument, type LickNote, type ScaleRef } from '../core';
import { instrumentSchema } from './instrument';
import { built, checkList, ID, id, isPlainName, list, name, place, record, whole, wholes } from './parts';
import { published } from './published';
import { scaleRefSchema } from './scale';

/** Most licks of a study, and most notes and rests of a lick. */
export const MOST_LICKS = 200;
export const MOST_LICK_NOTES = 400;
export const MOST_TAGS = 12;

/** A short line with rhythm. */
export interface Lick {
  /** Its own within the study. */
  readonly id: string;
  readonly name: string;
  readonly tags: string[];
  readonly tempo: number;
  readonly meter: [number, number];
  /** The neck that its places are on; null: the study's. */
  readonly instrument: Instrument | null;
  readonly notes: LickNote[];
  /** Milliseconds since 1970; null: not yet. */
  readonly practisedAt: number | null;
  /** The scale it was left in when its study moved to another key or mode and it did not fit; null where it is at home. */
  readonly stayed: ScaleRef | null;
}

const LONGEST_TAG = 30;
const LONGEST_ID = 40;
const LONGEST_NAME = 120;
const TEMPO: [number, number] = [20, 400];

export const tagList = () => list(name(LONGEST_TAG, 'a tag is not blank.'), MOST_TAGS);
export const time = () => number().strict().integer().nullable().defined().min(0);

const BEATS: unknown[] = [1, 2, 4, 8, 16, 32];
const STROKES = ['down', 'up'];
const JOINS = ['tie', 'hammer', 'pull', 'slide', 'tap'];
const TICKS: [number, number] = [1, 3840];
const BEND: [number, number] = [1, 5];
const FINGER: [number, number] = [1, 4];

export const noteSchema = built(() =>
  record<LickNote>({
    place: place().nullable().defined(),
    ticks: whole(...TICKS),
    join: string().strict().oneOf(JOINS),
    bend: number().strict().integer().min(BEND[0]).max(BEND[1]),
    release: boolean().strict(),
    stroke: string().strict().oneOf(STROKES),
    muted: boolean().strict(),
    finger: number().strict().integer().min(FINGER[0]).max(FINGER[1]),
  }).meta({ named: 'note' }),
);

export const isWhole = (value: unknown, [min, max]: [number, number]): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= min && value <= max;
const isOptional = (value: unknown, range: [number, number]): boolean => value === undefined || isWhole(value, range);

const NOTE_KEYS = built(() => new Set(Object.keys(noteSchema().fields)));
const PLACE_KEYS = built(() => new Set(Object.keys(place().fields)));
const PLAIN_PROTOTYPES: unknown[] = [Object.prototype, null];

/** A plain object with no keys but these. */
export function hasOnly(value: unknown, keys: ReadonlySet<string>): value is Record<string, unknown> {
  if (typeof value !== 'object' || value === null || !PLAIN_PROTOTYPES.includes(Object.getPrototypeOf(value))) return false;
  for (const key in value) if (!keys.has(key)) return false;
  return true;
}

export const isPlainPlace = (value: unknown): boolean =>
  hasOnly(value, PLACE_KEYS()) && isWhole(value.string, [1, 12]) && isWhole(value.fret, [0, 36]);

/** What the schema of a note passes, without asking it: lists of 80,000 notes are checked by this. */
export const isPlainNote = (value: unknown): boolean =>
  hasOnly(value, NOTE_KEYS()) &&
  (value.place === null || isPlainPlace(value.place)) &&
  isWhole(value.ticks, TICKS) &&
  (value.join === undefined || (typeof value.join === 'string' && JOINS.includes(value.join))) &&
  isOptional(value.bend, BEND) &&
  isOptional(value.finger, FINGER) &&
  (value.muted === undefined || typeof value.muted === 'boolean') &&
  (value.release === undefined || typeof value.release === 'boolean') &&
  (value.stroke === undefined || (typeof value.stroke === 'string' && STROKES.includes(value.stroke)));

/** One neck beside a study's; null: the study's own. */
export const otherNeck = () =>
  lazy((value: unknown) => (value === null ? mixed().nullable() : instrumentSchema())).meta(
    published({ is: 'any', of: [null, instrumentSchema()] }),
  );

export const lickSchema = built(() =>
  record<Lick>({
    id: id().max(LONGEST_ID),
    name: name(LONGEST_NAME, 'give the lick a name.'),
    tags: tagList(),
    tempo: number().strict().required().min(TEMPO[0]).max(TEMPO[1]),
    meter: wholes(1, 32, { min: 2, max: 2 }).test(
      'beat',
      'meter: the beat is 1, 2, 4, 8, 16 or 32.',
      (v) => !Array.isArray(v) || BEATS.includes(v[1]),
    ),
    instrument: otherNeck(),
    notes: list(noteSchema(), MOST_LICK_NOTES, { plainly: isPlainNote }),
    practisedAt: time(),
    stayed: scaleRefSchema().nullable().defined(),
  }),
);

const LICK_KEYS = built(() => new Set(Object.keys(lickSchema().fields)));
const isPlainList = (value: unknown, max: number, plainly: (member: unknown) => boolean): boolean =>
  Array.isArray(value) && value.length <= max && value.every(plainly);
const isPlainMeter = (value: unknown): boolean =>
  Array.isArray(value) && value.length === 2 && isWhole(value[0], [1, 32]) && BEATS.includes(value[1]);

/** What the schema of a lick passes, without asking it: the usual lick, on its study's neck and in its scale. */
export const isPlainLick = (value: unknown): boolean =>
  hasOnly(value, LICK_KEYS()) &&
  typeof value.id === 'string' &&
  value.id.length <= LONGEST_ID &&
  ID.test(value.id) &&
  isPlainName(value.name, LONGEST_NAME) &&
  isPlainList(value.tags, MOST_TAGS, (tag) => isPlainName(tag, LONGEST_TAG)) &&
  typeof value.tempo === 'number' &&
  value.tempo >= TEMPO[0] &&
  value.tempo <= TEMPO[1] &&
  isPlainMeter(value.meter) &&
  value.instrument === null &&
  value.stayed === null &&
  (value.practisedAt === null || isWhole(value.practisedAt, [0, Number.MAX_SAFE_INTEGER])) &&
  isPlainList(value.notes, MOST_LICK_NOTES, isPlainNote);

/** Licks of a study: each on its neck, no two of one id. */
export const licksSchema = built(() =>
  mixed<Lick[]>()
    .defined()
    .meta(published({ is: 'list', of: lickSchema(), min: 0, max: MOST_LICKS }))
    .test('licks', (value, context) => {
      const wrong = checkList(lickSchema(), MOST_LICKS, { plainly: isPlainLick }, value, context);
      if (wrong !== true) return wrong;
      const licks = value;
      const { instrument } = (context.parent ?? {}) as { readonly instrument: Instrument };
      if (!instrumentSchema().isValidSync(instrument, { strict: true })) return true; // said of the instrument
      if (new Set(licks.map((l) => l.id)).size !== licks.length)
        return context.createError({ message: 'licks: two licks have the same id.' });
      for (const [k, lick] of licks.entries()) {
        try {
          checkLick(lick.instrument ?? instrument, lick.notes);
        } catch (e) {
          if (!(e instanceof CoreError)) throw e;
          return context.createError({ path: `licks[${k}].${e.field}`, message: `${lick.name}: ${e.message}` });
        }
      }
      return true;
    }),
);
