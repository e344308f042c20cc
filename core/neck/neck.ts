import { checkWhole } from '../errors';
import { checkInstrument, checkPlace, fretFromNutMm, lengthMm, nutFret, openMidis, stringsUpward } from '../instrument';
import { chromaOf, checkNote, hertzOf } from '../pitch';
import { mod12, plainDegree, noteOnDegree, scaleNotes, semitonesOf, skeletonOf } from '../scale';
import type { DegreeName, Instrument, NeckNote, Place, Role, ScaleNote, ScaleRef } from '../types';

/**
 * What a place sounds: MIDI number and hertz. Throws BAD_PLACE off the neck or below the capo.
 * @example pitchAt(six, { string: 5, fret: 0 }) // { midi: 45, hz: 110 }
 */
export function pitchAt(i: Instrument, p: Place): { readonly midi: number; readonly hz: number } {
  checkPlace(checkInstrument(i), p);
  const midi = openMidis(i)[p.string - 1]! + p.fret;
  return { midi, hz: hertzOf(midi) };
}

/**
 * Every place that sounds a pitch, string 1 first; empty where the neck has none. Range of `midi` 0 to 163.
 * @example placesOf(six, 64) // [{ string: 1, fret: 0 }, { string: 2, fret: 5 }, { string: 3, fret: 9 }, { string: 4, fret: 14 }, { string: 5, fret: 19 }]
 */
export function placesOf(i: Instrument, midi: number): Place[] {
  checkInstrument(i);
  checkWhole('BAD_OPTION', 'midi', midi, 0, 163);
  const places = openMidis(i).map((open, k) => ({ string: k + 1, fret: midi - open }));
  return places.filter((p) => p.fret >= nutFret(i) && p.fret <= i.frets);
}

/** Which notes are touched rather than held, or belong to the chord of the moment. */
export interface RoleOptions {
  /** Pitch classes of the chord that sounds. */
  readonly chord?: readonly number[];
  /** Degrees marked as passing, beside those that always are. */
  readonly passing?: readonly DegreeName[];
}

/**
 * The blue notes: ♭5 between 4 and 5 over a minor skeleton, ♭3 between 2 and 3 over a major one, touched and not held,
 * whatever else the scale holds (common practice, no published source).
 */
function isPassing(note: ScaleNote, { sounds, skeleton }: Setting, o: RoleOptions): boolean {
  if (o.passing?.includes(note.degree)) return true;
  if (note.degree !== 'b5' && note.degree !== 'b3') return false;
  const between = sounds.has(note.semitones - 1) && sounds.has(note.semitones + 1);
  return between && skeleton !== undefined && !skeleton.includes(note.semitones);
}

/** What a note's role is told by. */
interface Setting {
  /** Chroma of the tonic, 0 to 11. */
  readonly tonic: number;
  /** Chromas of the scale. */
  readonly sounds: ReadonlySet<number>;
  /** Half steps above the tonic, or undefined where no pentatonic underlies the scale. */
  readonly skeleton: number[] | undefined;
}

function roleOf(note: ScaleNote, setting: Setting, o: RoleOptions): Role {
  if (note.semitones === 0) return 'root';
  if (o.chord?.includes(mod12(setting.tonic + note.semitones))) return 'chord';
  if (isPassing(note, setting, o) || locrianOverMinor(note, setting.tonic, o)) return 'passing';
  return 'scale';
}

const locrianOverMinor = (note: ScaleNote, tonic: number, o: RoleOptions): boolean =>
  note.degree === 'b5' && !!o.chord?.includes(mod12(tonic + 3)) && o.chord.includes(mod12(tonic + 7));

/** What is known of a scale note wherever it lies. */
export type Tone = ScaleNote & { readonly role: Role; readonly added: boolean; readonly index: number };

