import { checkNumber } from '../errors';
import { openMidis } from '../instrument';
import { hertzOf } from '../pitch';
import type { Instrument } from '../types';

/** How a string stands against the pitch it is to have. */
export interface StringReading {
  /** The number of the string it is nearest to. */
  readonly string: number;
  /** More than 0 is sharp. */
  readonly cents: number;
}

/** A string is in tune within so many cents; sharp by more than the second it is under more tension than it was made for. */
export const TUNE = Object.freeze({ fine: 3, over: 150 });

/**
 * Cents from a MIDI pitch to a frequency in Hz.
 * @example centsFrom(440, 69) // 0
 */
export const centsFrom = (hz: number, midi: number): number =>
  1200 * Math.log2(checkNumber('BAD_OPTION', 'hz', hz, 5, 20_000) / hertzOf(midi));

/**
 * The open string a frequency is nearest to, and how far it is off; of two as near (courses in unison) the thinner one. Throws BAD_OPTION outside 5 to 20,000 Hz.
 * @example nearestString(six, 110).string // 5
 */
export function nearestString(i: Instrument, hz: number): StringReading {
  return openMidis(i)
    .map((midi, k): StringReading => ({ string: k + 1, cents: centsFrom(hz, midi) }))
    .reduce((a, b) => (Math.abs(b.cents) < Math.abs(a.cents) ? b : a));
}
