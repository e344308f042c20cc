import { createSelector } from '@reduxjs/toolkit';
import { MOST_PROGRESSIONS, type KeptProgression, type ScaleLock, type StudyBody } from '../../contract';
import {
  barQuarters,
  formIn,
  movedChord,
  movedKey,
  movedNote,
  movedProgression,
  nutFret,
  parseProgression,
  PATH_WEIGHTS,
  SILENT,
  type Bar,
  type Feel,
  type FormName,
  type NoteName,
  type ScaleRef,
} from '../../core';
import { foldFret } from './moves';
import { selectBody } from './study';

type Edit = Partial<StudyBody>;

/** The progression that is open, the first where none is named; null where there are none. */
export const openProgression = ({ progressions, progression }: StudyBody): KeptProgression | null =>
  progressions.find((p) => p.id === progression) ?? progressions[0] ?? null;
export const selectProgression = createSelector([selectBody], (body): KeptProgression | null => body && openProgression(body));

const numberOf = (id: string): number => Number(/^progression-(\d+)$/.exec(id)?.[1] ?? 0);

/** Feels that go with a meter and a form from the start. */
const FEEL: Partial<Record<FormName, Feel>> = { 'twelve bars, major': 'shuffle', 'twelve bars, quick change': 'shuffle', 'eight bars': 'shuffle', 'two five one, major': 'bossa', 'two five one, minor': 'bossa', 'one chord, open fifth': 'drone', 'one chord, minor': 'drone', 'one chord, dominant': 'drone' }; // prettier-ignore

/** A progression added to the study and opened; null where it has no room. */
function added(body: StudyBody, made: Omit<KeptProgression, 'id'>): Edit | null {
  if (body.progressions.length >= MOST_PROGRESSIONS) return null;
  const id = `progression-${Math.max(0, ...body.progressions.map((p) => numberOf(p.id))) + 1}`;
  return { progressions: [...body.progressions, { ...made, id }], progression: id };
}

const PLAIN: Omit<KeptProgression, 'id' | 'name' | 'text' | 'home' | 'tempo'> = {
  meter: [4, 4],
  feel: 'straight',
  school: 'per-chord',
  motion: 'stay',
  near: null,
  locks: [],
  weights: PATH_WEIGHTS,
  loop: null,
};

/** One of the starting points, on the study's tonic. */
export const addForm = (body: StudyBody, name: FormName, title: string): Edit | null =>
  added(body, { ...PLAIN, ...formIn(name, body.scale.tonic), name: title, tempo: Math.round(body.tempo), feel: FEEL[name] ?? 'straight' });

/** What a file or a player wrote, with what of it is known. */
export type Written = Pick<KeptProgression, 'name' | 'text'> & Partial<Omit<KeptProgression, 'id'>>;
export const addWritten = (body: StudyBody, written: Written): Edit | null =>
  added(body, { ...PLAIN, home: body.scale, tempo: Math.round(body.tempo), ...written });

/** The one that is open once more, to be changed. */
export function duplicate(body: StudyBody): Edit | null {
  const now = openProgression(body);
  return now && added(body, { ...now, name: `${now.name.slice(0, 110)}, again` });
}

/** Something of the open progression changed; null where none is open. */
export function withProgression(body: StudyBody, make: (p: KeptProgression) => Partial<KeptProgression>): Edit | null {
  const now = openProgression(body);
  return now && { progressions: body.progressions.map((p) => (p.id === now.id ? { ...p, ...make(p) } : p)) };
}

export function dropProgression(body: StudyBody): Edit | null {
  const now = openProgression(body);
  if (!now) return null;
  const at = body.progressions.indexOf(now);
  const rest = body.progressions.filter((p) => p !== now);
  return { progressions: rest, progression: rest[Math.min(at, rest.length - 1)]?.id ?? null };
}

/** A chord of a form that sounds: in which bar, and its place among those that sound. */
export interface FormChord {
  readonly symbol: string;
  readonly bar: number;
  /** Times in quarters from the beginning. */
  readonly from: number;
  readonly to: number;
}

