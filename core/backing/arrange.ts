import { isOneOf } from '../typed';
import { checkOneOf, fail } from '../errors';
import { SILENT, type Bar } from '../progression';
import { bassOf } from './bass';
import { closeVoicing, compingOf } from './comping';
import { drumsOf } from './drums';
import { barQuarters, sectionEnds, spansOf, type Meter } from './pulses';
import { FEELS, METER_BEATS, METER_UNITS, type Backing, type Feel } from './types';

/** How a progression is backed. */
export interface BackingOptions {
  /** Beats of a bar and their unit. */
  readonly meter: Meter;
  /** How it is felt. */
  readonly feel: Feel;
  /** MIDI notes of the comping, lowest first, of every chord that sounds, in order; null or nothing: close position. */
  readonly voicings?: readonly (readonly number[] | null)[];
}

/**
 * Bass, comping and drums for a form, once through: times and lengths in quarters, on the grid of the meter and the feel. Bass and comping
 * are silent where no chord is; drums go on. Chords must be readable, as parseProgression leaves them. Throws BAD_OPTION.
 */
export function arrange(bars: readonly Bar[], { meter, feel, voicings = [] }: BackingOptions): Backing {
  checkOneOf('BAD_OPTION', 'feel', feel, FEELS);
  if (!isOneOf(METER_UNITS, meter[1])) fail('BAD_OPTION', 'meter', `meter: count in ${METER_UNITS.join(', ')}.`);
  if (!Number.isInteger(meter[0]) || meter[0] < METER_BEATS.min || meter[0] > METER_BEATS.max)
    fail('BAD_OPTION', 'meter', `meter: a bar has ${METER_BEATS.min} to ${METER_BEATS.max} beats.`);
  const bar = barQuarters(meter);
  const spans = spansOf(bars, meter);
  let sounding = 0;
  const notes = spans.map((s) => (s.symbol === SILENT ? [] : (voicings[sounding++] ?? closeVoicing(s.symbol))));
  const events = [
    ...bassOf(spans, meter, feel, bar),
    ...compingOf(spans, notes, meter, feel, bar, bars.length),
    ...drumsOf(bars.length, meter, feel, (k) => k * bar, sectionEnds(bars)),
  ];
  return { quarters: bar * bars.length, events: events.sort((a, b) => a.at - b.at) };
}
