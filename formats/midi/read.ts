import { parseMidi, type MidiData, type MidiEvent } from 'midi-file';
import { pitchName, TICKS, type PitchedNote } from '../../core';
import { decode } from '../decode';
import { refuseFile } from '../errors';
import { AS_WRITTEN } from './write';
import { CHORD_NOTE, Left, type LeftKind } from '../left';
import {
  changesOf,
  checkLasts,
  inPieces,
  meterOf,
  MOST_FILE_NOTES,
  otherLines,
  tempoOf,
  type FileLine,
  type FileVoice,
  type LineChange,
  type ReadOptions,
} from '../line';

/** A beat is divided evenly into so many parts, the plainest first; what lies on them within a tick is exact. */
const PARTS = [1, 2, 3, 4, 6, 8, 5, 12, 7, 16, 9, 10, 11, 13, 14, 15, 24, 32, 48, 64];
/** Times that lie on no even part were played, and are laid on this grid, in ticks: a triplet of thirty-seconds and its half. */
const GRID = 20;
/** Gaps shorter than this between two played notes are phrasing, not rests. */
const LEGATO = TICKS / 8;
/** General MIDI's channel of drums, from 0. */
const DRUMS = 9;
/** Controllers that say how it sounds, not what is played: volume, balance, pan, expression, banks, effects, and the numbers of parameters. */
const QUIET = new Set([0, 6, 7, 8, 10, 11, 32, 38, 39, 42, 43, 91, 92, 93, 94, 95, 98, 99, 100, 101, 120, 121, 123]);
const CONTROLLERS: Record<number, string> = { 1: 'modulation wheel', 64: 'pedal', 65: 'glide', 66: 'pedal', 67: 'pedal' };

const CUT_SHORT: LeftKind = { one: 'held note', many: 'held notes', why: 'cut short where the next one begins' };
const DRUM: LeftKind = { one: 'stroke of the drums', many: 'strokes of the drums', why: 'they have no pitch' };

interface Heard {
  start: number;
  end: number;
  midi: number;
  channel: number;
  /** Highest bend while it sounds, and where it ends, in half steps. */
  bend: number;
  ends: number;
}

interface Found {
  notes: Heard[];
  name: string | null;
  /** Tempo and meter marks; null where a mark does not speak of it. */
  tempos: { at: number; tempo: number | null }[];
  meters: { at: number; meter: [number, number] | null }[];
  /** Open strings and capo, as a file of ours declares them. */
  strings: number[] | null;
  capo: number;
  /** It says of itself that its times are written, not played. */
  asWritten: boolean;
  left: Left;
  end: number;
}

/** A track, or one channel of a track that has several. */
interface Voice {
  id: string;
  name: string;
  track: Found;
  notes: Heard[];
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
function voicesOf(track: Found, at: number): Voice[] {
  if (!track.notes.length) return [];
  const name = `track ${at + 1}${track.name ? `, ${track.name.slice(0, 60)}` : ''}`;
  const channels = [...new Set(track.notes.map((n) => n.channel))].sort((a, b) => a - b);
  const whole: Voice = { id: String(at + 1), name, track, notes: track.notes };
  if (channels.length < 2) return [whole];
  const each = channels.map((c): Voice => ({ id: `${at + 1}/${c + 1}`, name: `${name}, channel ${c + 1}`, track, notes: track.notes.filter((n) => n.channel === c) })); // prettier-ignore
  return [whole, ...each];
}

function lineOf(taken: Voice, all: readonly Voice[], tracks: readonly Found[]): FileLine {
  const { track } = taken;
  const first = <T>(pick: (t: Found) => T | null): T | null => pick(track) ?? tracks.map(pick).find((v) => v !== null) ?? null;
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
    const whole = !one.id.includes('/');
    return v.id === taken.id || (one.track === taken.track ? !whole && taken.id.includes('/') : whole);
  });
}

