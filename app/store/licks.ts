import { createSelector } from '@reduxjs/toolkit';
import { MOST_LICKS, type Lick, type StudyBody } from '../../contract';
import { midiOf, type Instrument } from '../../core';
import { selectBody } from './study';

type Edit = Partial<StudyBody>;

/** The lick that is open, the first where none is named; null where there are none. */
export const openLick = (body: StudyBody): Lick | null => body.licks.find((l) => l.id === body.lick) ?? body.licks[0] ?? null;
export const selectLick = createSelector([selectBody], (body): Lick | null => body && openLick(body));

/** The neck a lick lies on. */
export const neckOf = (body: StudyBody, lick: Lick): Instrument => lick.instrument ?? body.instrument;

const places = ({ strings, frets, capo = 0 }: Instrument): string => JSON.stringify([strings.map((s) => midiOf(s.open)), frets, capo]);
/** Whether every place of the one sounds the same on the other. */
export const sameNeck = (a: Instrument, b: Instrument): boolean => places(a) === places(b);

/** Licks when the study goes to another instrument: they stay on the neck they were made on. */
export const licksStay = (body: StudyBody, to: Instrument): Lick[] =>
  body.licks.map((l) => {
    const on = l.instrument ?? body.instrument;
    const instrument = sameNeck(on, to) ? null : on;
    return instrument === l.instrument ? l : { ...l, instrument };
  });

/** Twelve letters and digits; not randomUUID, which a page without a secure connection has not. */
export const newId = (): string => [...crypto.getRandomValues(new Uint8Array(12))].map((b) => (b % 36).toString(36)).join('');

export const freshLick = (body: StudyBody, name: string): Lick => ({
  id: newId(),
  name,
  tags: [],
  tempo: body.tempo,
  meter: [4, 4],
  instrument: null,
  notes: [],
  practisedAt: null,
  stayed: null,
});

/** More licks, the first of them opened; null where the study has no room for all. */
export const addLicks = (body: StudyBody, licks: readonly Lick[]): Edit | null =>
  licks.length && body.licks.length + licks.length <= MOST_LICKS ? { licks: [...body.licks, ...licks], lick: licks[0]!.id } : null;

/** One more lick, opened; null where the study is full. */
export const addLick = (body: StudyBody, lick: Lick): Edit | null => addLicks(body, [lick]);

/** A lick put away; the one beside it opens. */
export function dropLick(body: StudyBody, id: string): Edit {
  const at = body.licks.findIndex((l) => l.id === id);
  const licks = body.licks.filter((l) => l.id !== id);
  return { licks, lick: licks[Math.min(at, licks.length - 1)]?.id ?? null };
}

export function duplicateLick(body: StudyBody, id: string): Edit | null {
  const lick = body.licks.find((l) => l.id === id);
  return lick ? addLick(body, { ...lick, id: newId(), name: `${lick.name.slice(0, 110)} (copy)` }) : null;
}
