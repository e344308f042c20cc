import type { DegreeName, NoteName, Place, ScaleRef } from '../types';

export type LineProblem = 'off-scale' | 'off-neck' | 'too-wide' | 'too-fast' | 'same-finger' | 'not-an-octave';

/** What is wrong with a note of a line, and the place that was probably meant. */
export interface LineFault {
  index: number;
  problem: LineProblem;
  note: NoteName;
  suggestion?: Place;
  /** Off the scale: what the note is above the tonic, and the scales that one would play with it in. */
  degree?: DegreeName;
  scales?: ScaleRef[];
}
