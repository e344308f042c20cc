import { MOST_LICK_NOTES, MOST_LICKS, type Lick } from '../../contract';
import {
  barTicks,
  CoreError,
  midiOf,
  nutFret,
  openMidis,
  pitchName,
  placeNotes,
  type FingeringSchool,
  type Hand,
  type Instrument,
  type LickNote,
  type PitchedNote,
} from '../../core';
import { plainName, tiedOn, type FileLine } from '../../formats/line';
import { counted } from '../words/count-text';
import { stringsWord } from '../words/tuning-text';
import { newId, sameNeck } from './licks';

/** The study that a file's line is meant for. */
export interface Destination {
  readonly instrument: Instrument;
  readonly tempo: number;
  readonly school: FingeringSchool;
  readonly hand: Hand;
  /** Licks that it has room for. */
  readonly room: number;
}

/** What becomes of notes that lie beyond the neck: nothing comes in; all an octave higher or lower; rests in their place; another neck. */
export type Fit = 'as-is' | 'up' | 'down' | 'inside' | 'neck';

/** How a player wants a file's line. */
export interface Asked {
  /** A line of the file by its id; the likeliest where none is named. */
  readonly voice?: string;
  readonly fit: Fit;
  /** In one piece at the first tempo and meter, not cut where they change. */
  readonly whole: boolean;
}
export const PLAINLY: Asked = { fit: 'as-is', whole: false };

/** What a line becomes: licks, or why not. `beyond`: notes that lie beyond the neck as the file has them. `changes`: tempo or meter changes. */
export type Made = { readonly beyond: number; readonly changes: number } & (
  { readonly licks: Lick[]; readonly remarks: string[] } | { readonly why: string }
);

const MOST_FRETS = 36;
const MOST_STRINGS = 12;
const OCTAVE = 12;
const FOURTH = 5;

/** The neck that a file's line is meant for: the study's where the strings are the same or none are named, else one of its own. */
export function neckFor(instrument: Instrument, line: FileLine): Instrument {
  if (!line.open) return instrument;
  const frets = Math.min(MOST_FRETS, Math.max(instrument.frets, ...line.notes.map((n) => n.place?.fret ?? 0)));
  const own: Instrument = {
    ...instrument,
    name: stringsWord(line.open.length),
    strings: line.open.map((open) => ({ open })),
    frets,
    capo: Math.min(line.capo, frets - 5),
  };
  return sameNeck(own, instrument) ? instrument : own;
}

/** Whether a pitch has a place on a neck. */
export function reachOf(neck: Instrument): (midi: number) => boolean {
  const ranges = openMidis(neck).map((m) => [m + nutFret(neck), m + neck.frets] as const);
  return (midi) => ranges.some(([low, high]) => midi >= low && midi <= high);
}

/** The neck with as many frets, and as many strings a fourth apart below and above, as the pitches need; null where none of ours would do. */
export function neckThatFits(neck: Instrument, midis: readonly number[]): Instrument | null {
  const [low, high] = [Math.min(...midis), Math.max(...midis)];
  let strings = [...neck.strings];
  const capo = nutFret(neck);
  while (midiOf(strings[strings.length - 1]!.open) + capo > low && strings.length < MOST_STRINGS)
    strings = [...strings, { open: pitchName(midiOf(strings[strings.length - 1]!.open) - FOURTH) }];
  while (midiOf(strings[0]!.open) + MOST_FRETS < high && strings.length < MOST_STRINGS)
    strings = [{ open: pitchName(midiOf(strings[0]!.open) + FOURTH) }, ...strings];
  const frets = Math.max(neck.frets, Math.min(MOST_FRETS, high - midiOf(strings[0]!.open)));
  const wider = { ...neck, name: `${neck.name.slice(0, 60)}, ${stringsWord(strings.length)}`, strings, frets };
  return midis.every(reachOf(wider)) ? wider : null;
}

/** A stretch of a line with one tempo and one meter, cut where they change. */
interface Stretch {
  readonly notes: PitchedNote[];
  readonly tempo: number | null;
  readonly meter: [number, number];
  /** Bars before it. */
  readonly bars: number;
}

/** Stretches that a line is cut into at most; one that changes more often is played freely, and keeps its first tempo. */
const MOST_STRETCHES = 24;