/** Tempo and meter marks of all tracks together, each with what is in force of the other. */
function marksOf(tracks: readonly Found[]): LineChange[] {
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

/** Whether bytes begin as a MIDI file does. */
export const isMidi = (bytes: Uint8Array): boolean => String.fromCharCode(...bytes.slice(0, 4)) === 'MThd';

/** Larger MIDI files are not read, in bytes: every event of one is an object, a million of them here. */
const MIDI_LIMIT = 4 * 1024 * 1024;

/** The events of a Standard MIDI File that is whole. Throws FormatError. */
export function parseMidiFile(bytes: Uint8Array): MidiData {
  if (bytes.length > MIDI_LIMIT) refuseFile('this MIDI file is larger than 4 MB; no line of notes is as long.');
  if (!isMidi(bytes)) return refuseFile('this is no MIDI file: it does not begin with MThd.');
  try {
    checkChunks(bytes);
    return parseMidi(bytes);
  } catch (e) {
    if (e instanceof Error && e.name === 'FormatError') throw e;
    return refuseFile('this MIDI file breaks off or is damaged.');
  }
}

/** Every chunk is as long as it says: a file that breaks off is told from one that ends. */
function checkChunks(bytes: Uint8Array): void {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = 0;
  let tracks = 0;
  while (at + 8 <= bytes.length) {
    const kind = String.fromCharCode(...bytes.slice(at, at + 4));
    const length = view.getUint32(at + 4);
    if (at + 8 + length > bytes.length) refuseFile(`this MIDI file breaks off: at byte ${at} ${kind} promises ${length} bytes, ${bytes.length - at - 8} are there.`); // prettier-ignore
    if (kind === 'MTrk') tracks++;
    at += 8 + length;
  }
  if (!tracks) refuseFile('this MIDI file has no track.');
}

function readTrack(events: MidiEvent[], perQuarter: number): Found {
  const found: Found = {
    notes: [],
    name: null,
    tempos: [],
    meters: [],
    strings: null,
    capo: 0,
    asWritten: false,
    left: new Left('bar'),
    end: 0,
  };
  const sounding = new Map<number, Heard>();
  const bends = new Map<number, number>();
  const ranges = new Map<number, number>();
  let at = 0;
  const close = (key: number, when: number): void => {
    const note = sounding.get(key);
    if (note) note.end = when;
    sounding.delete(key);
  };
  for (const e of events) {
    at += e.deltaTime;
    const now = Math.round((at * TICKS) / perQuarter);
    found.end = now;
    switch (e.type) {
      case 'noteOn':
      case 'noteOff': {
        const key = e.channel * 128 + e.noteNumber;
        close(key, now);
        if (e.type === 'noteOff' || e.velocity === 0) break;
        if (e.channel === DRUMS) {
          found.left.leave(DRUM);
          break;
        }
        const bend = bends.get(e.channel) ?? 0;
        const note: Heard = { start: now, end: now, midi: e.noteNumber, channel: e.channel, bend, ends: bend };
        sounding.set(key, note);
        found.notes.push(note);
        break;
      }
      case 'controller':
        if (e.controllerType === 6) ranges.set(e.channel, e.value);
        else if (!QUIET.has(e.controllerType) && e.value > 0) found.left.sign(CONTROLLERS[e.controllerType] ?? 'controller');
        break;
      case 'pitchBend': {
        const up = (e.value / 8191) * (ranges.get(e.channel) ?? 2);
        bends.set(e.channel, up);
        for (const n of sounding.values())
          if (n.channel === e.channel) {
            n.bend = Math.max(n.bend, up);
            n.ends = up;
          }
        break;
      }
      case 'setTempo':
        found.tempos.push({ at: now, tempo: tempoOf(60_000_000 / e.microsecondsPerBeat) });
        break;
      case 'timeSignature':
        found.meters.push({ at: now, meter: meterOf(e.numerator, e.denominator) });
        break;
      case 'trackName':
        found.name ??= decode(Uint8Array.from(e.text, (c) => c.charCodeAt(0))).text || null;
        break;
      case 'lyrics':
        found.left.sign('syllable of a text');
        break;
      case 'text':
        if (e.text === AS_WRITTEN) found.asWritten = true;
        readStrings(e.text, found);
    }
  }
  for (const key of [...sounding.keys()]) close(key, found.end);
  return found;
}

/** The strings that a channel each stands for, and the capo, as our own files say it. */
function readStrings(text: string, found: Found): void {
  const m = /^strings((?: \d{1,3}){1,12})(?: capo (\d{1,2}))?$/.exec(text.slice(0, 80));
  if (!m || found.strings) return;
  const midis = m[1].trim().split(' ').map(Number);
  if (midis.some((n) => n > 127)) return;
  found.strings = midis;
  found.capo = Number(m[2] ?? 0);
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
  return sorted.filter((n, k) => k === 0 || n.start !== sorted[k - 1].start);
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
  const fret = strings && strings[string - 1] !== undefined ? n.midi - strings[string - 1] : -1;
  const place = fret >= 0 ? { place: { string, fret } } : {};
  const release = bend > 0 && n.ends < n.bend / 2 ? { release: true } : {};
  return inPieces<PitchedNote>({ midi: n.midi, ticks, ...place, ...(bend > 0 ? { bend } : {}), ...release });
}
