import { midiOf, pitchName, TICKS, type Join, type PitchedNote, type PitchName, type Place } from '../../core';
import { quoted, refuseFile } from '../errors';
import { checkLasts, FILE_LIMIT, inPieces, leftOut, MOST_FILE_NOTES, type FileLine } from '../line';
import { child, children, numberIn, parseXml, type Element } from './xml';

/** A note as the file has it, at a time in ticks. */
interface Found {
  start: number;
  ticks: number;
  midi: number | null;
  /** As the file has it until the capo is settled: its frets may be counted from there. */
  place: Place | null;
  /** The open pitch of its string, where the file tells it. */
  open: number | null;
  staff: number;
  voice: string;
  tieStop: boolean;
  join: Join | null;
  bend: number;
  muted: boolean;
  finger: number;
}

interface Part {
  notes: Found[];
  /** Open pitches by staff, string 1 first. */
  tunings: Map<number, PitchName[]>;
  capo: number;
  tempo: number | null;
  meter: [number, number] | null;
  grace: number;
}

/**
 * Reads partwise MusicXML (2.0 to 4.0) as one line: the part and staff that have strings and frets, else the first with
 * notes, and of it the first voice; of a chord the highest note. Throws FormatError with the line of broken XML, for
 * entities and outside references, and where there are no notes.
 */
export function readMusicXml(text: string): FileLine {
  if (text.length > FILE_LIMIT) refuseFile('this file is larger than 20 MB.');
  const root = parseXml(text);
  if (root.name === 'score-timewise') refuseFile('this is timewise MusicXML; save it as partwise (the usual kind) and try again.');
  if (root.name !== 'score-partwise') refuseFile(`this is XML, but no MusicXML: it begins with <${root.name}>.`);
  const parts = children(root, 'part').map(readPart);
  const part = parts.find((p) => p.notes.some((n) => n.place)) ?? parts.find((p) => p.notes.some((n) => n.midi !== null));
  if (!part) return refuseFile('this file has no notes in it.');
  return lineOf(root, part, parts.length);
}

function lineOf(root: Element, part: Part, parts: number): FileLine {
  const staff = (part.notes.find((n) => n.place) ?? part.notes.find((n) => n.midi !== null) ?? part.notes[0]).staff;
  const onStaff = part.notes.filter((n) => n.staff === staff);
  const voice = (onStaff.find((n) => n.midi !== null) ?? onStaff[0]).voice;
  const mine = onStaff.filter((n) => n.voice === voice);
  if (mine.length > MOST_FILE_NOTES) refuseFile(`this part has ${mine.length} notes; at most ${MOST_FILE_NOTES} are read.`);
  const { line, chords } = oneLine(mine);
  const notes = withRests(line);
  const open = part.tunings.get(staff) ?? [...part.tunings.values()][0] ?? null;
  const title = child(root, 'work') && child(child(root, 'work') as Element, 'work-title')?.text;
  return {
    name: (title || child(root, 'movement-title')?.text || '').trim().slice(0, 120),
    open,
    capo: part.capo,
    tempo: part.tempo,
    meter: part.meter ?? [4, 4],
    notes,
    remarks: [
      `${line.filter((n) => n.midi !== null).length} notes${parts > 1 ? `, from one of ${parts} parts` : ''}.`,
      ...(line.some((n) => n.place) ? [] : ['The file has no strings and frets: places are found by the best route.']),
      ...leftOut(chords, 'note', 'notes', 'struck together with a higher one; a lick is one line'),
      ...leftOut(onStaff.length - mine.length, 'note of another voice', 'notes of other voices', 'a lick is one line'),
      ...leftOut(part.grace, 'grace note', 'grace notes', 'it has no length'),
    ],
  };
}

interface Cursor {
  at: number;
  last: number;
  divisions: number;
}

function readPart(e: Element): Part {
  const part: Part = { notes: [], tunings: new Map(), capo: 0, tempo: null, meter: null, grace: 0 };
  const cursor: Cursor = { at: 0, last: 0, divisions: 1 };
  let transposed = 0;
  for (const measure of children(e, 'measure'))
    for (const item of measure.children) {
      if (item.name === 'attributes') transposed = readAttributes(item, part, cursor, transposed);
      else if (item.name === 'backup') cursor.at = Math.max(0, cursor.at - ticksIn(item, cursor));
      else if (item.name === 'forward') checkLasts((cursor.at += ticksIn(item, cursor)));
      else if (item.name === 'note') readNote(item, part, cursor, transposed);
      else part.tempo ??= tempoIn(item);
    }
  settleCapo(part);
  return part;
}

