import type { StudyBody } from '../../../contract';
import { CoreError, defaultSchool, openMidis, nutFret, placeNotes, writtenLine, type Instrument, type TimedNote } from '../../../core';
import { addLick, freshLick } from '../licks';
import { MOST_LICK_NOTES, MOST_LICKS } from '../../../contract';

export const KEPT_BARS = 8;

/** What of heard notes an instrument has. */
export function onNeck(i: Instrument, heard: readonly TimedNote[]): TimedNote[] {
  const open = openMidis(i);
  const [low, high] = [Math.min(...open) + nutFret(i), Math.max(...open) + i.frets];
  return heard.filter((n) => n.midi >= low && n.midi <= high);
}

/** The last bars that were heard as a lick of the study, opened; or why not. */
export function keepPlayed(
  body: StudyBody,
  heard: readonly TimedNote[],
  name: string,
): { readonly edit: Partial<StudyBody> } | { readonly why: string } {
  const { instrument, hand } = body;
  const pitched = writtenLine(onNeck(instrument, heard), body.tempo, KEPT_BARS);
  if (!pitched.length) return { why: 'Nothing of what was played lies on this neck.' };
  if (pitched.length > MOST_LICK_NOTES) return { why: `It has ${pitched.length} notes; a lick holds ${MOST_LICK_NOTES}.` };
  try {
    const notes = placeNotes(instrument, pitched, { school: body.school ?? defaultSchool(body.layout), hand });
    const edit = addLick(body, { ...freshLick(body, name), notes });
    return edit ? { edit } : { why: `A study holds ${MOST_LICKS} licks: delete one first.` };
  } catch (e) {
    if (e instanceof CoreError) return { why: e.message };
    throw e;
  }
}
