import { BORDER_FRET, isBelow } from '../place';
import { checkWhole, fail } from '../errors';
import { checkHand, runToEnd, type State } from '../fingering';
import { checkInstrument, openMidis, stringsUpward, toneIndex } from '../instrument';
import { scaledNeck, widestMm, type ScaledNeck } from '../neck';
import { routeTask, weightsOf, type RouteTask } from '../route/costs';
import { fieldOf, optionsFor } from '../route/line';
import { solve } from '../route/route';
import type { FingeringSchool, Hand, Instrument, Join, LineTiming, Route, RouteWeights } from '../types';
import type { LickCopy } from '../lick/types';

/** How the copies of a line are looked for. */
export interface CopyOptions extends LineTiming {
  /** By which school copies are fingered. */
  readonly school: FingeringSchool;
  /** The player's hand; a medium one if left out. */
  readonly hand?: Hand;
  /** What counts how much. */
  readonly weights?: Partial<RouteWeights>;
  /** Octaves to look in, 0 at pitch: 0, -1 and 1 unless given. */
  readonly octaves?: readonly number[];
  /** Fret that divides the neck into two regions: 7 unless given. */
  readonly border?: number;
}

const OCTAVES = [0, -1, 1];

/** Where a copy may lie: a stretch of frets on some strings. */
interface Window {
  /** Strings that it spans. */
  readonly strings: number[];
  /** The lowest fret. */
  readonly from: number;
  /** The highest fret. */
  readonly to: number;
}

/**
 * Every playable copy of a line of pitches (MIDI numbers), at pitch and octaves away, least effort first within each octave. A copy is the
 * best line in a stretch of the neck that holds all its notes and loses one if it is made any narrower, whether all
 * strings may be used, or one alone, or two neighbours; notes that are hammered, pulled or slid to stay on the string of the note before. Empty where the line fits nowhere.
 * Throws BAD_OPTION, BAD_INSTRUMENT.
 * @example copiesOf(six, [45, 48], plain).length > 1 // true
 */
export const copiesOf = (i: Instrument, pitches: readonly number[], o: CopyOptions): LickCopy[] => runToEnd(copying(i, pitches, o));

/** copiesOf bit by bit, for a worker: yields the share of the work done, 0 to 1. */
export function* copying(i: Instrument, pitches: readonly number[], o: CopyOptions): Generator<number, LickCopy[]> {
  checkInstrument(i);
  checkHand(o.school, o.hand);
  if (!pitches.length) fail('BAD_OPTION', 'pitches', 'pitches: give one pitch at least.');
  pitches.forEach((p, k) => checkWhole('BAD_OPTION', `pitches[${k}]`, p, 0, 163));
  const neck = scaledNeck(i, { tonic: 'C', scale: 'chromatic' });
  const costs = routeTask(i, o.school, o.hand, weightsOf(o.weights));
  const places = (o.octaves ?? OCTAVES).flatMap((octave) => {
    const line = pitches.map((p) => p + 12 * octave);
    return stringGroups(i).flatMap((strings) => tightest(neck, strings, line).map((window) => ({ octave, line, window })));
  });
  const copies: LickCopy[] = [];
  for (const [k, { octave, line, window }] of places.entries()) {
    const route = yield* bestIn(neck, costs, line, window, o);
    if (route) copies.push(copyOf(i, route, octave, line, o.border ?? BORDER_FRET));
    yield (k + 1) / places.length;
  }
  return oncePerPlaces(copies).sort(rankCopies);
}

/** At pitch first, then the octave below and above, and so on; by effort within each; of equal effort the lower on the neck, then the thinner strings. */
export const rankCopies = (a: LickCopy, b: LickCopy): number =>
  Math.abs(a.octave) - Math.abs(b.octave) ||
  a.octave - b.octave ||
  a.cost - b.cost ||
  a.lowFret - b.lowFret ||
  a.strings[0]! - b.strings[0]!;

/** Copies that lie on the same places are one. */
function oncePerPlaces(copies: readonly LickCopy[]): LickCopy[] {
  const seen = new Set<string>();
  return copies.filter((c) => {
    const key = c.steps.map((s) => `${s.string}/${s.fret}`).join(' ');
    return !seen.has(key) && seen.add(key);
  });
}

/** All strings, every string alone, every two neighbours in sound. */
function stringGroups(i: Instrument): number[][] {
  const upward = stringsUpward(i);
  const pairs = upward.slice(1).map((s, k) => [upward[k]!, s]);
  return [upward, ...(upward.length > 1 ? upward.map((s) => [s]) : []), ...(upward.length > 2 ? pairs : [])];
}

/** The stretches of frets that hold every pitch on these strings and none that is narrower inside them. */
function tightest(neck: ScaledNeck, strings: number[], line: readonly number[]): Window[] {
  const frets = [...new Set(line)].map((m) => strings.map((s) => m - neck.open[s]!).filter((f) => f >= neck.nut && f <= neck.last));
  if (frets.some((f) => !f.length)) return [];
  const windows: Window[] = [];
  for (let from = neck.nut; from <= neck.last; from++) {
    const reach = frets.map((f) => Math.min(...f.filter((x) => x >= from), Infinity));
    const to = Math.max(...reach);
    if (to === Infinity) break;
    const last = windows[windows.length - 1];
    if (last?.to === to) windows.pop();
    windows.push({ strings, from, to });
  }
  return windows;
}

function* bestIn(
  neck: ScaledNeck,
  costs: RouteTask,
  line: readonly number[],
  { strings, from, to }: Window,
  timing: LineTiming,
): Generator<number, Route | null> {
  const field = fieldOf(neck, { strings, within: { fromFret: from, toFret: to } });
  const { joins = [] } = timing;
  const joined = (k: number): boolean => SLURS.has(joins[k] ?? 'tie');
  const options = optionsFor(field, line).map((o, k) => (joined(k) ? o.map((p) => ({ ...p, tag: JOINED })) : o));
  const torn = line.some((_, k) => joined(k));
  const follows = (a: State, b: State): boolean => b.tag !== JOINED || a.string === b.string;
  const [route] = yield* solve(neck, costs, [{ options, timing, ...(torn ? { follows } : {}) }], { school: 'finger-per-fret', count: 1 });
  return route ?? null;
}

/** Joins that need both notes on one string, and how such a note is marked. */
const SLURS = new Set<Join>(['hammer', 'pull', 'slide']);
const JOINED = 1;

function copyOf(i: Instrument, r: Route, octave: number, line: readonly number[], border: number): LickCopy {
  const frets = r.steps.map((s) => s.fret);
  const [lowFret, highFret] = [Math.min(...frets), Math.max(...frets)];
  const strings = [...new Set(r.steps.map((s) => s.string))].sort((a, b) => a - b);
  const { steps, cost, shifts, travelMm } = r;
  const tone = steps.reduce((sum, s) => sum + toneIndex(i, s), 0) / steps.length;
  return {
    octave,
    steps,
    cost,
    shifts,
    travelMm,
    lowFret,
    highFret,
    widthMm: widestMm(i, strings, lowFret, highFret),
    strings,
    tone,
    region: isBelow(highFret, border) ? 'below' : isBelow(lowFret, border) ? 'across' : 'above',
    single: singles(i, line),
  };
}

/** Notes that have one place only. */
function singles(i: Instrument, line: readonly number[]): number[] {
  const open = openMidis(i);
  const nut = i.capo ?? 0;
  const count = (m: number): number => open.filter((o) => m - o >= nut && m - o <= i.frets).length;
  return line.flatMap((m, k) => (count(m) === 1 ? [k] : []));
}
