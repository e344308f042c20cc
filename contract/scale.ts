import './words';
import { mixed } from 'yup';
import { checkDegree, checkNote, DEGREE_SEMITONES, degreesOf, type DegreeName, type ScaleRef } from '../core';
import { passes } from './checks';
import { built, list, record } from './parts';
import { published } from './published';

/** The forms of what the core checks: a note without its octave, a degree against the major scale, degrees of a scale, or a scale by its id. */
const NOTE = { type: 'string', pattern: '^[A-G](#{0,2}|b{0,2})$' };
const DEGREE = { enum: Object.keys(DEGREE_SEMITONES) };
const DEGREES = { type: 'array', items: DEGREE, minItems: 2, maxItems: 12 };
const SCALE = { anyOf: [{ type: 'string', minLength: 1 }, DEGREES] };

export const scaleRefSchema = built(() =>
  record<ScaleRef>({
    tonic: mixed<string>().required().meta(published({ is: 'checked', form: NOTE })).test('note', passes((v) => checkNote(v))), // prettier-ignore
    scale: mixed<string | DegreeName[]>().required().meta(published({ is: 'checked', form: SCALE })).test('scale', passes((v) => degreesOf(v as ScaleRef['scale']))), // prettier-ignore
  }).meta({ named: 'scaleRef' }),
);

const degree = built(() => mixed<DegreeName>().required().meta(published({ is: 'checked', form: DEGREE })).test('degree', passes((v) => checkDegree(v)))); // prettier-ignore

/** Degrees in any order. */
export const degreeList = () => list(degree(), 12);

/** Degrees that make a scale. */
export const scaleDegrees = () => mixed<DegreeName[]>().required().meta(published({ is: 'checked', form: DEGREES })).test('scale', passes((v) => degreesOf(v as DegreeName[]))); // prettier-ignore
