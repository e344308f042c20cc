import { layOut, type Instrument, type Layout, type ScaleRef, type Shape } from '../../core';
import { guitar } from './random';

/** What the examples in the core's comments may name, besides what the core exports. */
const six: Instrument = guitar();
const dorian: ScaleRef = { tonic: 'D', scale: 'dorian' };
const minor: ScaleRef = { tonic: 'A', scale: 'minor-pentatonic' };
const boxes: Layout = { kind: 'box' };
const box: Shape = layOut(six, minor, boxes)[0]!;
/** A finger for every fret, a medium hand. */
const plain = { school: 'finger-per-fret' as const };
/** Two notes on the 6th string, two on the 5th: quarters. */
const lick = [
  { place: { string: 6, fret: 5 }, ticks: 480 },
  { place: { string: 6, fret: 8 }, ticks: 480 },
  { place: { string: 5, fret: 5 }, ticks: 480 },
  { place: { string: 5, fret: 7 }, ticks: 480 },
];
const ground = { instrument: six, scale: minor, layout: boxes, from: 0, to: 12 };

export const EXAMPLE_SCOPE = { six, dorian, minor, boxes, box, plain, lick, ground } as const;
