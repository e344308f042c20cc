import { TICKS, type Join, type PitchedNote, type Place } from '../../core';
import { CHORD_NOTE, Left, type LeftKind } from '../left';
import { changesOf, checkLasts, inPieces, MOST_FILE_NOTES, otherLines, type FileLine, type FileVoice, type LineChange } from '../line';
import { refuseFile } from '../errors';

/** What stands on a note, as far as a lick can hold it, and the names of the signs that it cannot. */
export interface Marks extends Pick<PitchedNote, 'stroke'> {
  place: Place | null;
  readonly join: Join | null;
  readonly bend: number;
  readonly release: boolean;
  readonly muted: boolean;
  readonly finger: number;
  readonly signs: string[];
}

/** A note without any. */
export const PLAIN: Marks = { place: null, join: null, bend: 0, release: false, muted: false, finger: 0, signs: [] };

/** A note or rest as a score has it. */
export interface ScoreNote extends Marks {
  /** In ticks from the begin of the piece, repeats played out. */
  readonly start: number;
  ticks: number;
  /** Where it sounds; null is a rest, or a note without a pitch. */
  midi: number | null;
  readonly staff: number;
  readonly voice: string;
  /** It sounds on from the note before. */
  readonly tieStop: boolean;
  /** A slur comes to it from a note before. */
  readonly slurred: boolean;
  /** Index of its measure in the file, from 0. */
  readonly bar: number;
  /** It comes again by a repeat. */
  readonly again: boolean;
}

/** A note at a place of its measure, in quarters; not rounded, so that parts of a tuplet add up. */
export type Local<N extends ScoreNote = ScoreNote> = Omit<N, 'start' | 'ticks' | 'again'> & { readonly at: number; length: number };

export interface Measure<N extends ScoreNote = ScoreNote> {
  readonly notes: Local<N>[];
  /** In quarters. */
  length: number;
  /** The tempo in force at its begin, and marks inside it. */
  readonly tempos: { readonly at: number; readonly tempo: number }[];
  meter: [number, number];
}

/** A note that takes no time in the line, or that is no part of it. */
export interface Extra {
  readonly kind: LeftKind;
  readonly staff: number;
  readonly voice: string;
  readonly bar: number;
}

export const GRACE: LeftKind = { one: 'grace note', many: 'grace notes', why: 'it has no length' };

/** Measures one after the other in the order they are played: notes in ticks, tempo and meter marks. Throws FormatError for what lasts too long. */
export function playOut<N extends ScoreNote>(
  measures: readonly Measure<N>[],
  order: readonly number[],
): { readonly notes: N[]; readonly marks: LineChange[] } {
  const notes: N[] = [];
  const marks: LineChange[] = [];
  const seen = new Set<number>();
  let base = 0;
  for (const k of order) {
    const m = measures[k]!;
    const again = seen.has(k);
    seen.add(k);
    const ticks = (quarters: number): number => Math.round((base + quarters) * TICKS);
    for (const n of m.notes) {
      const start = ticks(n.at);
      // The first time through the note itself is taken; a repeat has notes of its own.
      notes.push(Object.assign(again ? { ...n } : n, { start, ticks: ticks(n.at + n.length) - start, again }) as unknown as N);
    }
    marks.push(...[{ at: 0, tempo: null }, ...m.tempos].map((t) => ({ at: ticks(t.at), tempo: t.tempo, meter: m.meter })));
    base += m.length;
    checkLasts(base * TICKS);
  }
  let tempo: number | null = null;
  for (const m of marks) tempo = m.tempo ??= tempo; // a mark without a tempo goes on in the one before it
  return { notes, marks };
}

/** One voice of one staff of one part of a score. */
export interface ScoreVoice {
  readonly id: string;
  readonly name: string;
  readonly notes: ScoreNote[];
  extras: readonly Extra[];
  readonly marks: readonly LineChange[];
  /** What stands over its part and is not read. */
  readonly left: Left;
}

/** The voice of that id, else the first with strings and frets, else the first with notes. Throws FormatError where there is none, or it is too long. */
export function chosenVoice(voices: readonly ScoreVoice[], asked: string | undefined): ScoreVoice {
  const taken = voices.find((v) => v.id === asked) ?? voices.find((v) => v.notes.some((n) => n.place)) ?? voices.at(0);
  if (!taken) return refuseFile('this file has no notes in it.');
  if (taken.notes.length > MOST_FILE_NOTES) refuseFile(`this line has ${taken.notes.length} notes; at most ${MOST_FILE_NOTES} are read.`);
  return taken;
}

