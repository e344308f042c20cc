import { array, boolean, number, object, string } from 'yup';
import { checkInstrument, LIMITS, type Instrument } from '../core';
import { passes } from './checks';

/** Strings of an instrument, string 1 first. Lengths and gauges in millimetres. */
const stringSchema = object({
  open: string().strict().required('open: give a pitch, such as E2.').max(6),
  gaugeMm: number().strict().min(LIMITS.gaugeMm[0]).max(LIMITS.gaugeMm[1]),
  wound: boolean().strict(),
  scaleLengthMm: number().strict().min(LIMITS.scaleLengthMm[0]).max(LIMITS.scaleLengthMm[1]),
})
  .noUnknown()
  .strict();

/** An instrument as the server keeps it. Unknown fields are refused; what the core refuses is refused here too. */
export const instrumentSchema = object({
  name: string().strict().trim().required('name: give the instrument a name.').max(80),
  strings: array().of(stringSchema).strict().required().min(1).max(12),
  frets: number().strict().integer().required().min(LIMITS.frets[0]).max(LIMITS.frets[1]),
  scaleLengthMm: number().strict().required().min(LIMITS.scaleLengthMm[0]).max(LIMITS.scaleLengthMm[1]),
  capo: number().strict().integer().min(0).max(35),
  handedness: string().strict().oneOf(['right', 'left']),
})
  .noUnknown()
  .strict()
  .required()
  .test('core', passes((value) => checkInstrument(value as Instrument), true)); // prettier-ignore
