import { MOST_LICK_NOTES, type KeptProgression, type Lick, type StudyBody } from '../../contract';
import {
  barQuarters,
  CoreError,
  defaultSchool,
  guideLine,
  LONGEST_NOTE,
  plainPlace,
  sameScale,
  studyLine,
  TICKS,
  type Bar,
  type FingeredStep,
  type LickNote,
} from '../../core';
import { addLick, freshLick } from './licks';
import { formOf, loopOf, type FormChord } from './progressions';

/** The bars that lines are made of: those that go round, else all. */
export function barsOfLines(p: KeptProgression): { readonly bars: Bar[]; readonly chords: FormChord[]; readonly start: number } {
  const { bars, chords } = formOf(p);
  const [from, to] = loopOf(p, bars.length);
  return { bars: bars.slice(from, to + 1), chords: chords.filter((c) => c.bar >= from && c.bar <= to), start: from * barQuarters(p.meter) };
}

/** A length as one note, or as several tied ones; rests are not tied. */
function lengths(place: FingeredStep | null, ticks: number): LickNote[] {
  const notes: LickNote[] = [];
  for (let rest = Math.round(ticks); rest > 0; rest -= LONGEST_NOTE) {
    const own = place ? { place: plainPlace(place), ...(place.finger > 0 ? { finger: place.finger } : {}) } : { place: null };
    notes.push({ ...own, ticks: Math.min(LONGEST_NOTE, rest), ...(place && notes.length ? { join: 'tie' as const } : {}) });
  }
  return notes;
}

const schoolOf = ({ school, layout }: StudyBody) => school ?? defaultSchool(layout);

/** The guide line as notes of a lick, each as long as its chord; rests where none sounds. */
export function guideNotes(body: StudyBody, p: KeptProgression, degrees: ('3' | '7')[], near: number): LickNote[] {
  const { bars, chords, start } = barsOfLines(p);
  const { steps } = guideLine(body.instrument, bars, { degrees, near, school: schoolOf(body) });
  const end = start + bars.length * barQuarters(p.meter);
  let at = start;
  const notes = chords.flatMap((c, k) => {
    const rest = c.from - at;
    at = c.to;
    return [...lengths(null, rest * TICKS), ...lengths(steps[k]!, (c.to - c.from) * TICKS)];
  });
  return [...notes, ...lengths(null, (end - at) * TICKS)];
}

export interface StudyAsked {
  readonly seed: number;
  readonly notesPerBeat: 1 | 2 | 3 | 4;
  readonly near: number;
}

/** A study line over the bars as notes of a lick; a beat is what the meter counts. */
export function studyNotes(body: StudyBody, p: KeptProgression, { seed, notesPerBeat, near }: StudyAsked): LickNote[] {
  const { bars } = barsOfLines(p);
  const { steps, ticks } = studyLine(body.instrument, bars, { home: p.home, seed, notesPerBeat, near, school: schoolOf(body) });
  return steps.flatMap((s, k) => lengths(s, (ticks[k]! * 4) / p.meter[1]));
}

/** A line as a lick of the study, opened; or why it cannot be one. */
export function lickOfLine(
  body: StudyBody,
  p: KeptProgression,
  name: string,
  make: () => LickNote[],
): { readonly lick: Partial<StudyBody> } | { readonly why: string } {
  let notes: LickNote[];
  try {
    notes = make();
  } catch (e) {
    if (e instanceof CoreError) return { why: e.message };
    throw e;
  }
  if (notes.length > MOST_LICK_NOTES)
    return {
      why: `That makes ${notes.length} notes; a lick holds ${MOST_LICK_NOTES}. Let fewer bars go round, or take fewer notes a beat.`,
    };
  const lick: Lick = {
    ...freshLick(body, name.slice(0, 120)),
    notes,
    tempo: p.tempo,
    meter: [...p.meter],
    stayed: sameScale(p.home, body.scale) ? null : p.home,
  };
  const edit = addLick(body, lick);
  return edit ? { lick: edit } : { why: 'The study keeps as many licks as it can. Delete one first.' };
}
