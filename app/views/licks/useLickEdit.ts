import { useCallback, useRef, useState } from 'react';
import type { Lick } from '../../../contract';
import {
  TICKS,
  firstCounted,
  fretNumber,
  stepLength,
  toggleDot,
  toggleTriplet,
  type Instrument,
  type Join,
  type LickNote,
  type Place,
} from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import {
  changeLick,
  insertNote,
  makeRest,
  moveFret,
  moveString,
  openLick,
  placeNote,
  removeNote,
  setTicksOf,
  toggleJoin,
  toggleMuted,
  toggleRelease,
  turnBend,
  turnStroke,
  type NotesEdit,
} from '../../store/licks';

/** Two digits typed within this time are one fret, in ms. */
const DIGIT_MS = 700;

export interface LickEdit {
  readonly caret: number;
  readonly setCaret: (caret: number) => void;
  /** Notes chosen together, both ends included; the caret is one of them. */
  readonly chosen: { readonly from: number; readonly to: number };
  /** The choice grows or shrinks by a note. */
  readonly extend: (by: 1 | -1) => void;
  /** Every note of the lick gets a length. */
  readonly all: (ticks: number) => void;
  /** Length that the next note gets, in ticks. */
  readonly ticks: number;
  readonly setLength: (ticks: number) => void;
  readonly enter: (place: Place) => void;
  readonly put: (place: Place) => void;
  readonly rest: () => void;
  readonly remove: () => void;
  readonly longer: (by: 1 | -1) => void;
  readonly dot: () => void;
  readonly triplet: () => void;
  readonly join: (join: Join) => void;
  readonly mute: () => void;
  readonly bend: () => void;
  readonly release: () => void;
  readonly stroke: () => void;
  readonly fret: (by: number) => void;
  readonly string: (by: 1 | -1) => void;
  readonly digit: (digit: number) => void;
  readonly set: (fields: Partial<Lick>) => void;
}

/** Edits of the open lick, note by note, from a caret that stands on one of its notes (-1: before the first). */
export function useLickEdit(lick: Lick, neck: Instrument): LickEdit {
  const dispatch = useAppDispatch();
  const [at, setCaret] = useState(lick.notes.length - 1);
  const caret = Math.min(at, lick.notes.length - 1);
  /** Where a choice of several notes began; null where only the caret's note is chosen. */
  const [mark, setMark] = useState<number | null>(null);
  const chosen = mark === null ? { from: caret, to: caret } : { from: Math.min(mark, caret), to: Math.max(mark, caret) };
  const [ticks, setTicksNow] = useState(TICKS / 2);
  const typed = useRef({ digit: 0, at: 0 });

  const set = useCallback(
    (fields: Partial<Lick>) =>
      void dispatch(
        change(({ body }) => {
          const now = openLick(body);
          return now && changeLick(body, now.id, fields);
        }),
      ),
    [dispatch],
  );
  const apply = useCallback(
    (edit: NotesEdit | null) => {
      if (!edit) return;
      set({ notes: edit.notes });
      setMark(null);
      setCaret(edit.caret);
    },
    [set],
  );
  const { notes } = lick;
  const here = notes[caret] as LickNote | undefined;
  const length = (next: number): void => {
    setTicksNow(next);
    if (here) set({ notes: setTicksOf(notes, Math.max(0, chosen.from), chosen.to, next) });
  };
  const onNote = (make: (n: LickNote) => NotesEdit | null): void => {
    if (here) apply(make(here));
  };
  return {
    caret,
    chosen,
    extend: (by) => {
      setMark(mark ?? caret);
      setCaret(Math.max(0, Math.min(notes.length - 1, caret + by)));
    },
    all: (next) => set({ notes: setTicksOf(notes, 0, notes.length - 1, next) }),
    setCaret: (next) => {
      setMark(null);
      setCaret(next);
      const note = notes[next] as LickNote | undefined;
      if (note) setTicksNow(note.ticks);
    },
    ticks: here?.ticks ?? ticks,
    setLength: length,
    enter: (place) => apply(insertNote(notes, caret, { place, ticks: here?.ticks ?? ticks })),
    put: (place) => onNote(() => placeNote(notes, caret, place)),
    rest: () => (here?.place ? apply(makeRest(notes, caret)) : apply(insertNote(notes, caret, { place: null, ticks }))),
    remove: () => onNote(() => removeNote(notes, caret)),
    longer: (by) => length(stepLength(here?.ticks ?? ticks, by)),
    dot: () => length(toggleDot(here?.ticks ?? ticks)),
    triplet: () => length(toggleTriplet(here?.ticks ?? ticks)),
    join: (join) => onNote(() => toggleJoin(notes, caret, join)),
    mute: () => onNote(() => toggleMuted(notes, caret)),
    bend: () => onNote(() => turnBend(notes, caret)),
    release: () => onNote(() => toggleRelease(notes, caret)),
    stroke: () => onNote(() => turnStroke(notes, caret)),
    fret: (by) => onNote(() => moveFret(neck, notes, caret, by)),
    string: (by) => onNote(() => moveString(neck, notes, caret, by)),
    digit: (digit) =>
      onNote((n) => {
        if (!n.place) return null;
        const now = performance.now();
        const joined = typed.current.digit * 10 + digit;
        const number = now - typed.current.at < DIGIT_MS && joined <= fretNumber(neck, neck.frets) ? joined : digit;
        typed.current = { digit: number, at: now };
        const fret = number + firstCounted(neck);
        return fret >= (neck.capo ?? 0) && fret <= neck.frets ? placeNote(notes, caret, { ...n.place, fret }) : null;
      }),
    set,
  };
}
