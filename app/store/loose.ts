import { plainStudy, type StudyBody } from '../../contract';
import type { Instrument } from '../../core';
import { usualHand } from './my-hand';

/** A plain six-string guitar, for what begins from nothing. */
export const NEW_INSTRUMENT: Instrument = {
  name: 'Six string',
  strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })),
  frets: 22,
  scaleLengthMm: 648,
  capo: 0,
  handedness: 'right',
};

/** What every study begins with: the sentence on the Map makes it what it is to be. */
export const freshStudy = (name: string, set: string): StudyBody => ({
  ...plainStudy(),
  name,
  set,
  note: '',
  instrument: structuredClone(NEW_INSTRUMENT),
  instrumentId: null,
  scale: { tonic: 'A', scale: 'minor pentatonic' },
  layout: { kind: 'box', numbering: 'minor-root' },
  school: null,
  hand: usualHand(),
  rung: { number: 1, fret: 5 },
  labels: 'degrees',
  tempo: 90,
});

/** A leaf that belongs to no study. */
export const blankLeaf = (): StudyBody => freshStudy('Loose leaf', '');
