import { midiOf, pitchName, TICKS, type PitchName } from '../../core';
import { quoted, refuseFile } from '../errors';
import { Left, type LeftKind } from '../left';
import { checkLasts, meterOf, tempoOf, type LineChange } from '../line';
import { GRACE, playOut, type Extra, type Local, type Measure, type ScoreNote } from '../score/line';
import { playOrder } from '../score/order';
import { barsOf } from './bars';
import { marksOf } from './marks';
import { child, children, numberIn, type XmlElement } from './xml';

/** A note or rest, with the open pitch of its string, where the file tells it. */
interface Found extends ScoreNote {
  readonly open: number | null;
}

export interface Part {
  readonly id: string;
  readonly notes: Found[];
  readonly extras: Extra[];
  /** Open pitches by staff, string 1 first. */
  readonly tunings: ReadonlyMap<number, PitchName[]>;
  readonly capo: number;
  readonly marks: LineChange[];
  /** What stands over the part and is not read. */
  readonly left: Left;
}

const CUE: LeftKind = { one: 'cue note', many: 'cue notes', why: 'another instrument plays it' };
const NO_PITCH: LeftKind = { one: 'note without a pitch', many: 'notes without a pitch', why: 'a rest stands in its place' };
const JUMP: LeftKind = { one: 'jump (da capo, to a sign, to the coda, fine)', many: 'jumps (da capo, to a sign, to the coda, fine)', why: 'only repeats and endings are played out' }; // prettier-ignore

interface State {
  divisions: number;
  transposed: number;
  meter: [number, number];
  tempo: number | null;
  readonly tunings: Map<number, PitchName[]>;
  capo: number;
  /** Slurs begun and not ended yet, by staff and number. */
  readonly slurs: Set<string>;
  /** Whether one comes to the note that was read last: to all of a chord alike. */
  slurred: boolean;
  readonly extras: Extra[];
  readonly left: Left;
}

/** A part with its repeats played out. Throws FormatError for a capo that no neck has, and for a part without end. */
export function readPart(e: XmlElement): Part {
  const state: State = { divisions: 1, transposed: 0, meter: [4, 4], tempo: null, tunings: new Map(), capo: 0, slurs: new Set(), slurred: false, extras: [], left: new Left('bar') }; // prettier-ignore
  const written = children(e, 'measure');
  const measures = written.map((m, k) => readMeasure(m, k, state));
  const { notes, marks } = playOut(measures, playOrder(barsOf(written)));
  const part: Part = { id: e.attributes.id ?? 'P', notes, extras: state.extras, tunings: state.tunings, capo: state.capo, marks, left: state.left }; // prettier-ignore
  settleCapo(part);
  return part;
}

function readMeasure(m: XmlElement, bar: number, state: State): Measure<Found> {
  const out: Measure<Found> = { notes: [], length: 0, tempos: [], meter: state.meter };
  if (state.tempo !== null) out.tempos.push({ at: 0, tempo: state.tempo });
  let at = 0;
  let last = 0;
  const go = (to: number): void => {
    checkLasts(to * TICKS);
    at = Math.max(0, to);
    out.length = Math.max(out.length, at);
  };
  for (const item of m.children) {
    const length = Math.max(0, (numberIn(item, 'duration') ?? 0) / state.divisions);
    switch (item.name) {
      case 'attributes':
        readAttributes(item, state);
        out.meter = state.meter;
        break;
      case 'backup':
        go(at - length);
        break;
      case 'forward':
        go(at + length);
        break;
      case 'note': {
        const chord = !!child(item, 'chord');
        if (!chord) last = at;
        const found = readNote(item, bar, state, last, length);
        if (found) out.notes.push(found);
        if (!chord && !child(item, 'grace')) go(at + length);
        break;
      }
      default:
        readDirection(item, bar, state, (tempo) => out.tempos.push({ at, tempo }));
    }
  }
  if (!m.children.some((c) => c.name === 'note')) out.length = Math.max(out.length, (state.meter[0] * 4) / state.meter[1]);
  return out;
}

