import { array, boolean, lazy, mixed, number, string } from 'yup';
import { checkLick, CoreError, type Instrument, type LickNote } from '../core';
import { instrumentSchema } from './instrument';
import { list, place, record, whole } from './parts';

/** Most licks of a study, and most notes and rests of a lick. */
export const MOST_LICKS = 200;
export const MOST_LICK_NOTES = 400;
export const MOST_TAGS = 12;

/** A short line with rhythm. */
export interface Lick {
  /** Its own within the study. */
  id: string;
  name: string;
  tags: string[];
  tempo: number;
  meter: [number, number];
  /** The neck that its places are on; null: the study's. */
  instrument: Instrument | null;
  notes: LickNote[];
  /** Milliseconds since 1970; null: not yet. */
  practisedAt: number | null;
}

export const tagList = () => list(string().strict().trim().required().max(30), MOST_TAGS);
export const time = () => number().strict().integer().nullable().defined().min(0);

const noteSchema = record({
  place: place.nullable().defined(),
  ticks: whole(1, 3840),
  join: string().strict().oneOf(['tie', 'hammer', 'pull', 'slide']),
  bend: number().strict().integer().min(1).max(5),
  muted: boolean().strict(),
  finger: number().strict().integer().min(1).max(4),
});

export const lickSchema = record({
  id: string().strict().required().max(40),
  name: string().strict().trim().required('licks: give the lick a name.').max(120),
  tags: tagList(),
  tempo: number().strict().required().min(20).max(400),
  meter: array()
    .of(whole(1, 32))
    .strict()
    .length(2)
    .required()
    .test('beat', 'meter: the beat is 1, 2, 4, 8, 16 or 32.', (v) => [1, 2, 4, 8, 16, 32].includes(v[1])),
  instrument: lazy((value: unknown) => (value === null ? mixed().nullable() : instrumentSchema)),
  notes: list(noteSchema, MOST_LICK_NOTES),
  practisedAt: time(),
});

/** Licks of a study: each on its neck, no two of one id. */
export const licksSchema = mixed<Lick[]>()
  .required()
  .test('licks', (value, context) => {
    const schema = list(lickSchema, MOST_LICKS);
    schema.validateSync(value, { strict: true });
    const { instrument } = context.parent as { instrument: Instrument };
    const ids = new Set(value.map((l) => l.id));
    if (ids.size !== value.length) return context.createError({ message: 'licks: two licks have the same id.' });
    for (const [k, lick] of value.entries()) {
      try {
        checkLick(lick.instrument ?? instrument, lick.notes);
      } catch (e) {
        if (!(e instanceof CoreError)) throw e;
        return context.createError({ path: `licks[${k}].${e.field}`, message: `${lick.name}: ${e.message}` });
      }
    }
    return true;
  });