/**
 * A capo raises the open strings and frets are counted from it (MusicXML 4.0, the element `capo`: "the number of semitones that the capo raises"); in our own
 * files until 2026 they were counted from the nut. Where the pitches of the notes tell, they decide; then each note has its place from the nut and its pitch.
 */
function settleCapo({ notes, capo }: Part): void {
  const agree = (raise: number): number =>
    notes.filter((n) => n.place && n.open !== null && n.midi === n.open + raise + n.place.fret).length;
  const raise = agree(0) > agree(capo) ? 0 : capo;
  for (const n of notes) {
    if (n.place) n.place = { ...n.place, fret: n.place.fret + raise };
    if (n.place && n.open !== null) n.midi = n.open + n.place.fret;
    if (n.midi === null || (n.place && n.place.fret > HIGHEST_FRET)) n.place = null;
  }
}
const HIGHEST_FRET = 36;

function readAttributes(e: Element, part: Part, cursor: Cursor, transposed: number): number {
  const divisions = numberIn(e, 'divisions');
  if (divisions && divisions > 0) cursor.divisions = divisions;
  const time = child(e, 'time');
  const [beats, type] = [numberIn(time, 'beats'), numberIn(time, 'beat-type')];
  if (beats && type && Number.isInteger(beats) && beats <= 32 && [1, 2, 4, 8, 16, 32].includes(type)) part.meter ??= [beats, type];
  for (const details of children(e, 'staff-details')) {
    const open = tuningIn(details);
    if (open) part.tunings.set(Number(details.attributes.number ?? 1), open);
    part.capo = capoIn(details) ?? part.capo;
  }
  const move = child(e, 'transpose');
  return move ? (numberIn(move, 'chromatic') ?? 0) + 12 * (numberIn(move, 'octave-change') ?? 0) : transposed;
}

/** The fret of a capo. Refuses one that no neck has. */
function capoIn(details: Element): number | null {
  const e = child(details, 'capo');
  if (!e) return null;
  const capo = numberIn(e);
  if (capo === null || !Number.isInteger(capo) || capo < 0 || capo > MOST_CAPO)
    return refuseFile(`its capo is ${quoted(e.text)}; a fret from 0 to ${MOST_CAPO} is expected there.`, e.line);
  return capo;
}
const MOST_CAPO = 24;

/** Line 1 is the lowest line of the staff: the string with the highest number. */
function tuningIn(details: Element): PitchName[] | null {
  const lines = children(details, 'staff-tuning').sort((a, b) => Number(b.attributes.line) - Number(a.attributes.line));
  const pitches = lines.map((l) => pitchOf(l, 'tuning-'));
  return pitches.length && pitches.length <= 12 && pitches.every((p) => p !== null) ? pitches.map((m) => pitchName(m)) : null;
}

const STEPS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

function pitchOf(e: Element, prefix = ''): number | null {
  const step = STEPS[child(e, `${prefix}step`)?.text.trim() ?? ''] as number | undefined;
  const octave = numberIn(e, `${prefix}octave`);
  if (step === undefined || octave === null) return null;
  const midi = 12 * (octave + 1) + step + Math.round(numberIn(e, `${prefix}alter`) ?? 0);
  return midi >= 0 && midi <= 127 ? midi : null;
}

/** A duration in ticks; never a part of one. */
const ticksIn = (e: Element, { divisions }: Cursor): number =>
  Math.max(0, Math.round(((numberIn(e, 'duration') ?? 0) * TICKS) / divisions));

const tempoIn = (e: Element): number | null => {
  const sound = e.name === 'sound' ? e : child(e, 'sound');
  const tempo = Number(sound?.attributes.tempo);
  return Number.isFinite(tempo) && tempo >= 20 && tempo <= 400 ? Math.round(tempo) : null;
};