/** A line cut where its tempo or meter changes: a tempo inside a bar begins at the barline next to it. */
export function stretchesOf(line: FileLine, whole: boolean): Stretch[] {
  const one: Stretch = { notes: line.notes, tempo: line.tempo, meter: line.meter, bars: 0 };
  if (whole || !line.changes.length) return [one];
  const cuts: { readonly at: number; readonly tempo: number | null; readonly meter: [number, number] }[] = [
    { at: 0, tempo: line.tempo, meter: line.meter },
  ];
  let [from, meter] = [0, line.meter];
  for (const change of line.changes) {
    const other = change.meter.join() !== meter.join();
    const bar = barTicks(meter);
    const at = other ? change.at : from + Math.round((change.at - from) / bar) * bar;
    const last = cuts[cuts.length - 1];
    if (at === last!.at) cuts[cuts.length - 1] = { ...change, at };
    else cuts.push({ ...change, at });
    if (other) [from, meter] = [at, change.meter];
  }
  const real = cuts.filter((c, k) => k === 0 || c.tempo !== cuts[k - 1]!.tempo || c.meter.join() !== cuts[k - 1]!.meter.join());
  if (real.length > MOST_STRETCHES) return [one];
  let bars = 0;
  return cutAt(line.notes, real.slice(1).map((c) => c.at)).map((notes, k) => {
    const stretch = { notes, tempo: real[k]!.tempo, meter: real[k]!.meter, bars };
    bars += notes.reduce((sum, n) => sum + n.ticks, 0) / barTicks(real[k]!.meter);
    return stretch;
  }); // prettier-ignore
}

/** Notes cut at places in ticks; one that sounds across a cut is tied on. Places beyond the end give empty pieces. */
function cutAt(notes: readonly PitchedNote[], cuts: readonly number[]): PitchedNote[][] {
  const pieces: PitchedNote[][] = [[]];
  let at = 0;
  for (const n of notes) {
    let left: PitchedNote = n;
    while (pieces.length <= cuts.length && cuts[pieces.length - 1]! < at + left.ticks) {
      const head = cuts[pieces.length - 1]! - at;
      if (head > 0) {
        pieces[pieces.length - 1]!.push({ ...left, ticks: head });
        left = tiedOn({ ...left, ticks: left.ticks - head });
        at += head;
      }
      pieces.push([]);
    }
    pieces[pieces.length - 1]!.push(left);
    at += left.ticks;
  }
  return pieces;
}

/** A stretch cut at barlines into parts that a lick can hold; what is tied over a cut is struck. */
function partsOf({ notes, meter, bars }: Stretch): { readonly notes: PitchedNote[]; readonly bars: [number, number] }[] {
  const perBar = barTicks(meter);
  const parts: { readonly notes: PitchedNote[]; readonly bars: [number, number] }[] = [];
  let at = 0;
  let cut = 0;
  let from = 0;
  const part = (to: number): void =>
    void parts.push({ notes: struck(notes.slice(cut, to)), bars: [bars + from / perBar + 1, bars + at / perBar] });
  for (let k = 0; k < notes.length; k++) {
    const full = k - cut >= MOST_LICK_NOTES - 40;
    if ((full && at % perBar === 0) || k - cut >= MOST_LICK_NOTES) {
      part(k);
      [cut, from] = [k, at];
    }
    at += notes[k]!.ticks;
  }
  part(notes.length);
  return parts;
}

function struck(notes: PitchedNote[]): PitchedNote[] {
  const join = notes.at(0)?.join;
  if (!join || join === 'tap') return notes;
  const first = { ...notes[0]! };
  delete first.join;
  return [first, ...notes.slice(1)];
}

/** A line as it is to fit: moved by an octave without its places, or with rests for what lies beyond the neck. */
function fitted(line: FileLine, neck: Instrument, fit: Fit): FileLine {
  const reach = reachOf(neck);
  const by = fit === 'up' ? OCTAVE : fit === 'down' ? -OCTAVE : 0;
  if (by)
    return { ...line, notes: line.notes.map((n) => ({ ...n, place: undefined, midi: n.midi === null ? null : Math.max(0, Math.min(127, n.midi + by)) })) }; // prettier-ignore
  if (fit !== 'inside') return line;
  return { ...line, notes: line.notes.map((n): PitchedNote => (n.midi === null || reach(n.midi) ? n : { midi: null, ticks: n.ticks })) };
}

const joinsOf = (notes: readonly Pick<LickNote, 'join'>[]): number => notes.filter((n) => n.join && n.join !== 'tie').length;

