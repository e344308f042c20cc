import { MOST_LICK_NOTES, type Lick, type StudyBody } from '../../contract';
import {
  midiOf,
  nutFret,
  pitchedNotes,
  placeNotes,
  placesOf,
  soundJoins,
  type FingeringSchool,
  type Hand,
  type Instrument,
  type Join,
  type LickNote,
  type Place,
} from '../../core';

/** Fields of one lick, as a change to the study. Joins that no longer hold are let go. */
export const changeLick = (body: StudyBody, id: string, fields: Partial<Lick>): Partial<StudyBody> => ({
  licks: body.licks.map((l) => (l.id === id ? { ...l, ...fields, ...(fields.notes ? { notes: soundJoins(fields.notes) } : {}) } : l)),
});

/** Notes of a lick changed, and where the caret stands then. */
export interface NotesEdit {
  readonly notes: LickNote[];
  readonly caret: number;
}

/** A note or rest after the caret; null where the lick is full. */
export const insertNote = (notes: LickNote[], caret: number, note: LickNote): NotesEdit | null =>
  notes.length >= MOST_LICK_NOTES ? null : { notes: [...notes.slice(0, caret + 1), note, ...notes.slice(caret + 1)], caret: caret + 1 };

export const removeNote = (notes: LickNote[], caret: number): NotesEdit => ({
  notes: notes.filter((_, k) => k !== caret),
  caret: Math.max(notes.length > 1 ? 0 : -1, caret - 1),
});

const setNote = (notes: LickNote[], caret: number, make: (n: LickNote) => LickNote): NotesEdit => ({
  notes: notes.map((n, k) => (k === caret ? make(n) : n)),
  caret,
});

/** Every note from one to another, both included, with a length. */
export const setTicksOf = (notes: LickNote[], from: number, to: number, ticks: number): LickNote[] =>
  notes.map((n, k) => (k >= from && k <= to ? { ...n, ticks } : n));

/** The same join again takes it away. */
export const toggleJoin = (notes: LickNote[], caret: number, join: Join): NotesEdit =>
  setNote(notes, caret, (n) => {
    const { join: before, ...plain } = n;
    return before === join || !n.place ? plain : { ...plain, join };
  });

export const toggleMuted = (notes: LickNote[], caret: number): NotesEdit =>
  setNote(notes, caret, ({ muted, ...n }) => (muted || !n.place ? n : { ...n, muted: true }));

/** No bend, then a half step, a whole step, three half steps, none again. */
export const turnBend = (notes: LickNote[], caret: number): NotesEdit =>
  setNote(notes, caret, ({ bend = 0, release, ...n }) =>
    bend >= 3 || !n.place ? n : { ...n, bend: bend + 1, ...(release ? { release } : {}) },
  );

/** A bend is let down again, or held; what is not bent stays as it is. */
export const toggleRelease = (notes: LickNote[], caret: number): NotesEdit =>
  setNote(notes, caret, ({ release, ...n }) => (release || !n.bend ? n : { ...n, release: true }));

/** The stroke is found by the picking, then settled down, then up, then found again. */
export const turnStroke = (notes: LickNote[], caret: number): NotesEdit =>
  setNote(notes, caret, ({ stroke, ...n }) => (stroke === 'up' || !n.place ? n : { ...n, stroke: stroke ? 'up' : 'down' }));

export const makeRest = (notes: LickNote[], caret: number): NotesEdit => setNote(notes, caret, ({ ticks }) => ({ place: null, ticks }));

/** The caret's note on a place; a tied note takes along what it is tied to. */
export function placeNote(notes: LickNote[], caret: number, place: Place): NotesEdit {
  let from = caret;
  while (notes[from]?.join === 'tie') from--;
  let to = caret;
  while (notes[to + 1]?.join === 'tie') to++;
  return { notes: notes.map((n, k) => (k >= from && k <= to ? { ...n, place } : n)), caret };
}

/** A fret up or down on the string; stays on the neck. */
export function moveFret(i: Instrument, notes: LickNote[], caret: number, by: number): NotesEdit | null {
  const place = notes[caret]?.place;
  if (!place) return null;
  const fret = place.fret + by;
  return fret < nutFret(i) || fret > i.frets ? null : placeNote(notes, caret, { string: place.string, fret });
}

/** The same pitch on the next thinner (-1) or thicker (1) string that has it. */
export function moveString(i: Instrument, notes: LickNote[], caret: number, by: 1 | -1): NotesEdit | null {
  const place = notes[caret]?.place;
  if (!place) return null;
  const midi = midiOf(i.strings[place.string - 1]!.open) + place.fret;
  const next = placesOf(i, midi).filter((p) => (p.string - place.string) * by > 0).sort((a, b) => (a.string - b.string) * by)[0]; // prettier-ignore
  return next ? placeNote(notes, caret, next) : null;
}

/** A lick with other pitches, note by note: each stays on its string where it can, else goes where it fits best. Throws NO_ROUTE. */
export function withPitches(
  neck: Instrument,
  notes: readonly LickNote[],
  pitches: readonly number[],
  o: { readonly school: FingeringSchool; readonly hand: Hand },
): LickNote[] {
  let k = -1;
  const pitched = pitchedNotes(neck, notes).map((n) => {
    if (n.midi === null) return n;
    if (n.join !== 'tie') k++;
    const fret = (n.place?.fret ?? 0) + pitches[k]! - n.midi;
    const stays = n.place && fret >= nutFret(neck) && fret <= neck.frets;
    return { ...n, midi: pitches[k]!, place: stays ? { string: n.place?.string ?? 1, fret } : undefined! };
  });
  return placeNotes(neck, pitched, o);
}
