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
import { openLick } from '../../store/licks';
import {
  changeLick,
  insertNote,
  makeRest,
  moveFret,
  moveString,
  placeNote,
  removeNote,
  setTicksOf,
  toggleJoin,
  toggleMuted,
  toggleRelease,
  turnBend,
  turnStroke,
  type NotesEdit,
} from '../../store/lick-notes';

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

/** Where the caret stands, what is chosen with it, and the length that the next note gets. */
function useCaret(notes: readonly LickNote[]) {
  const last = notes.length - 1;
  const [at, setCaret] = useState(last);
  const caret = Math.min(at, last);
  /** Where a choice of several notes began; null where only the caret's note is chosen. */
  const [mark, setMark] = useState<number | null>(null);
  const [ticks, setTicks] = useState(TICKS / 2);
  const moveTo = useCallback((next: number) => {
    setMark(null);
    setCaret(next);
  }, []);
  return {
    caret,
    chosen: mark === null ? { from: caret, to: caret } : { from: Math.min(mark, caret), to: Math.max(mark, caret) },
    ticks: notes[caret]?.ticks ?? ticks,
    /** The length given last, whatever the caret's note has. */
    lastTicks: ticks,
    setTicks,
    moveTo,
    setCaret: (next: number): void => {
      moveTo(next);
      const note = notes[next];
      if (note) setTicks(note.ticks);
    },
    extend: (by: 1 | -1): void => {
      setMark(mark ?? caret);
      setCaret(Math.max(0, Math.min(last, caret + by)));
    },
  };
}

/** A digit typed on a note: its fret, or with the digit before it the number of two. Null where the neck has no such fret. */
function useDigits(neck: Instrument): (note: LickNote, digit: number) => Place | null {
  const typed = useRef({ digit: 0, at: 0 });
  return ({ place }, digit) => {
    if (!place) return null;
    const now = performance.now();
    const joined = typed.current.digit * 10 + digit;
    const number = now - typed.current.at < DIGIT_MS && joined <= fretNumber(neck, neck.frets) ? joined : digit;
    typed.current = { digit: number, at: now };
    const fret = number + firstCounted(neck);
    return fret >= (neck.capo ?? 0) && fret <= neck.frets ? { ...place, fret } : null;
  };
}

/** Edits of the open lick, note by note, from a caret that stands on one of its notes (-1: before the first). */
export function useLickEdit(lick: Lick, neck: Instrument): LickEdit {
  const dispatch = useAppDispatch();
  const { notes } = lick;
  const { caret, chosen, ticks, lastTicks, setTicks, moveTo, setCaret, extend } = useCaret(notes);
  const fretTyped = useDigits(neck);
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
  const here = notes[caret];
  const apply = (edit: NotesEdit | null): void => {
    if (!edit) return;
    set({ notes: edit.notes });
    moveTo(edit.caret);
  };
  const onNote = (make: (n: LickNote) => NotesEdit | null): void => {
    if (here) apply(make(here));
  };
  const lengths = (from: number, to: number, next: number): void => set({ notes: setTicksOf(notes, from, to, next) });
  const length = (next: number): void => {
    setTicks(next);
    if (here) lengths(Math.max(0, chosen.from), chosen.to, next);
  };
  return {
    caret,
    chosen,
    extend,
    all: (next) => lengths(0, notes.length - 1, next),
    setCaret,
    ticks,
    setLength: length,
    enter: (place) => apply(insertNote(notes, caret, { place, ticks })),
    put: (place) => onNote(() => placeNote(notes, caret, place)),
    rest: () => apply(here?.place ? makeRest(notes, caret) : insertNote(notes, caret, { place: null, ticks: lastTicks })),
    remove: () => onNote(() => removeNote(notes, caret)),
    longer: (by) => length(stepLength(ticks, by)),
    dot: () => length(toggleDot(ticks)),
    triplet: () => length(toggleTriplet(ticks)),
    join: (join) => onNote(() => toggleJoin(notes, caret, join)),
    mute: () => onNote(() => toggleMuted(notes, caret)),
    bend: () => onNote(() => turnBend(notes, caret)),
    release: () => onNote(() => toggleRelease(notes, caret)),
    stroke: () => onNote(() => turnStroke(notes, caret)),
    fret: (by) => onNote(() => moveFret(neck, notes, caret, by)),
    string: (by) => onNote(() => moveString(neck, notes, caret, by)),
    digit: (digit) =>
      onNote((n) => {
        const place = fretTyped(n, digit);
        return place && placeNote(notes, caret, place);
      }),
    set,
  };
}