/** What a lick has no room for above and below the staff; the rest says how the page looks. */
const OVER = new Set(['harmony', 'figured-bass', 'direction', 'sound']);
const QUIET = new Set(['metronome']);
const OVER_NAMES: Record<string, string> = {
  harmony: 'chord symbol',
  'figured-bass': 'figured bass',
  words: 'words',
  wedge: 'hairpin',
  dynamics: 'loudness',
  'octave-shift': 'octave line',
};
const JUMPS = ['dacapo', 'dalsegno', 'tocoda', 'fine'];

function readDirection(e: XmlElement, bar: number, state: State, tempo: (quarters: number) => void): void {
  const quarters = tempoIn(e);
  if (quarters !== null) {
    state.tempo = quarters;
    tempo(quarters);
  }
  if (!OVER.has(e.name)) return;
  const sound = e.name === 'sound' ? e : child(e, 'sound');
  const types = children(e, 'direction-type').flatMap((t) => t.children);
  if (sound && JUMPS.some((j) => j in sound.attributes)) state.left.leave(JUMP, bar + 1);
  else if (e.name === 'harmony' || e.name === 'figured-bass') state.left.sign(OVER_NAMES[e.name]!);
  else for (const t of types) if (!QUIET.has(t.name)) state.left.sign(OVER_NAMES[t.name] ?? t.name.replace(/-/g, ' '));
}

/** Quarters of a beat unit. */
const UNITS: Record<string, number> = { breve: 8, half: 2, quarter: 1, eighth: 0.5, '16th': 0.25, '32nd': 0.125, whole: 4 };

