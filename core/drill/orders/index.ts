import type { DrillOrder } from '../types';
import { chordTones } from './chord-tones';
import { fromRoot } from './from-root';
import { groups } from './groups';
import { intervals } from './intervals';
import { octaves } from './octaves';
import { random } from './random';
import { rootBetween } from './root-between';
import type { OrderRule } from './rule';
import { down, downUp, up, upDown } from './straight';

/** Every order there is: a line here and a file beside it. */
export const ORDERS: Readonly<Record<DrillOrder, OrderRule>> = Object.freeze({
  'up-down': upDown,
  'down-up': downUp,
  up,
  down,
  'from-root': fromRoot,
  'root-between': rootBetween,
  octaves,
  groups,
  intervals,
  'chord-tones': chordTones,
  random,
} satisfies Readonly<Record<DrillOrder, OrderRule>>);
