import type { KeptProgression } from '../../contract';
import { barQuarters } from '../../core';
import { lastAt } from '../sound/follow';
import type { Form } from './progressions';

/** Where the ear is in the form. */
export interface Ear {
  /** The chord that is heard, -1 for none. */
  readonly at: number;
  /** Pulses until the next one begins: 1 is the last. */
  readonly left: number;
  /** The beat of the count-in, from 1; 0 outside it. */
  readonly counting: number;
}

/** What is heard: a form, the bars of it that go round, and its meter. */
export interface Heard {
  readonly form: Form;
  readonly range: [number, number];
  readonly meter: KeptProgression['meter'];
}

/** Nothing is heard. */
export const NOWHERE: Ear = { at: -1, left: 0, counting: 0 };

/** Where a place in a pass lies in the form. Beats are quarters from the first bar that goes round. */
export function earAt(pass: number, beat: number, { form, range, meter }: Heard): Ear {
  const unit = 4 / meter[1];
  if (pass === 0) return { at: -1, left: 0, counting: Math.floor(beat / unit) + 1 };
  const quarters = range[0] * barQuarters(meter) + beat;
  const at = lastAt(form.starts, quarters + 1e-6);
  if (at < 0 || quarters >= form.chords[at]!.to) return NOWHERE;
  return { at, left: Math.max(1, Math.ceil((form.chords[at]!.to - quarters) / unit - 1e-6)), counting: 0 };
}
