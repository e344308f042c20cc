import { MOST_NOTES } from '../line-types';
import { samePlace } from '../place';
import { checkWhole, fail, shown } from '../errors';
import { checkPlace } from '../instrument';
import { pitchName } from '../pitch';
import type { ScaledNeck } from '../neck';
import type { Option } from '../fingering';
import type { Place, RouteRequest } from '../types';

/** The longest run that is tried on the way to a fret: three octaves. */
const FARTHEST = 36;

/** Where notes may lie: the whole neck, or some frets and strings of it. */
export interface Field {
  /** The neck with its scale. */
  readonly neck: ScaledNeck;
  /** The strings. */
  readonly strings: number[];
  /** The lowest fret. */
  readonly from: number;
  /** The highest fret. */
  readonly to: number;
}

/**
 * The strings and frets that a route may use.
 * @throws CoreError where they lie beyond the neck
 */
export function fieldOf(neck: ScaledNeck, { within, strings }: Pick<RouteRequest, 'within' | 'strings'>): Field {
  const count = neck.instrument.strings.length;
  strings?.forEach((s, k) => checkWhole('BAD_OPTION', `strings[${k}]`, s, 1, count));
  if (within) {
    checkWhole('BAD_OPTION', 'within.fromFret', within.fromFret, neck.nut, neck.last);
    checkWhole('BAD_OPTION', 'within.toFret', within.toFret, within.fromFret, neck.last);
  }
  return {
    neck,
    strings: [...new Set(strings?.length ? strings : neck.upward)].sort((a, b) => a - b),
    from: within?.fromFret ?? neck.nut,
    to: within?.toFret ?? neck.last,
  };
}

/** MIDI number of a place on a neck. */
export const midiAt = (neck: ScaledNeck, p: Place): number => neck.open[p.string]! + p.fret;

/** Every place of a pitch in the field, thinnest string first. */
const placesIn = ({ neck, strings, from, to }: Field, midi: number): Option[] =>
  strings.map((string) => ({ string, fret: midi - neck.open[string]! })).filter((p) => p.fret >= from && p.fret <= to);

/** One list of places a pitch, so that the search knows it again. Throws NO_ROUTE with the fret that would be needed. */
export function optionsFor(field: Field, pitches: readonly number[]): Option[][] {
  const known = new Map<number, Option[]>();
  return pitches.map((midi, k) => {
    const options = known.get(midi) ?? placesIn(field, midi);
    known.set(midi, options);
    if (!options.length) noPlace(field, midi, k);
    return options;
  });
}

function noPlace(field: Field, midi: number, k: number): never {
  const { neck, strings, from, to } = field;
  const name = pitchName(midi);
  const needed = strings.map((string) => ({ string, fret: midi - neck.open[string]! }));
  const nearest = needed.reduce((a, b) => (away(b.fret, from, to) < away(a.fret, from, to) ? b : a));
  const note = `Note ${k + 1}, ${name},`;
  if (strings.length === neck.upward.length && from === neck.nut && to === neck.last)
    return nearest.fret > to
      ? fail('NO_ROUTE', 'to', `${note} needs fret ${nearest.fret} on string ${nearest.string}; the neck has ${to}.`)
      : fail('NO_ROUTE', 'to', `${note} lies below the lowest note of this instrument${neck.nut ? ' with its capo' : ''}.`);
  return fail(
    'NO_ROUTE',
    'within',
    `${note} has no place on ${wordsFor(strings)} between frets ${from} and ${to}: allow more of the neck.`,
  );
}

const wordsFor = (strings: number[]): string => (strings.length === 1 ? `string ${strings[0]}` : `strings ${strings.join(', ')}`);
const away = (fret: number, from: number, to: number): number => Math.max(from - fret, fret - to, 0);

/** A line to be played: its pitches, the places of each, and where it may begin and end. */
export interface RouteLine {
  /** For each note, the places where it may be played. */
  readonly options: Option[][];
  /** Where it is to begin. */
  readonly first?: Place;
  /** Where it is to end. */
  readonly last?: Place;
  /** Fret under the hand at the end; the line may then end after any of its notes that `mayEnd` allows. */
  readonly lastHand?: number;
  /** Whether the line may end at its note k. */
  readonly mayEnd?: (k: number) => boolean;
}

