import type { StudyBody } from '../../contract';
import { defaultSchool, fretDistanceMm, layOut, stringsUpward, type Hand, type HandReach, type Instrument } from '../../core';

/** Where a hand is measured: low, in the middle, and at the octave. */
export const MEASURED_FRETS = [1, 5, 12] as const;

/** What a hand of usual size reaches there, in half frets: something to begin from. */
export const USUAL_REACHES: HandReach[] = [
  { fret: 1, comfortable: 3, most: 4 },
  { fret: 5, comfortable: 4, most: 5 },
  { fret: 12, comfortable: 6, most: 8 },
];

/** "116 mm at most": how far the most is. */
export function reachWords(i: Instrument, { fret, most }: HandReach): string {
  const [string] = stringsUpward(i);
  const whole = Math.floor(most);
  const at = (f: number): number => fretDistanceMm(i, string!, fret, Math.min(i.frets, fret + f));
  const mm = at(whole) + (most - whole) * (at(whole + 1) - at(whole));
  return `${Math.round(mm)} mm at most`;
}

/** How many notes of the study's shapes another hand would finger otherwise. */
export function changedFingers(body: StudyBody, hand: Hand): string {
  const { instrument, scale, layout, school, hand: now } = body;
  const by = school ?? defaultSchool(layout);
  const fingers = (h: Hand): string[] =>
    layOut(instrument, scale, layout, { school: by, hand: h }).flatMap((s) => s.notes.map((n) => `${s.number}/${n.string}/${n.fret}: ${n.finger ?? 0}`)); // prettier-ignore
  const before = new Set(fingers(now));
  const changed = fingers(hand).filter((f) => !before.has(f)).length;
  return changed ? `${changed} ${changed === 1 ? 'note' : 'notes'} of this study’s shapes ${changed === 1 ? 'gets' : 'get'} another finger.` : 'No finger of this study’s shapes changes.'; // prettier-ignore
}