function readNote(e: Element, part: Part, cursor: Cursor, transposed: number): void {
  if (child(e, 'grace')) return void part.grace++;
  const ticks = ticksIn(e, cursor);
  const chord = !!child(e, 'chord');
  const start = chord ? cursor.last : cursor.at;
  if (!chord) {
    cursor.last = cursor.at;
    cursor.at += ticks;
    checkLasts(cursor.at);
  }
  if (ticks === 0 || child(e, 'cue')) return;
  const pitch = child(e, 'pitch');
  const written = pitch ? pitchOf(pitch) : null;
  const marks = marksOf(e);
  const staff = numberIn(e, 'staff') ?? 1;
  const open = part.tunings.get(staff) ?? part.tunings.get(1);
  const onString = marks.place && open?.[marks.place.string - 1];
  part.notes.push({
    ...marks,
    start,
    ticks,
    midi: written === null ? null : written + transposed,
    open: onString ? midiOf(onString) : null,
    staff,
    voice: child(e, 'voice')?.text.trim() ?? '1',
    tieStop: children(e, 'tie').some((t) => t.attributes.type === 'stop'),
    muted: children(e, 'play').some((p) => child(p, 'mute')?.text.trim() === 'palm'),
  });
}

const stops = (e: Element[], name: string): boolean => e.some((t) => children(t, name).some((x) => x.attributes.type === 'stop'));

function marksOf(e: Element): Pick<Found, 'place' | 'join' | 'bend' | 'finger'> {
  const notations = children(e, 'notations');
  const technical = notations.flatMap((n) => children(n, 'technical'));
  const first = (name: string): number | null => technical.map((t) => numberIn(t, name)).find((v) => v !== null) ?? null;
  const [string, fret, finger] = [first('string'), first('fret'), first('fingering')];
  const good = string !== null && fret !== null && Number.isInteger(string) && Number.isInteger(fret) && string >= 1 && string <= 12 && fret >= 0 && fret <= 36; // prettier-ignore
  const join: Join | null = stops(technical, 'hammer-on') ? 'hammer' : stops(technical, 'pull-off') ? 'pull' : stops(notations, 'slide') || stops(notations, 'glissando') ? 'slide' : technical.some((t) => child(t, 'tap')) ? 'tap' : null; // prettier-ignore
  const bend = Math.round(technical.map((t) => numberIn(child(t, 'bend'), 'bend-alter')).find((v) => v !== null) ?? 0);
  return {
    place: good ? { string, fret } : null,
    join,
    bend: Math.min(5, Math.max(0, bend)),
    finger: finger !== null && Number.isInteger(finger) && finger >= 1 && finger <= 4 ? finger : 0,
  };
}

/** One note at a time. */
function oneLine(notes: Found[]): { line: Found[]; chords: number } {
  const sorted = [...notes].sort((a, b) => a.start - b.start || (b.midi ?? -1) - (a.midi ?? -1));
  const line: Found[] = [];
  for (const n of sorted) {
    const last = line[line.length - 1] as Found | undefined;
    if (last?.start === n.start) continue;
    if (last) last.ticks = Math.min(last.ticks, n.start - last.start);
    line.push({ ...n });
  }
  return { line, chords: sorted.filter((n) => n.midi !== null).length - line.filter((n) => n.midi !== null).length };
}

function withRests(line: Found[]): PitchedNote[] {
  const notes: PitchedNote[] = [];
  let at = 0;
  line.forEach((n, k) => {
    if (n.start > at) notes.push({ midi: null, ticks: n.start - at });
    const before = line[k - 1] as Found | undefined;
    const tied = n.tieStop && before?.midi === n.midi && n.midi !== null && before.start + before.ticks === n.start;
    const place = tied ? (before.place ?? n.place) : n.place;
    const join = tied ? 'tie' : n.join;
    if (tied) n.place = place;
    notes.push({
      midi: n.midi,
      ticks: n.ticks,
      ...(n.midi !== null && place ? { place } : {}),
      ...(n.midi !== null && join ? { join } : {}),
      ...(n.bend && !tied ? { bend: n.bend } : {}),
      ...(n.muted && n.midi !== null ? { muted: true } : {}),
      ...(n.finger && n.midi !== null && !tied ? { finger: n.finger } : {}),
    });
    at = n.start + n.ticks;
  });
  return merged(notes).flatMap(inPieces);
}

/** Pieces of one note that the barlines cut, and rests that follow each other, are one again where a single length holds them. */
function merged(notes: PitchedNote[]): PitchedNote[] {
  const out: PitchedNote[] = [];
  for (const n of notes) {
    const last = out[out.length - 1] as PitchedNote | undefined;
    if (n.midi === null && last?.midi === null) out[out.length - 1] = { ...last, ticks: last.ticks + n.ticks };
    else out.push(n);
  }
  return out;
}