/** The lines that answer a request: one, or one up and one down where only a fret is given. */
export function linesOf(field: Field, o: RouteRequest): RouteLine[] {
  if ('pitches' in o) return [{ options: optionsFor(field, checkPitches(o.pitches)) }];
  const { neck } = field;
  const first = 'pitch' in o.from ? undefined : placeOf(field, 'from', o.from);
  const start = 'pitch' in o.from ? pitchOf(neck, 'from', o.from.pitch) : midiAt(neck, o.from);
  const pitches = stepsBy(o.motion);
  const begun = first ? { first } : {};
  if ('pitch' in o.to) return [{ options: optionsFor(field, pitches(neck, start, pitchOf(neck, 'to', o.to.pitch))), ...begun }];
  if (!('string' in o.to)) return linesToFret(field, start, o.to.fret, o.motion, begun);
  const last = placeOf(field, 'to', o.to);
  if (samePlace(last, first)) fail('NO_ROUTE', 'to', 'Start and goal are the same place: choose another goal.');
  return [{ options: optionsFor(field, pitches(neck, start, midiAt(neck, last))), ...begun, last }];
}

function checkPitches(pitches: readonly number[]): readonly number[] {
  if (!Array.isArray(pitches) || !pitches.length || pitches.length > MOST_NOTES)
    fail('BAD_OPTION', 'pitches', `pitches: give 1 to ${MOST_NOTES} pitches as MIDI numbers.`);
  pitches.forEach((p, k) => checkWhole('BAD_OPTION', `pitches[${k}]`, p, 0, 163));
  return pitches;
}

function placeOf({ neck, strings, from, to }: Field, field: string, p: Place): Place {
  checkPlace(neck.instrument, p, field);
  if (!strings.includes(p.string) || p.fret < from || p.fret > to)
    fail('NO_ROUTE', field, `String ${p.string}, fret ${p.fret} is outside the strings and frets allowed.`);
  pitchOf(neck, field, midiAt(neck, p));
  return p;
}

function pitchOf(neck: ScaledNeck, field: string, midi: number): number {
  checkWhole('BAD_OPTION', `${field}.pitch`, midi, 0, 163);
  if (!neck.toneOf[midi % 12]) fail('NOT_IN_SCALE', field, `${pitchName(midi)} is not in the scale: choose a note of it.`);
  return midi;
}

/** Scale pitches from one to another, both included, in that order. */
function scaleBetween(neck: ScaledNeck, a: number, b: number): number[] {
  const step = a <= b ? 1 : -1;
  const pitches: number[] = [];
  for (let m = a; m !== b + step; m += step) if (neck.toneOf[m % 12]) pitches.push(m);
  return pitches;
}

type Steps = (neck: ScaledNeck, a: number, b: number) => number[];

const run: Steps = (neck, a, b) => (a === b ? [a, b] : scaleBetween(neck, a, b));

/** 1 3 2 4 3 5 …: every note with the next but one of the scale. */
const thirds: Steps = (neck, a, b) => {
  const scale = scaleBetween(neck, a, b);
  if (scale.length < 3)
    fail('NO_ROUTE', 'to', `No third of the scale lies between ${pitchName(a)} and ${pitchName(b)}: choose a farther goal.`);
  return scale.slice(0, -2).flatMap((m, k) => [m, scale[k + 2]!]);
};

const stepsBy = (motion: 'run' | 'thirds'): Steps =>
  motion === 'run'
    ? run
    : motion === 'thirds'
      ? thirds
      : fail('BAD_OPTION', 'motion', `motion: "${shown(motion)}" is none of run, thirds.`);

/** Up and down from the start as far as the field goes, at most three octaves; a line may end where the hand is at the fret. */
function linesToFret(field: Field, start: number, fret: number, motion: 'run' | 'thirds', begun: { readonly first?: Place }): RouteLine[] {
  const { neck } = field;
  checkWhole('BAD_OPTION', 'to.fret', fret, neck.nut + 1, neck.last);
  const mayEnd = (k: number): boolean => k > 0 && (motion === 'run' || k % 2 === 1);
  return [1, -1].flatMap((way): RouteLine[] => {
    const scale = scaleBetween(neck, start, Math.max(0, start + way * FARTHEST));
    const gap = scale.findIndex((m) => !placesIn(field, m).length);
    const reach = gap < 0 ? scale : scale.slice(0, gap);
    if (reach.length < (motion === 'run' ? 2 : 3)) return [];
    const pitches = stepsBy(motion)(neck, start, reach[reach.length - 1]!);
    return [{ options: optionsFor(field, pitches), ...begun, lastHand: fret, mayEnd }];
  });
}
