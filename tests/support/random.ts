import fc from 'fast-check';
import { layOut, type Instrument, type Layout, type ScaleRef, type Shape, CoreError, DEGREE_SEMITONES, pitchName } from '../../core';

/** Any strings at all, re-entrant ones and unisons included. */
export const anyInstrument: fc.Arbitrary<Instrument> = fc
  .record({
    open: fc.array(fc.integer({ min: 24, max: 76 }), { minLength: 1, maxLength: 9 }),
    frets: fc.integer({ min: 12, max: 36 }),
    scaleLengthMm: fc.integer({ min: 400, max: 900 }),
    capo: fc.integer({ min: 0, max: 4 }),
  })
  .map(({ open, ...rest }) => ({ name: 'any', strings: open.map((m) => ({ open: pitchName(m) })), ...rest }));

/** Strings a second to a sixth apart, as on most instruments, thinnest first. */
export const usualInstrument: fc.Arbitrary<Instrument> = fc
  .record({
    lowest: fc.integer({ min: 28, max: 45 }),
    steps: fc.array(fc.integer({ min: 2, max: 9 }), { minLength: 1, maxLength: 8 }),
    frets: fc.integer({ min: 15, max: 30 }),
  })
  .map(({ lowest, steps, frets }) => {
    const open = steps.reduce((all, s) => [...all, all[all.length - 1]! + s], [lowest]);
    return { name: 'usual', strings: open.reverse().map((m) => ({ open: pitchName(m) })), frets, scaleLengthMm: 648 };
  });

const TONICS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const BY_SOUND = [...new Map(Object.entries(DEGREE_SEMITONES).map(([d, s]) => [s, d])).entries()]
  .sort((a, b) => a[0] - b[0])
  .map(([, d]) => d);

/** Any set of 2 to 12 degrees with a root. */
export const anyScale: fc.Arbitrary<ScaleRef> = fc
  .record({ tonic: fc.constantFrom(...TONICS), rest: fc.subarray(BY_SOUND.slice(1), { minLength: 1 }) })
  .map(({ tonic, rest }) => ({ tonic, scale: ['1', ...rest] }));

const SEVEN = [
  'ionian',
  'dorian',
  'phrygian',
  'lydian',
  'mixolydian',
  'aeolian',
  'locrian',
  'harmonic minor',
  'melodic minor',
  'phrygian dominant',
  'minor pentatonic',
  'major pentatonic',
  'minor blues',
];
export const namedScale: fc.Arbitrary<ScaleRef> = fc.record({ tonic: fc.constantFrom(...TONICS), scale: fc.constantFrom(...SEVEN) });

/** The shapes, or none where the core says that the layout does not exist here; any other error is a failure. */
export function shapesOr(i: Instrument, ref: ScaleRef, layout: Layout): Shape[] {
  try {
    return layOut(i, ref, layout);
  } catch (e) {
    if (e instanceof CoreError && (e.code === 'NO_SHAPE_FITS' || e.code === 'NO_SKELETON')) return [];
    throw e;
  }
}

/** Six strings, E A D G B E. */
export const guitar = (frets = 22): Instrument => ({
  name: 'guitar',
  strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })),
  frets,
  scaleLengthMm: 648,
});
