import type { Join, PitchedNote } from '../../core';
import { refuseFile } from '../errors';
import { CHORD_NOTE, Left, type LeftKind } from '../left';
import { changesOf, FILE_LIMIT, inPieces, MOST_FILE_NOTES, otherLines, type FileLine, type FileVoice, type ReadOptions } from '../line';
import { readPart, type Found, type Part } from './part';
import { child, children, parseXml, type Element } from './xml';

const CUT_SHORT: LeftKind = { one: 'held note', many: 'held notes', why: 'cut short where the next one begins' };
const SLUR: LeftKind = { one: 'slur', many: 'slurs', why: 'it joins no two frets of one string' };

/** One voice of one staff of one part. */
interface Voice {
  part: Part;
  staff: number;
  voice: string;
  notes: Found[];
}

const idOf = ({ part, staff, voice }: Voice): string => `${part.id}/${staff}/${voice}`;

/**
 * Reads partwise MusicXML (2.0 to 4.0) as one line: the voice that is asked for, else the first with strings and frets, else the first with notes; of a chord
 * the highest note. Repeats and endings are played out. Throws FormatError with the line of broken XML, for entities and outside references, and where there
 * are no notes.
 */
export function readMusicXml(text: string, o: ReadOptions = {}): FileLine {
  if (text.length > FILE_LIMIT) refuseFile('this file is larger than 20 MB.');
  const root = parseXml(text);
  if (root.name === 'score-timewise') refuseFile('this is timewise MusicXML; save it as partwise (the usual kind) and try again.');
  if (root.name !== 'score-partwise') refuseFile(`this is XML, but no MusicXML: it begins with <${root.name}>.`);
  const parts = children(root, 'part').map(readPart);
  const voices = parts.flatMap(voicesOf).filter((v) => v.notes.some((n) => n.midi !== null));
  const taken = voices.find((v) => idOf(v) === o.voice) ?? voices.find((v) => v.notes.some((n) => n.place)) ?? voices.at(0);
  if (!taken) return refuseFile('this file has no notes in it.');
  if (taken.notes.length > MOST_FILE_NOTES) refuseFile(`this line has ${taken.notes.length} notes; at most ${MOST_FILE_NOTES} are read.`);
  return lineOf(root, taken, voices);
}

/** The voices of a part, in the order in which they begin. */
function voicesOf(part: Part): Voice[] {
  const voices = new Map<string, Voice>();
  for (const n of part.notes) {
    const v: Voice = { part, staff: n.staff, voice: n.voice, notes: [] };
    const known = voices.get(idOf(v)) ?? v;
    known.notes.push(n);
    voices.set(idOf(v), known);
  }
  return [...voices.values()];
}

/** Parts by their names; staff and voice where there are several. */
function namesOf(root: Element, voices: readonly Voice[]): FileVoice[] {
  const list = child(root, 'part-list');
  const names = new Map((list ? children(list, 'score-part') : []).map((p) => [p.attributes.id, child(p, 'part-name')?.text.trim() ?? '']));
  return voices.map((v): FileVoice => {
    const mine = voices.filter((x) => x.part === v.part);
    const staves = new Set(mine.map((x) => x.staff)).size;
    const others = mine.filter((x) => x.staff === v.staff).length;
    const more = [...(staves > 1 ? [`staff ${v.staff}`] : []), ...(others > 1 ? [`voice ${v.voice.slice(0, 12)}`] : [])];
    return {
      id: idOf(v),
      name: [(names.get(v.part.id) || `part ${v.part.id}`).slice(0, 60), ...more].join(', '),
      midis: oneLine(v.notes, new Left('bar')).flatMap((n) => (n.midi === null || n.tieStop ? [] : [n.midi])),
    };
  });
}

function lineOf(root: Element, taken: Voice, all: readonly Voice[]): FileLine {
  const { part, staff, voice } = taken;
  const left = new Left('bar');
  const line = oneLine(taken.notes, left);
  for (const x of part.extras) if (x.staff === staff && x.voice === voice) left.leave(x.kind, x.bar + 1);
  const notes = withRests(line, left);
  const voices = namesOf(root, all);
  const { first, changes } = changesOf(part.marks);
  const title = child(root, 'work') && child(child(root, 'work') as Element, 'work-title')?.text;
  return {
    name: (title || child(root, 'movement-title')?.text || '').trim().slice(0, 120),
    open: part.tunings.get(staff) ?? [...part.tunings.values()][0] ?? null,
    capo: part.capo,
    tempo: first.tempo,
    meter: first.meter,
    changes,
    notes,
    voices,
    voice: idOf(taken),
    remarks: [
      `${line.filter((n) => n.midi !== null).length} notes${voices.length > 1 ? ` from ${voices.find((v) => v.id === idOf(taken))?.name}` : ''}.`,
      ...(taken.notes.some((n) => n.again) ? ['Repeats are played out.'] : []),
      ...(line.some((n) => n.place) ? [] : ['The file has no strings and frets: places are found by the best route.']),
      ...left.words(),
      ...part.left.words(),
      ...otherLines(voices, idOf(taken)),
    ],
  };
}

/** One note at a time: of those that begin together the highest, each until the next begins. */
function oneLine(notes: readonly Found[], left: Left): Found[] {
  const sorted = [...notes].sort((a, b) => a.start - b.start || (b.midi ?? -1) - (a.midi ?? -1));
  const line: Found[] = [];
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
function slurJoin(before: Found | undefined, n: Found): Join | null {
  if (before === undefined || before.midi === null || n.midi === null || before.start + before.ticks !== n.start) return null;
  if (before.place && n.place && before.place.string !== n.place.string) return null;
  return n.midi > before.midi ? 'hammer' : n.midi < before.midi ? 'pull' : null;
}

function withRests(line: Found[], left: Left): PitchedNote[] {
  const notes: PitchedNote[] = [];
  let head: PitchedNote | null = null;
  let at = 0;
  line.forEach((n, k) => {
    if (n.start > at) notes.push({ midi: null, ticks: n.start - at });
    const before = line[k - 1] as Found | undefined;
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

function noteOf(n: Found, tied: boolean, join: Join | null): PitchedNote {
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
