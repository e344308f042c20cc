import type { KeptProgression } from '../../contract';
import { barQuarters } from '../../core';
import { lastAt } from '../sound/follow';
import type { Form } from './progressions';

/** Where the ear is in the form. */
export interface Ear {
  /** The chord that is heard, -1 for none. */
  at: number;
  /** Pulses until the next one begins: 1 is the last. */
  left: number;
  /** The beat of the count-in, from 1; 0 outside it. */
  counting: number;
}

/** The bars that go round: the whole form where no loop is set, or where it lies beyond the end. */
export const loopOf = (p: Pick<KeptProgression, 'loop'>, bars: number): [number, number] =>
  p.loop && p.loop[0] < bars ? [p.loop[0], Math.min(p.loop[1], bars - 1)] : [0, Math.max(0, bars - 1)];

/** What is heard: a form, the bars of it that go round, and its meter. */
export interface Heard {
  form: Form;
  range: [number, number];
  meter: KeptProgression['meter'];
}

/** Nothing is heard. */
export const NOWHERE: Ear = { at: -1, left: 0, counting: 0 };

/** Where a place in a pass lies in the form. Beats are quarters from the first bar that goes round. */
export function earAt(pass: number, beat: number, { form, range, meter }: Heard): Ear {
  const unit = 4 / meter[1];
  if (pass === 0) return { at: -1, left: 0, counting: Math.floor(beat / unit) + 1 };
  const quarters = range[0] * barQuarters(meter) + beat;
  const at = lastAt(form.chords.map((c) => c.from), quarters + 1e-6); // prettier-ignore
  if (at < 0 || quarters >= form.chords[at].to) return NOWHERE;
  return { at, left: Math.max(1, Math.ceil((form.chords[at].to - quarters) / unit - 1e-6)), counting: 0 };
}
