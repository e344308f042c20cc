import { parseMidi, type MidiData, type MidiEvent } from 'midi-file';
import { pitchName, TICKS, writtenParts, type PitchedNote } from '../../core';
import { refuseFile } from '../errors';
import { checkLasts, FILE_LIMIT, inPieces, leftOut, MOST_FILE_NOTES, type FileLine } from '../line';

/** A beat is divided evenly into so many parts, the plainest first; what lies on them within a tick is exact. */
const PARTS = [1, 2, 3, 4, 6, 8, 5, 12, 7, 16, 9, 10, 11, 13, 14, 15, 24, 32, 48, 64];
/** Times that lie on no even part were played, and are laid on this grid, in ticks: a triplet of thirty-seconds and its half. */
const GRID = 20;
/** Gaps shorter than this between two notes are phrasing, not rests. */
const LEGATO = TICKS / 8;

interface Heard {
  start: number;
  end: number;
  midi: number;
  channel: number;
  bend: number;
}

interface Found {
  notes: Heard[];
  name: string | null;
  tempo: number | null;
  meter: [number, number] | null;
  strings: number[] | null;
  end: number;
}

/**
 * Reads a Standard MIDI File as one line: the track with the most notes; of notes that begin together the highest, each
 * lasting until the next begins. Throws FormatError for what is no whole MIDI file, or has no notes.
 */
export function readMidiFile(bytes: Uint8Array): FileLine {
  if (bytes.length > FILE_LIMIT) refuseFile('this file is larger than 20 MB.');
  const data = parseMidiFile(bytes);
  const perQuarter = data.header.ticksPerBeat;
  if (!perQuarter) return refuseFile('this MIDI file counts in film frames, not in quarter notes.');
  const tracks = data.tracks.map((t) => readTrack(t, perQuarter));
  const melodic = tracks.map((t) => t.notes.length);
  const best = tracks[melodic.indexOf(Math.max(...melodic))];
  if (!best?.notes.length) return refuseFile('this MIDI file has no notes in it.');
  if (best.notes.length > MOST_FILE_NOTES) refuseFile(`this track has ${best.notes.length} notes; at most ${MOST_FILE_NOTES} are read.`);
  checkLasts(best.end);
  const first = <T>(pick: (t: Found) => T | null): T | null => pick(best) ?? tracks.map(pick).find((v) => v !== null) ?? null;
  const { line, chords } = oneLine(best.notes);
  const strings = first((t) => t.strings);
  return {
    name: first((t) => t.name)?.trim() || '',
    open: strings && strings.map((m) => pitchName(m)),
    capo: 0,
    tempo: first((t) => t.tempo),
    meter: first((t) => t.meter) ?? [4, 4],
    notes: withRests(line, best.end, strings),
    remarks: [
      `${line.length} notes${tracks.length > 1 ? `, from the track with the most of ${tracks.length}` : ''}.`,
      ...leftOut(chords, 'note', 'notes', 'struck together with a higher one; a lick is one line'),
    ],
  };
}

/** The events of a Standard MIDI File that is whole. Throws FormatError. */
export function parseMidiFile(bytes: Uint8Array): MidiData {
  if (String.fromCharCode(...bytes.slice(0, 4)) !== 'MThd') return refuseFile('this is no MIDI file: it does not begin with MThd.');
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
  const found: Found = { notes: [], name: null, tempo: null, meter: null, strings: null, end: 0 };
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
        if (e.type === 'noteOff' || e.velocity === 0 || e.channel === 9) break;
        const note: Heard = { start: now, end: now, midi: e.noteNumber, channel: e.channel, bend: bends.get(e.channel) ?? 0 };
        sounding.set(key, note);
        found.notes.push(note);
        break;
      }
      case 'controller':
        if (e.controllerType === 6) ranges.set(e.channel, e.value);
        break;
      case 'pitchBend': {
        const up = (e.value / 8191) * (ranges.get(e.channel) ?? 2);
        bends.set(e.channel, up);
        for (const n of sounding.values()) if (n.channel === e.channel) n.bend = Math.max(n.bend, up);
        break;
      }
      case 'setTempo':
        found.tempo ??= Math.round(60_000_000 / e.microsecondsPerBeat);
        break;
      case 'timeSignature':
        if (e.numerator >= 1 && e.numerator <= 32 && e.denominator <= 32) found.meter ??= [e.numerator, e.denominator];
        break;
      case 'trackName':
        found.name ??= e.text || null;
        break;
      case 'text':
        found.strings ??= stringsIn(e.text);
    }
  }
  for (const key of [...sounding.keys()]) close(key, found.end);
  return found;
}

