import type { Place } from '../../core';
import { NTH_FINGER } from './shape-text';

/** A root as a player asks for it: a place, and the finger that is to take it. */
export interface RootWish extends Place {
  readonly finger?: number;
}

export const rootWords = ({ string, fret, finger }: RootWish): string =>
  `string ${string}, fret ${fret}${finger ? ` under the ${NTH_FINGER[finger]} finger` : ''}`;