/** Licks out of what a file says, placed by the best route where it has no places; or why not. */
export function licksFromLine(into: Destination, line: FileLine, asked: Asked = PLAINLY): Made {
  const plain = neckFor(into.instrument, line);
  const midis = line.notes.flatMap((n) => n.midi ?? []);
  const outside = (neck: Instrument, notes: readonly PitchedNote[]): number[] =>
    notes.flatMap((n) => (n.midi === null || n.join === 'tie' || reachOf(neck)(n.midi) ? [] : [n.midi]));
  const beyond = outside(plain, line.notes).length;
  const about = { beyond, changes: line.changes.length };
  const neck = asked.fit === 'neck' ? neckThatFits(plain, midis) : plain;
  if (!neck) return { ...about, why: 'No neck of twelve strings and 36 frets has all of its notes.' };
  const shaped = fitted(line, neck, asked.fit);
  const lost = outside(neck, shaped.notes);
  if (lost.length) return { ...about, why: beyondWords(lost, line) };
  const stretches = stretchesOf(shaped, asked.whole);
  const parts = stretches.flatMap((s) => partsOf(s).map((p) => ({ ...p, tempo: s.tempo, meter: s.meter }))).filter((p) => p.notes.some((n) => n.midi !== null)); // prettier-ignore
  if (!parts.length) return { ...about, why: 'Nothing of it lies on this neck.' };
  if (parts.length > into.room)
    return { ...about, why: `It makes ${counted(parts.length, 'lick')}; this study has room for ${into.room} (${MOST_LICKS} in all). Make a new study for it.` }; // prettier-ignore
  try {
    const licks = parts.map((p): Lick => ({
      id: newId(),
      name: parts.length > 1 ? `${plainName(line.name, 90)}, ${barsWords(p.bars)}` : plainName(line.name, 120) || 'From a tab',
      tags: [],
      tempo: Math.max(20, Math.min(400, p.tempo ?? into.tempo)),
      meter: p.meter,
      instrument: sameNeck(neck, into.instrument) ? null : neck,
      notes: placeNotes(neck, p.notes, { school: into.school, hand: into.hand }),
      practisedAt: null,
      stayed: null,
    }));
    const letGo = joinsOf(shaped.notes) - joinsOf(licks.flatMap((l) => l.notes));
    return { ...about, licks, remarks: remarksOf(line, stretches.length, parts.length, beyond, asked, letGo) };
  } catch (e) {
    if (e instanceof CoreError) return { ...about, why: e.message };
    throw e;
  }
}

const barsWords = ([from, to]: [number, number]): string => {
  const [first, last] = [Math.floor(from + 1e-9), Math.ceil(to - 1e-9)];
  return first >= last ? `bar ${first}` : `bars ${first} to ${last}`;
};

/** "3 of its 40 notes lie beyond this neck: the lowest is C2, the highest …". */
function beyondWords(lost: readonly number[], line: FileLine): string {
  const all = line.notes.filter((n) => n.midi !== null && n.join !== 'tie').length;
  const [low, high] = [Math.min(...lost), Math.max(...lost)];
  const which = low === high ? pitchName(low) : `from ${pitchName(low)} to ${pitchName(high)}`;
  return `${lost.length} of its ${counted(all, 'note')} ${lost.length === 1 ? 'lies' : 'lie'} beyond this neck (${which}): move it by an octave, take only what fits, or take a neck that fits.`;
}

function remarksOf(line: FileLine, stretches: number, parts: number, beyond: number, { fit, whole }: Asked, letGo: number): string[] {
  const changes = counted(line.changes.length, 'time');
  return [
    ...(fit === 'inside' && beyond ? [`${counted(beyond, 'note')} beyond the neck left out: rests stand in their place.`] : []),
    ...(fit === 'up' || fit === 'down' ? [`Moved an octave ${fit}; places are found by the best route.`] : []),
    ...(stretches > 1 ? [`Cut into ${stretches} where tempo or meter change; what sounds across a cut is struck again.`] : []),
    ...(stretches === 1 && line.changes.length
      ? [`Its tempo or meter changes ${changes}${whole ? '' : ', too often to be cut'}: the first is taken for all of it.`]
      : []),
    ...(parts > stretches ? [`Cut into ${parts} licks at barlines: a lick has at most ${MOST_LICK_NOTES} notes.`] : []),
    ...(letGo > 0 ? [`${counted(letGo, 'hammer-on, pull-off or slide', 'hammer-ons, pull-offs or slides')} left out: the notes do not lie on one string.`] : []), // prettier-ignore
  ];
}
