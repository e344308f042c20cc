import './words';
import { mixed } from 'yup';
import { checkDegree, checkNote, degreesOf, type DegreeName, type ScaleRef } from '../core';
import { passes } from './checks';
import { list, record } from './parts';

export const scaleRefSchema = record<ScaleRef>({
  tonic: mixed<string>().required().test('note', passes((v) => checkNote(v))), // prettier-ignore
  scale: mixed<string | DegreeName[]>().required().test('scale', passes((v) => degreesOf(v as ScaleRef['scale']))), // prettier-ignore
});

const degree = mixed<DegreeName>().required().test('degree', passes((v) => checkDegree(v))); // prettier-ignore

/** Degrees in any order. */
export const degreeList = () => list(degree, 12);

/** Degrees that make a scale. */
export const scaleDegrees = () => mixed<DegreeName[]>().required().test('scale', passes((v) => degreesOf(v as DegreeName[]))); // prettier-ignore
