import { MOST_LICK_NOTES, type Lick, type StudyBody } from '../../contract';
import { CoreError, placeNotes, type Instrument, type PitchedNote } from '../../core';
import type { FileLine } from '../../formats/line';
import { newId, sameNeck } from './licks';

export type Made = { lick: Lick } | { why: string };

/** The neck that a file's line is meant for: the study's where the strings are the same or none are named, else one of its own. */
export function neckFor(body: StudyBody, line: FileLine): Instrument {
  const { instrument } = body;
  if (!line.open) return instrument;
  const frets = Math.max(instrument.frets, ...line.notes.map((n) => n.place?.fret ?? 0));
  const own: Instrument = {
    ...instrument,
    name: `${line.open.length} strings`,
    strings: line.open.map((open) => ({ open })),
    frets,
    capo: line.capo,
  };
  const same = sameNeck({ ...own, frets: instrument.frets }, instrument);
  return same && frets === instrument.frets ? instrument : own;
}

/** A lick out of what a file says, placed by the best route where it has no places; or why not. */
export function lickFromLine(body: StudyBody, line: FileLine, notes: readonly PitchedNote[] = line.notes): Made {
  const neck = neckFor(body, line);
  if (notes.length > MOST_LICK_NOTES)
    return { why: `That is ${notes.length} notes and rests; a lick has at most ${MOST_LICK_NOTES}. Choose a part of it.` };
  try {
    const placed = placeNotes(neck, notes, { school: body.school ?? 'finger-per-fret', hand: { size: body.hand } });
    return {
      lick: {
        id: newId(),
        name: line.name.slice(0, 120) || 'From a file',
        tags: [],
        tempo: Math.max(20, Math.min(400, line.tempo ?? body.tempo)),
        meter: line.meter,
        instrument: sameNeck(neck, body.instrument) ? null : neck,
        notes: placed,
        practisedAt: null,
      },
    };
  } catch (e) {
    if (e instanceof CoreError) return { why: e.message };
    throw e;
  }
}
