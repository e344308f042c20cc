import type { Instrument } from '../../core';

/** A plain six-string guitar, for studies that begin from nothing. */
export const NEW_INSTRUMENT: Instrument = {
  name: 'Six string',
  strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })),
  frets: 22,
  scaleLengthMm: 648,
  capo: 0,
  handedness: 'right',
};
