import { pitchName, TICKS, type PitchedNote } from '../../core';
import { refuseFile } from '../errors';
import { CHORD_NOTE, Left, type LeftKind } from '../left';
import {
  changesOf,
  checkLasts,
  inPieces,
  MOST_FILE_NOTES,
  otherLines,
  type FileLine,
  type FileVoice,
  type LineChange,
  type ReadOptions,
} from '../line';
import { DRUMS, parseMidiFile, readTrack, type MidiTrack, type Heard } from './track';

/** A beat is divided evenly into so many parts, the plainest first; what lies on them within a tick is exact. */
const PARTS = [1, 2, 3, 4, 6, 8, 5, 12, 7, 16, 9, 10, 11, 13, 14, 15, 24, 32, 48, 64];
/** Times that lie on no even part were played, and are laid on this grid, in ticks: a triplet of thirty-seconds and its half. */
const GRID = 20;
/** Gaps shorter than this between two played notes are phrasing, not rests. */
const LEGATO = TICKS / 8;
const CUT_SHORT: LeftKind = { one: 'held note', many: 'held notes', why: 'cut short where the next one begins' };
/** A track, or one channel of a track that has several. */
interface Voice {
  readonly id: string;
  readonly name: string;
  readonly track: MidiTrack;
  readonly notes: Heard[];
}

/**
 * Reads a Standard MIDI File as one line: the track (or the channel of one) that is asked for, else the track with the most notes; of notes that begin
 * together the highest, each lasting until the next begins. Throws FormatError for what is no whole MIDI file, or has no notes.
 */
export function readMidiFile(bytes: Uint8Array, o: ReadOptions = {}): FileLine {
  const data = parseMidiFile(bytes);
  const perQuarter = data.header.ticksPerBeat;
  if (!perQuarter) return refuseFile('this MIDI file counts in film frames, not in quarter notes.');
  const tracks = data.tracks.map((t) => readTrack(t, perQuarter));
  const voices = tracks.flatMap((t, k) => voicesOf(t, k));
  const most = voices.reduce((best, v) => Math.max(best, v.notes.length), 0);
  const taken = voices.find((v) => v.id === o.voice) ?? voices.find((v) => v.notes.length === most);
  if (!taken) return refuseFile('this MIDI file has no notes in it.');
  if (taken.notes.length > MOST_FILE_NOTES) refuseFile(`this track has ${taken.notes.length} notes; at most ${MOST_FILE_NOTES} are read.`);
  checkLasts(taken.track.end);
  return lineOf(taken, voices, tracks);
}

/** The lines of a track: all its channels together, and each by itself where there are several. */
function voicesOf(track: MidiTrack, at: number): Voice[] {
  if (!track.notes.length) return [];
  const name = `track ${at + 1}${track.name ? `, ${track.name.slice(0, 60)}` : ''}`;
  const channels = [...new Set(track.notes.map((n) => n.channel))].sort((a, b) => a - b);
  const whole: Voice = { id: String(at + 1), name, track, notes: track.notes };
  if (channels.length < 2) return [whole];
  const each = channels.map((c): Voice => ({ id: `${at + 1}/${c + 1}`, name: `${name}, channel ${c + 1}`, track, notes: track.notes.filter((n) => n.channel === c) })); // prettier-ignore
  return [whole, ...each];
}

function lineOf(taken: Voice, all: readonly Voice[], tracks: readonly MidiTrack[]): FileLine {
  const { track } = taken;
  const first = <T>(pick: (t: MidiTrack) => T | null): T | null => pick(track) ?? tracks.map(pick).find((v) => v !== null) ?? null;
  const strings = first((t) => t.strings);
  const left = new Left('bar');
  const notes = withRests(taken, strings, left);
  const marks = changesOf(marksOf(tracks));
  const voices = all.map(({ id, name, notes: mine }): FileVoice => ({ id, name, midis: topLine(mine).map((n) => n.midi) }));
  return {
    name: first((t) => t.name)?.trim() || '',
    open: strings && strings.map((m) => pitchName(m)),
    capo: first((t) => (t.strings ? t.capo : null)) ?? 0,
    tempo: marks.first.tempo,
    meter: marks.first.meter,
    changes: marks.changes,
    notes,
    voices,
    voice: taken.id,
    remarks: [
      `${notes.filter((n) => n.midi !== null && n.join !== 'tie').length} notes${all.length > 1 ? ` from ${taken.name}` : ''}.`,
      ...left.with(track.left).words(),
      ...tracks.filter((t) => t !== track && !t.notes.length).flatMap((t) => t.left.words()),
      ...otherLines(outside(taken, all, voices), taken.id),
    ],
  };
}

/** Lines that are no part of the one taken, nor it of them; and itself. */
function outside(taken: Voice, all: readonly Voice[], voices: readonly FileVoice[]): FileVoice[] {
  return voices.filter((v, k) => {
    const one = all[k];
    const whole = !one!.id.includes('/');
    return v.id === taken.id || (one!.track === taken.track ? !whole && taken.id.includes('/') : whole);
  });
}