/** A neck with a scale on it, prepared once for the layouts: numbers in arrays, no names to parse. */
export interface ScaledNeck {
  /** The instrument. */
  readonly instrument: Instrument;
  /** The scale on its tonic. */
  readonly ref: ScaleRef;
  /** First fret that exists (capo or 0) and the last. */
  readonly nut: number;
  /** The last fret. */
  readonly last: number;
  /** Open MIDI by string number; index 0 unused. */
  readonly open: number[];
  /** String numbers, lowest-sounding first. */
  readonly upward: number[];
  /** Scale tones from the tonic up. */
  readonly tones: Tone[];
  /** By pitch class 0 to 11: the tone, or undefined outside the scale. */
  readonly toneOf: (Tone | undefined)[];
}

/**
 * Checks instrument and scale and prepares them. Throws what those checks throw.
 * @example scaledNeck(six, dorian).last // 22
 */
export function scaledNeck(i: Instrument, ref: ScaleRef, o: RoleOptions = {}): ScaledNeck {
  checkInstrument(i);
  const notes = scaleNotes(ref);
  const tonic = chromaOf(ref.tonic);
  const skeleton = skeletonOf(ref.scale)?.map(semitonesOf);
  const setting = { tonic, sounds: new Set(notes.map((n) => n.semitones)), skeleton };
  const tones = notes.map((n, index) => ({
    name: n.name,
    degree: n.degree,
    semitones: n.semitones,
    role: roleOf(n, setting, o),
    added: skeleton ? !skeleton.includes(n.semitones) : false,
    index,
  }));
  const toneOf = new Array<Tone | undefined>(12).fill(undefined);
  for (const tone of tones) toneOf[mod12(tonic + tone.semitones)] = tone;
  return { instrument: i, ref, nut: nutFret(i), last: i.frets, open: [0, ...openMidis(i)], upward: stringsUpward(i), tones, toneOf };
}

/**
 * The scale note at a place, or undefined where the place is off the scale. No checks: for the core's own loops.
 * @example noteAt(scaledNeck(six, dorian), 6, 5)?.degree // '5'
 */
export function noteAt(neck: ScaledNeck, string: number, fret: number): NeckNote | undefined {
  const midi = neck.open[string]! + fret;
  const tone = neck.toneOf[midi % 12];
  return tone && { string, fret, midi, name: tone.name, degree: tone.degree, role: tone.role, added: tone.added };
}

/**
 * Every scale note on the neck, string 1 first, frets upward.
 * @example neckNotes(six, dorian)[0].name // 'E'
 */
export function neckNotes(i: Instrument, ref: ScaleRef, o: RoleOptions = {}): NeckNote[] {
  const neck = scaledNeck(i, ref, o);
  return i.strings.flatMap((_, k) => fretsWithScale(neck, k + 1).map((fret) => noteAt(neck, k + 1, fret)!));
}

/**
 * Frets of the scale on a string within a range, both ends included, cut to the neck.
 * @example fretsWithScale(scaledNeck(six, dorian), 6, 0, 5) // [0, 1, 3, 5]
 */
export function fretsWithScale(neck: ScaledNeck, string: number, from = neck.nut, to = neck.last): number[] {
  const frets: number[] = [];
  for (let f = Math.max(from, neck.nut); f <= Math.min(to, neck.last); f++) if (neck.toneOf[(neck.open[string]! + f) % 12]) frets.push(f);
  return frets;
}

/**
 * What any note is against a tonic, inside the scale or not: its degree and a spelling.
 * @example nameAgainst('D', 60) // { degree: 'b7', name: 'C' }
 */
export function nameAgainst(tonic: string, midi: number): { readonly degree: DegreeName; readonly name: string } {
  const degree = plainDegree(midi - chromaOf(checkNote(tonic)));
  return { degree, name: noteOnDegree(tonic, degree) };
}

/**
 * Millimetres between two frets on the longest of the strings given.
 * @example Math.round(widestMm(six, [6], 1, 4)) // 97
 */
export const widestMm = (i: Instrument, strings: number[], from: number, to: number): number => {
  const length = Math.max(...strings.map((s) => lengthMm(i, s)));
  return fretFromNutMm(length, to) - fretFromNutMm(length, from);
};
