import './words';
import { boolean, number, string } from 'yup';
import { checkInstrument, LIMITS, type Instrument, type InstrumentString } from '../core';
import { passes } from './checks';
import { built, list, name, record } from './parts';

/** Strings of an instrument, string 1 first. Lengths and gauges in millimetres. */
const stringSchema = built(() =>
  record<InstrumentString>({
    open: string().strict().required().max(6),
    gaugeMm: number().strict().min(LIMITS.gaugeMm[0]).max(LIMITS.gaugeMm[1]),
    wound: boolean().strict(),
    scaleLengthMm: number().strict().min(LIMITS.scaleLengthMm[0]).max(LIMITS.scaleLengthMm[1]),
  }),
);

/** An instrument as the server keeps it. Unknown fields are refused; what the core refuses is refused here too. */
export const instrumentSchema = built(() => record<Instrument>({
  name: name(80, 'give the instrument a name.'),
  strings: list(stringSchema(), 12, { min: 1 }),
  frets: number().strict().integer().required().min(LIMITS.frets[0]).max(LIMITS.frets[1]),
  scaleLengthMm: number().strict().required().min(LIMITS.scaleLengthMm[0]).max(LIMITS.scaleLengthMm[1]),
  capo: number().strict().integer().min(0).max(35),
  handedness: string().strict().oneOf(['right', 'left']),
  countFrom: string().strict().oneOf(['nut', 'capo']),
})
  .required()
  .meta({ named: 'instrument' })
  .test('core', passes((value) => checkInstrument(value as Instrument), true))); // prettier-ignore