/** Tempo and meter marks of all tracks together, each with what is in force of the other. */
function marksOf(tracks: readonly MidiTrack[]): LineChange[] {
  const all = [
    ...tracks.flatMap((t) => t.meters.map(({ at, meter }) => ({ at, meter, tempo: undefined }))),
    ...tracks.flatMap((t) => t.tempos.map(({ at, tempo }) => ({ at, meter: undefined, tempo }))),
  ].sort((a, b) => a.at - b.at);
  let now: Omit<LineChange, 'at'> = { tempo: null, meter: [4, 4] };
  return all.map(({ at, meter, tempo }) => {
    now = { tempo: tempo === undefined ? now.tempo : tempo, meter: meter ?? now.meter };
    return { at, ...now };
  });
}

const onGrid = (ticks: number): number => Math.round(ticks / GRID) * GRID;
const isEven = (ticks: number, parts: number): boolean =>
  Math.abs((ticks * parts) / TICKS - Math.round((ticks * parts) / TICKS)) * TICKS <= parts;

/** The way onto the even parts on which the times of every beat lie, within a tick: a written line; null where it was played. */
function evenParts(times: readonly number[]): ((time: number) => number) | null {
  const beats = new Map<number, number[]>();
  for (const time of times) {
    const beat = Math.floor((time + 1) / TICKS);
    const known = beats.get(beat);
    if (known) known.push(time - beat * TICKS);
    else beats.set(beat, [time - beat * TICKS]);
  }
  const partsOf = new Map<number, number>();
  for (const [beat, inside] of beats) {
    const parts = PARTS.find((p) => inside.every((s) => isEven(s, p)));
    if (parts === undefined) return null;
    partsOf.set(beat, parts);
  }
  return (time) => {
    const beat = Math.floor((time + 1) / TICKS);
    const parts = partsOf.get(beat) ?? 1;
    return beat * TICKS + Math.round((Math.round(((time - beat * TICKS) * parts) / TICKS) * TICKS) / parts);
  };
}

/** Of notes that begin together the highest. */
function topLine(heard: readonly Heard[]): Heard[] {
  const sorted = [...heard].sort((a, b) => a.start - b.start || b.midi - a.midi);
  return sorted.filter((n, k) => k === 0 || n.start !== sorted[k - 1]!.start);
}

/** One note at a time, from the first on; what comes of times that were played is laid on the grid. */
function withRests({ notes: heard, track: { end, asWritten } }: Voice, strings: number[] | null, left: Left): PitchedNote[] {
  const kept = asWritten ? (time: number): number => time : null;
  const written = kept ?? evenParts(heard.map((n) => n.start));
  const ends = kept ?? (written && evenParts(heard.map((n) => n.end)));
  const exact = ends !== null;
  const lay = written ?? onGrid;
  const layEnd = ends ?? (written ? (ticks: number): number => ticks : onGrid);
  const least = written ? 1 : GRID;
  const line = topLine(heard.map((n) => ({ ...n, start: lay(n.start), end: Math.max(layEnd(n.end), lay(n.start) + least) })));
  for (let k = 0; k < heard.length - line.length; k++) left.leave(CHORD_NOTE);
  const notes: PitchedNote[] = [];
  let at = 0;
  for (const [k, n] of line.entries()) {
    if (n.start > at) notes.push(...inPieces<PitchedNote>({ midi: null, ticks: n.start - at }));
    const next = line[k + 1]?.start ?? Math.max(n.end, exact ? end : onGrid(end));
    if (n.end > next + LEGATO) left.leave(CUT_SHORT);
    const gap = next - n.end;
    const held = !exact && gap > 0 && gap < LEGATO;
    const ticks = gap <= 0 || held ? next - n.start : n.end - n.start;
    notes.push(...noteOf(n, ticks, strings, left));
    at = n.start + ticks;
  }
  if (exact && end > at) notes.push(...inPieces<PitchedNote>({ midi: null, ticks: end - at }));
  return notes;
}

/** Half steps of a bend that a lick holds; beyond a quarter tone off one it is said. */
const MOST_BEND = 5;
const NEAR = 0.2;

function noteOf(n: Heard, ticks: number, strings: number[] | null, left: Left): PitchedNote[] {
  const bend = Math.max(0, Math.min(MOST_BEND, Math.round(n.bend)));
  if (Math.abs(n.bend - bend) > NEAR) left.sign('bend between half steps (read as the nearest)');
  if (n.bend <= 0 && n.ends < -NEAR) left.sign('bend downwards');
  const string = n.channel > DRUMS ? n.channel : n.channel + 1;
  const fret = strings && strings[string - 1] !== undefined ? n.midi - strings[string - 1]! : -1;
  const place = fret >= 0 ? { place: { string, fret } } : {};
  const release = bend > 0 && n.ends < n.bend / 2 ? { release: true } : {};
  return inPieces<PitchedNote>({ midi: n.midi, ticks, ...place, ...(bend > 0 ? { bend } : {}), ...release });
}