/** A progression as it is played. */
export interface Form {
  readonly bars: Bar[];
  readonly faults: ReturnType<typeof parseProgression>['faults'];
  /** Chords that sound, in order. */
  readonly chords: FormChord[];
  /** Their beginnings. */
  readonly starts: number[];
  readonly quarters: number;
}

/** The bars that go round: the whole form where no loop is set, or where it lies beyond the end. */
export const loopOf = (p: Pick<KeptProgression, 'loop'>, bars: number): [number, number] =>
  p.loop && p.loop[0] < bars ? [p.loop[0], Math.min(p.loop[1], bars - 1)] : [0, Math.max(0, bars - 1)];

/** Reads what is typed; what cannot be read is silent. */
export function formOf({ text, meter }: Pick<KeptProgression, 'text' | 'meter'>): Form {
  const { bars, faults } = parseProgression(text, { beats: meter[0] });
  const bar = barQuarters(meter);
  const chords = bars.flatMap((b, k) => {
    let at = k * bar;
    return b.chords.flatMap(({ symbol, beats }): FormChord[] => {
      const from = at;
      at += (beats * 4) / meter[1];
      return symbol === SILENT ? [] : [{ symbol, bar: k, from, to: at }];
    });
  });
  return { bars, faults, chords, starts: chords.map((c) => c.from), quarters: bar * bars.length };
}

/** Settled scales whose chord is still where it was. */
export const locksOn = (
  locks: readonly ScaleLock[],
  chords: readonly { readonly symbol: string }[],
): { readonly chord: number; readonly ref: ScaleRef }[] =>
  locks.filter((l) => chords[l.chord]?.symbol === l.symbol).map(({ chord, ref }) => ({ chord, ref }));

/** Settled scales after the text was changed: those before and behind what was changed go along with their chords. */
export function movedLocks(locks: readonly ScaleLock[], before: readonly string[], after: readonly string[]): ScaleLock[] {
  let head = 0;
  while (head < before.length && head < after.length && before[head] === after[head]) head++;
  let tail = 0;
  const most = Math.min(before.length, after.length) - head;
  while (tail < most && before[before.length - 1 - tail] === after[after.length - 1 - tail]) tail++;
  return locks.flatMap((l) => {
    if (l.chord < head) return [l];
    const chord = l.chord + after.length - before.length;
    return l.chord >= before.length - tail ? [{ ...l, chord }] : [];
  });
}

/** Another text: settled scales stay with their chords, a loop as far as there are bars. */
export function withText(p: KeptProgression, text: string): Partial<KeptProgression> {
  const symbols = (f: Form): string[] => f.chords.map((c) => c.symbol);
  const after = formOf({ ...p, text });
  const loop = p.loop && after.bars.length > p.loop[1] ? p.loop : null;
  return { text, locks: movedLocks(p.locks, symbols(formOf(p)), symbols(after)), loop };
}

/** A scale settled over a chord of the form, or let go (null). */
export function withLock(p: KeptProgression, chord: number, symbol: string, ref: ScaleRef | null): Partial<KeptProgression> {
  const others = p.locks.filter((l) => l.chord !== chord);
  return { locks: ref ? [...others, { chord, symbol, ref }].sort((a, b) => a.chord - b.chord) : others };
}

/** A progression in another key: text, home and settled scales spelled in it. */
export function inKey(p: KeptProgression, home: ScaleRef): Partial<KeptProgression> {
  const [from, to] = [p.home.tonic, home.tonic];
  const note = (n: NoteName): NoteName => movedNote(n, from, to);
  return {
    text: movedProgression(p.text, from, to),
    home,
    locks: p.locks.map((l) => ({ ...l, symbol: movedChord(l.symbol, from, to), ref: { ...l.ref, tonic: note(l.ref.tonic) } })),
  };
}

/** All progressions of a study that moves some half steps: each goes along, and so does the fret that its hand is near. */
export const movedProgressions = ({ progressions, instrument }: StudyBody, by: number): KeptProgression[] =>
  progressions.map((p) => ({
    ...p,
    ...inKey(p, movedKey(p.home, by)),
    near: p.near === null ? null : Math.max(0, Math.min(instrument.frets, foldFret(p.near + by, nutFret(instrument), instrument.frets))),
  }));
