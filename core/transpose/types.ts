import type { DegreeName, NoteName, Place, ScaleRef } from '../types';

/** What may be wrong with a note of a moved line. */
export type LineProblem = 'off-scale' | 'off-neck' | 'too-wide' | 'too-fast' | 'same-finger' | 'not-an-octave';

/** What is wrong with a note of a line, and the place that was probably meant. */
export interface LineFault {
  /** Which note, from 0. */
  readonly index: number;
  /** What is wrong with it. */
  readonly problem: LineProblem;
  /** The note. */
  readonly note: NoteName;
  /** Where it could be played instead. */
  readonly suggestion?: Place;
  /** Off the scale: what the note is above the tonic, and the scales that one would play with it in. */
  readonly degree?: DegreeName;
  /** Scales that it belongs to. */
  readonly scales?: ScaleRef[];
}
