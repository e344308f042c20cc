import { LONGEST_NOTE, TICKS, type Instrument, type LickNote, type PitchedNote, type PitchName } from '../core';
import { refuseFile } from './errors';

/** One of the lines that a file has: a voice of a staff of a part, a track or a channel of one. */
export interface FileVoice {
  /** Its own within the file. */
  readonly id: string;
  /** As a player reads it: "Guitar, staff 2". */
  readonly name: string;
  /** The pitch of each of its notes, MIDI numbers. */
  readonly midis: number[];
}

/** From a place in the line on, another tempo or meter. */
export interface LineChange {
  /** In ticks. */
  readonly at: number;
  /** Quarter notes a minute; null: the study's. */
  tempo: number | null;
  readonly meter: [number, number];
}

/** A line of notes as a file tells it, whatever the format. */
export interface FileLine {
  /** Empty where the file has none. */
  readonly name: string;
  /** Open pitches, string 1 first, where the file has them. */
  readonly open: PitchName[] | null;
  readonly capo: number;
  /** Quarter notes a minute, at its begin. */
  readonly tempo: number | null;
  readonly meter: [number, number];
  /** Where tempo or meter become others, in order; none at 0. */
  readonly changes: LineChange[];
  readonly notes: PitchedNote[];
  /** What was taken and what was left out, in words. */
  readonly remarks: string[];
  /** All lines of the file, and which of them this is. */
  readonly voices: FileVoice[];
  readonly voice: string;
}

/** A lick as every writer takes it. */
export interface LickOut {
  readonly name: string;
  readonly instrument: Instrument;
  readonly notes: readonly LickNote[];
  /** Quarter notes a minute. */
  readonly tempo: number;
  readonly meter: readonly [number, number];
}

/** What a reader is asked for. */
export interface ReadOptions {
  /** The id of a line of the file; the likeliest where none is named, or none is called so. */
  readonly voice?: string;
}

/** Most notes that one line of a file may have. */
export const MOST_FILE_NOTES = 20_000;

/** Files larger than this are not read, in bytes; archives may not unpack to more than this. */
export const FILE_LIMIT = 20 * 1024 * 1024;
export const UNPACKED_LIMIT = 50 * 1024 * 1024;

/** Ten thousand bars of four quarters: no file is read that lasts longer. */
const MOST_TICKS = TICKS * 4 * 10_000;
export const checkLasts = (ticks: number): void =>
  void (ticks > MOST_TICKS && refuseFile('this file lasts longer than ten thousand bars.'));

/** A name as a record may have it: one line without control characters, no longer than `most`. */
export const plainName = (text: string, most: number): string =>
  text
    .slice(0, 4 * most)
    .replace(/[\p{Cc}\u2028\u2029]+/gu, ' ')
    .trim()
    .slice(0, most)
    .trim();

/** Tempos that a lick may have, quarter notes a minute; a file's to a hundredth. */
const TEMPO: [number, number] = [20, 400];
export const tempoOf = (quarters: number): number | null =>
  Number.isFinite(quarters) && quarters >= TEMPO[0] && quarters <= TEMPO[1] ? Math.round(quarters * 100) / 100 : null;

/** Meters that a lick may have. */
const BEATS = [1, 2, 4, 8, 16, 32];
export const meterOf = (beats: number | null, unit: number | null): [number, number] | null =>
  beats !== null && unit !== null && Number.isInteger(beats) && beats >= 1 && beats <= 32 && BEATS.includes(unit) ? [beats, unit] : null;

/** Tempo and meter marks as changes: those that change something, the last at each place, none at the begin. */
export function changesOf(marks: readonly LineChange[]): { readonly first: LineChange; readonly changes: LineChange[] } {
  let now: LineChange = { at: 0, tempo: null, meter: [4, 4] };
  let first = now;
  const changes: LineChange[] = [];
  for (const mark of [...marks].sort((a, b) => a.at - b.at)) {
    const same = mark.tempo === now.tempo && mark.meter.join() === now.meter.join();
    if (mark.at <= 0) first = mark;
    else if (changes.at(-1)?.at === mark.at) changes[changes.length - 1] = mark;
    else if (!same) changes.push(mark);
    now = mark;
  }
  return { first: { ...first, at: 0 }, changes };
}

/** A note as long as it may be, with what is longer tied on; a rest as several. The bend, the stroke and the finger are those of the first. */
export function inPieces<N extends PitchedNote>(n: N): N[] {
  if (n.ticks <= LONGEST_NOTE) return [n];
  return Array.from({ length: Math.ceil(n.ticks / LONGEST_NOTE) }, (_, k): N => {
    const piece = { ...n, ticks: Math.min(LONGEST_NOTE, n.ticks - k * LONGEST_NOTE) };
    return k ? tiedOn(piece) : piece;
  });
}

/** A piece of a note that sounds on. */
export function tiedOn<N extends PitchedNote>(n: N): N {
  const piece = { ...n };
  delete piece.bend;
  delete piece.release;
  delete piece.stroke;
  delete piece.finger;
  if (n.midi === null) delete piece.join;
  else piece.join = 'tie';
  return piece;
}

/** Lines of a file that are not the one that was taken, with their notes: said, so that none is lost unseen. */
export function otherLines(voices: readonly FileVoice[], taken: string): string[] {
  const mine = voices.find((v) => v.id === taken);
  const same = (v: FileVoice): boolean => v.midis.join() === mine?.midis.join();
  const others = voices.filter((v) => v.id !== taken);
  const [twins, lost] = [others.filter(same), others.filter((v) => !same(v))];
  const named = lost.slice(0, MOST_NAMED).map((v) => `${v.name} (${v.midis.length})`);
  const more = lost.length > MOST_NAMED ? ` and ${lost.length - MOST_NAMED} more` : '';
  return [
    ...(twins.length ? [`The same notes stand in: ${twins.map((v) => v.name).join('; ')}.`] : []),
    ...(lost.length ? [`Other lines, with their notes, not taken: ${named.join('; ')}${more}.`] : []),
  ];
}
const MOST_NAMED = 8;