/** The strings that a channel each stands for, as our own files say it. */
function stringsIn(text: string): number[] | null {
  if (!/^strings( \d{1,3}){1,12}$/.test(text)) return null;
  const midis = text.split(' ').slice(1).map(Number);
  return midis.every((m) => m <= 127) ? midis : null;
}

const onGrid = (ticks: number): number => Math.round(ticks / GRID) * GRID;
const isEven = (ticks: number, parts: number): boolean => Math.abs((ticks * parts) / TICKS - Math.round((ticks * parts) / TICKS)) * TICKS <= parts;

/** Whether the notes of every beat begin on even parts of it: a written line, whose times are kept; else it was played. */
function isWritten(heard: readonly Heard[]): boolean {
  const beats = new Map<number, number[]>();
  for (const { start } of heard) {
    const beat = Math.floor(start / TICKS);
    beats.set(beat, [...(beats.get(beat) ?? []), start - beat * TICKS]);
  }
  return [...beats.values()].every((starts) => PARTS.some((parts) => starts.every((s) => isEven(s, parts))));
}

/** One note at a time, from the first on. */
function oneLine(heard: Heard[]): { line: Heard[]; chords: number } {
  const lay = isWritten(heard) ? (ticks: number): number => ticks : onGrid;
  const least = lay === onGrid ? GRID : 1;
  const laid = heard.map((n) => ({ ...n, start: lay(n.start), end: Math.max(lay(n.end), lay(n.start) + least) }));
  const sorted = laid.sort((a, b) => a.start - b.start || b.midi - a.midi);
  const line = sorted.filter((n, k) => k === 0 || n.start !== sorted[k - 1].start);
  const ends = line.map((n, k) => Math.min(n.end, line[k + 1]?.start ?? Infinity));
  return { line: line.map((n, k) => ({ ...n, end: ends[k] })), chords: sorted.length - line.length };
}

function withRests(line: Heard[], end: number, strings: number[] | null): PitchedNote[] {
  const notes: PitchedNote[] = [];
  let at = 0;
  for (const [k, n] of line.entries()) {
    if (n.start > at) notes.push(...rests(n.start - at));
    const next = line[k + 1]?.start ?? onGrid(end);
    const gap = next - n.end;
    const ticks = n.end - n.start + (gap > 0 && gap < LEGATO ? gap : 0);
    notes.push(...tied(n, ticks, strings));
    at = n.start + ticks;
  }
  return notes;
}

const rests = (ticks: number): PitchedNote[] => (writtenParts(ticks).length ? inPieces({ midi: null, ticks }) : []);

function tied(n: Heard, ticks: number, strings: number[] | null): PitchedNote[] {
  const bend = Math.min(5, Math.round(n.bend));
  const string = n.channel >= 10 ? n.channel : n.channel + 1;
  const fret = strings && strings[string - 1] !== undefined ? n.midi - strings[string - 1] : -1;
  const note: PitchedNote = { midi: n.midi, ticks, ...(fret >= 0 ? { place: { string, fret } } : {}), ...(bend > 0 ? { bend } : {}) };
  return inPieces(note);
}
