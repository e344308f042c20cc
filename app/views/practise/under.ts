import type { KeptProgression } from '../../../contract';
import { arrange, scaleNotes, semitonesOf, type ScaleRef } from '../../../core';
import { backingScore } from '../../sound/backing-score';
import type { SoundEvent } from '../../sound/engine/score';
import { barsOfLines } from '../../store/form-lines';
import type { Drilled } from '../../store/practice/drilled';

/** The lowest root of what lies under a drill lies in the octave from here up: E2. */
const LOW = 40;

/** MIDI numbers of what sounds at every return: the root and its octave, or root, third and fifth as the scale has them. */
export function underOf({ form, notes, returns }: Drilled, scale: ScaleRef): number[] {
  if (form.under === 'none' || form.under === 'backing' || !returns.length) return [];
  const root = LOW + ((((notes[returns[0]!]!.midi - LOW) % 12) + 12) % 12);
  if (form.under === 'drone') return [root, root + 12];
  // From a relative root the chord is the one that stands on it.
  const tonic = notes[returns[0]!]!.degree;
  const above = scaleNotes(scale).map((n) => (((n.semitones - semitonesOf(tonic)) % 12) + 12) % 12);
  const pick = (...wanted: number[]): number[] => wanted.filter((s) => above.includes(s)).slice(0, 1);
  return [root, ...pick(7, 6, 8).map((s) => root + s), ...pick(4, 3, 5).map((s) => root + 12 + s)];
}

/** The backing of a progression for so many beats: the bars that go round, again and again, cut off at the end. */
export function backingFor(p: KeptProgression, beats: number): SoundEvent[] {
  const { bars } = barsOfLines(p);
  if (!bars.length) return [];
  const once = backingScore(arrange(bars, { meter: p.meter, feel: p.feel }));
  const rounds = Math.ceil(beats / once.beats - 1e-6);
  return Array.from({ length: rounds }, (_, k) => once.events.map((e) => ({ ...e, beat: e.beat + k * once.beats })))
    .flat()
    .filter((e) => e.beat < beats - 1e-6)
    .map((e) => ({ ...e, beats: Math.min(e.beats, beats - e.beat) }));
}