/** A voice of a score as a line, with the others named beside it. */
export function scoreLine(taken: ScoreVoice, all: readonly ScoreVoice[], head: Pick<FileLine, 'name' | 'open' | 'capo'>): FileLine {
  const left = new Left('bar');
  const line = oneLine(taken.notes, left);
  for (const x of taken.extras) left.leave(x.kind, x.bar + 1);
  const notes = withRests(line, left);
  const { first, changes } = changesOf(taken.marks);
  const voices = all.map(({ id, name, notes: mine }): FileVoice => ({ id, name, midis: oneLine(mine, new Left('bar')).flatMap((n) => (n.midi === null || n.tieStop ? [] : [n.midi])) })); // prettier-ignore
  const count = line.filter((n) => n.midi !== null && !n.tieStop).length;
  return {
    ...head,
    tempo: first.tempo,
    meter: first.meter,
    changes,
    notes,
    voices,
    voice: taken.id,
    remarks: [
      `${count} ${count === 1 ? 'note' : 'notes'}${all.length > 1 ? ` from ${taken.name}` : ''}.`,
      ...(taken.notes.some((n) => n.again) ? ['Repeats are played out.'] : []),
      ...(line.some((n) => n.place) ? [] : ['The file has no strings and frets: places are found by the best route.']),
      ...left.with(taken.left).words(),
      ...otherLines(voices, taken.id),
    ],
  };
}

const CUT_SHORT: LeftKind = { one: 'held note', many: 'held notes', why: 'cut short where the next one begins' };
const SLUR: LeftKind = { one: 'slur', many: 'slurs', why: 'it joins no two frets of one string' };

/** One note at a time: of those that begin together the highest, each until the next begins. */
function oneLine(notes: readonly ScoreNote[], left: Left): ScoreNote[] {
  const sorted = [...notes].sort((a, b) => a.start - b.start || (b.midi ?? -1) - (a.midi ?? -1));
  const line: ScoreNote[] = [];
  for (const n of sorted) {
    const last = line.at(-1);
    if (last?.start === n.start) {
      if (n.midi !== null && !n.again) left.leave(CHORD_NOTE, n.bar + 1);
      continue;
    }
    if (last && last.ticks > n.start - last.start) {
      if (last.midi !== null && !last.again) left.leave(CUT_SHORT, last.bar + 1);
      last.ticks = n.start - last.start;
    }
    line.push({ ...n });
  }
  return line.filter((n) => n.ticks > 0);
}

/** How a slurred note is joined to the one before: hammered on upwards, pulled off downwards, on one string. */
function slurJoin(before: ScoreNote | undefined, n: ScoreNote): Join | null {
  if (before === undefined || before.midi === null || n.midi === null || before.start + before.ticks !== n.start) return null;
  if (before.place && n.place && before.place.string !== n.place.string) return null;
  return n.midi > before.midi ? 'hammer' : n.midi < before.midi ? 'pull' : null;
}

function withRests(line: ScoreNote[], left: Left): PitchedNote[] {
  const notes: PitchedNote[] = [];
  let head: PitchedNote | null = null;
  let at = 0;
  line.forEach((n, k) => {
    if (n.start > at) notes.push({ midi: null, ticks: n.start - at });
    const before = line[k - 1];
    const tied = n.tieStop && before?.midi === n.midi && n.midi !== null && before.start + before.ticks === n.start;
    if (tied) n.place = before.place ?? n.place;
    if (!n.again) for (const s of n.signs) left.sign(s);
    const slur = !tied && !n.join && n.slurred ? slurJoin(before, n) : null;
    if (n.slurred && !tied && !n.join && !slur && n.midi !== null && !n.again) left.leave(SLUR, n.bar + 1);
    if (n.release && tied && head?.bend) head.release = true;
    else if (n.release && !n.bend && !n.again) left.sign('release of a bend that is none');
    const note = noteOf(n, tied, n.join ?? slur);
    if (!tied) head = note;
    notes.push(note);
    at = n.start + n.ticks;
  });
  return restsTogether(notes).flatMap(inPieces);
}

function noteOf(n: ScoreNote, tied: boolean, join: Join | null): PitchedNote {
  const { midi, ticks } = n;
  if (midi === null) return { midi, ticks };
  const muted = n.muted ? { muted: true } : {};
  const place = n.place ? { place: n.place } : {};
  if (tied) return { midi, ticks, ...place, join: 'tie', ...muted };
  return {
    midi,
    ticks,
    ...place,
    ...(join ? { join } : {}),
    ...(n.bend ? { bend: n.bend } : {}),
    ...(n.bend && n.release ? { release: true } : {}),
    ...(n.stroke ? { stroke: n.stroke } : {}),
    ...muted,
    ...(n.finger ? { finger: n.finger } : {}),
  };
}

/** Rests that follow each other are one again, as a barline may have cut it. */
function restsTogether(notes: PitchedNote[]): PitchedNote[] {
  const out: PitchedNote[] = [];
  for (const n of notes) {
    const last = out.at(-1);
    if (n.midi === null && last?.midi === null) out[out.length - 1] = { ...last, ticks: last.ticks + n.ticks };
    else out.push(n);
  }
  return out;
}