/** Quarter notes a minute: as it is to sound, else as the mark says. */
function tempoIn(e: XmlElement): number | null {
  const sound = e.name === 'sound' ? e : child(e, 'sound');
  if (sound?.attributes.tempo !== undefined) return tempoOf(Number(sound.attributes.tempo));
  for (const mark of children(e, 'direction-type').flatMap((t) => children(t, 'metronome'))) {
    const unit = UNITS[child(mark, 'beat-unit')?.text ?? ''];
    const perMinute = Number(/\d+(?:\.\d+)?/.exec((child(mark, 'per-minute')?.text ?? '').slice(0, 40))?.[0]);
    const dots = children(mark, 'beat-unit-dot').length;
    if (unit) return tempoOf(perMinute * unit * (2 - 0.5 ** Math.min(4, dots)));
  }
  return null;
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

function readAttributes(e: XmlElement, state: State): void {
  const divisions = numberIn(e, 'divisions');
  if (divisions && divisions > 0) state.divisions = divisions;
  const time = child(e, 'time');
  if (time) readTime(time, state);
  for (const details of children(e, 'staff-details')) {
    const open = tuningIn(details);
    if (open) state.tunings.set(Number(details.attributes.number ?? 1), open);
    state.capo = capoIn(details) ?? state.capo;
  }
  for (const style of children(e, 'measure-style').flatMap((s) => s.children))
    if (style.name !== 'multiple-rest') state.left.sign(style.name.replace(/-/g, ' '));
  const move = child(e, 'transpose');
  if (move) state.transposed = (numberIn(move, 'chromatic') ?? 0) + 12 * (numberIn(move, 'octave-change') ?? 0);
}

/** A meter: "3+2" beats are five, and pairs of beats and unit add up (MusicXML 4.0, the element `time`). One that a lick cannot have is named. */
function readTime(time: XmlElement, state: State): void {
  const units = children(time, 'beat-type').map((t) => numberIn(t) ?? 0);
  const beats = children(time, 'beats').map((b) => b.text.slice(0, 40).split('+').reduce((sum, n) => sum + Number(n), 0)); // prettier-ignore
  const unit = Math.max(...units);
  const sum = units.reduce((all, u, k) => all + ((beats[k] ?? NaN) * unit) / u, 0);
  const meter = units.length ? meterOf(sum, unit) : null;
  if (meter) state.meter = meter;
  else state.left.sign(child(time, 'senza-misura') ? 'free time' : 'meter that a lick cannot have');
}

/** The fret of a capo. Refuses one that no neck has. */
function capoIn(details: XmlElement): number | null {
  const e = child(details, 'capo');
  if (!e) return null;
  const capo = numberIn(e);
  if (capo === null || !Number.isInteger(capo) || capo < 0 || capo > MOST_CAPO)
    return refuseFile(`its capo is ${quoted(e.text)}; a fret from 0 to ${MOST_CAPO} is expected there.`, e.line);
  return capo;
}
const MOST_CAPO = 24;

/** Line 1 is the lowest line of the staff: the string with the highest number. */
function tuningIn(details: XmlElement): PitchName[] | null {
  const lines = children(details, 'staff-tuning').sort((a, b) => Number(b.attributes.line) - Number(a.attributes.line));
  const pitches = lines.map((l) => pitchOf(l, 'tuning-'));
  return pitches.length && pitches.length <= 12 && pitches.every((p) => p !== null) ? pitches.map((m) => pitchName(m)) : null;
}

const STEPS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

function pitchOf(e: XmlElement, prefix = ''): number | null {
  const step = STEPS[child(e, `${prefix}step`)?.text.trim() ?? ''];
  const octave = numberIn(e, `${prefix}octave`);
  if (step === undefined || octave === null) return null;
  const midi = 12 * (octave + 1) + step + Math.round(numberIn(e, `${prefix}alter`) ?? 0);
  return midi >= 0 && midi <= 127 ? midi : null;
}

/** A note at a place of its measure; null where it takes no part in a line, which is counted. */
function readNote(e: XmlElement, bar: number, state: State, at: number, length: number): Local<Found> | null {
  const staff = numberIn(e, 'staff') ?? 1;
  const voice = child(e, 'voice')?.text.trim() ?? '1';
  const extra = (kind: LeftKind): null => {
    state.extras.push({ kind, staff, voice, bar });
    return null;
  };
  if (child(e, 'grace')) return extra(GRACE);
  const comes = slursOf(e, staff, state.slurs);
  if (!child(e, 'chord')) state.slurred = comes;
  if (child(e, 'cue')) return extra(CUE);
  const pitch = child(e, 'pitch');
  if (length === 0) return null;
  if (child(e, 'unpitched')) extra(NO_PITCH);
  const written = pitch ? pitchOf(pitch) : null;
  const marks = marksOf(e);
  const alter = numberIn(pitch, 'alter') ?? 0;
  if (alter !== Math.round(alter)) marks.signs.push('tone between two half steps (read as the nearer)');
  const open = state.tunings.get(staff) ?? state.tunings.get(1);
  const onString = marks.place && open?.[marks.place.string - 1];
  const sounds = written === null ? null : written + state.transposed;
  const { place, join, bend, release, muted, finger, stroke, signs } = marks; // a spread here costs more than all the rest of the note
  return {
    place,
    join,
    bend,
    release,
    muted,
    finger,
    stroke,
    signs,
    at,
    length,
    midi: sounds !== null && sounds >= 0 && sounds <= 127 ? sounds : null,
    open: onString ? midiOf(onString) : null,
    staff,
    voice,
    bar,
    tieStop: children(e, 'tie').some((t) => t.attributes.type === 'stop'),
    slurred: state.slurred,
  };
}

/** Whether a slur comes to this note; those that begin and end here are noted. */
function slursOf(e: XmlElement, staff: number, begun: Set<string>): boolean {
  const slurs = children(e, 'notations').flatMap((n) => children(n, 'slur'));
  const key = (s: XmlElement): string => `${staff}/${s.attributes.number ?? '1'}`;
  const comes = [...begun].some((s) => s.startsWith(`${staff}/`));
  for (const s of slurs) if (s.attributes.type === 'stop') begun.delete(key(s));
  for (const s of slurs) if (s.attributes.type === 'start') begun.add(key(s));
  return comes;
}
