import { MOST_LICK_NOTES, MOST_LICKS, type Lick } from '../../contract';
import { barTicks, CoreError, placeNotes, type FingeringSchool, type Hand, type Instrument, type PitchedNote } from '../../core';
import type { FileLine } from '../../formats/line';
import { stringsWord } from '../words/tuning-text';
import { newId, sameNeck } from './licks';

/** The study that a file's line is meant for. */
export interface Into {
  instrument: Instrument;
  tempo: number;
  school: FingeringSchool;
  hand: Hand;
  /** Licks that it has room for. */
  room: number;
}

export type Made = { licks: Lick[]; remarks: string[] } | { why: string };

/** The neck that a file's line is meant for: the study's where the strings are the same or none are named, else one of its own. */
export function neckFor(instrument: Instrument, line: FileLine): Instrument {
  if (!line.open) return instrument;
  const frets = Math.min(36, Math.max(instrument.frets, ...line.notes.map((n) => n.place?.fret ?? 0)));
  const own: Instrument = {
    ...instrument,
    name: stringsWord(line.open.length),
    strings: line.open.map((open) => ({ open })),
    frets,
    capo: Math.min(line.capo, frets - 5),
  };
  return sameNeck(own, instrument) ? instrument : own;
}

/** A line cut at barlines into parts that a lick can hold; what is tied over a cut is struck. */
function partsOf(notes: readonly PitchedNote[], perBar: number): { notes: PitchedNote[]; bars: [number, number] }[] {
  const parts: { notes: PitchedNote[]; bars: [number, number] }[] = [];
  let at = 0;
  let cut = 0;
  let from = 0;
  for (let k = 0; k < notes.length; k++) {
    const full = k - cut >= MOST_LICK_NOTES - 40;
    if ((full && at % perBar === 0) || k - cut >= MOST_LICK_NOTES) {
      parts.push({ notes: struck(notes.slice(cut, k)), bars: [from / perBar + 1, at / perBar] });
      [cut, from] = [k, at];
    }
    at += notes[k].ticks;
  }
  parts.push({ notes: struck(notes.slice(cut)), bars: [from / perBar + 1, at / perBar] });
  return parts;
}

function struck(notes: PitchedNote[]): PitchedNote[] {
  if (!notes[0]?.join) return notes;
  const first = { ...notes[0] };
  delete first.join;
  return [first, ...notes.slice(1)];
}

/** Licks out of what a file says, placed by the best route where it has no places; or why not. */
export function licksFromLine(into: Into, line: FileLine): Made {
  const neck = neckFor(into.instrument, line);
  const parts = partsOf(line.notes, barTicks(line.meter)).filter((p) => p.notes.some((n) => n.midi !== null));
  if (parts.length > into.room)
    return { why: `It makes ${parts.length} licks; this study has room for ${into.room} (${MOST_LICKS} in all). Make a new study for it.` };
  try {
    const licks = parts.map(({ notes, bars }): Lick => ({
      id: newId(),
      name:
        parts.length > 1
          ? `${line.name.slice(0, 90)}, bars ${Math.floor(bars[0])} to ${Math.ceil(bars[1])}`
          : line.name.slice(0, 120) || 'From a tab',
      tags: [],
      tempo: Math.max(20, Math.min(400, line.tempo ?? into.tempo)),
      meter: line.meter,
      instrument: sameNeck(neck, into.instrument) ? null : neck,
      notes: placeNotes(neck, notes, { school: into.school, hand: into.hand }),
      practisedAt: null,
      stayed: null,
    }));
    return {
      licks,
      remarks: parts.length > 1 ? [`Cut into ${parts.length} licks at barlines: a lick has at most ${MOST_LICK_NOTES} notes.`] : [],
    };
  } catch (e) {
    if (e instanceof CoreError) return { why: e.message };
    throw e;
  }
}
