import { samePlace } from '../place';
import { bestPath, noCosts, type Option, type State, type Task } from '../fingering';
import { checkInstrument, checkPlace, openMidis } from '../instrument';
import { placesOf } from '../neck';
import { routeTask, weightsOf } from '../route/costs';
import { bestTonic, listScales, mod12, semitonesOf } from '../scale';
import type { Instrument, Place, ScaleRef } from '../types';

/** What became of a line or shape on another tuning. */
export interface Retuned {
  /** In the order given; null for a note that no longer exists. */
  readonly places: (Place | null)[];
  /** MIDI numbers of the notes that no longer exist, lowest first, each once. */
  readonly missing: number[];
  /** Keep the shape: the scale that the frets now sound, with the lowest note as tonic where it can be; null for none. */
  readonly scale?: ScaleRef | null;
}

/** What leaving the old string, or the old fret, costs in mm: the eye finds a note again where it was. */
const OTHER_STRING = 25;
const OTHER_FRET = 4;
/** Two places of a unison stay two where they can. */
const SAME_PLACE = 1000;

/**
 * A line or shape from one instrument to another (tuning, number of strings, frets, capo).
 * `sound` keeps every pitch and finds new frets: by the least effort, near to the old strings and frets. `shape` keeps
 * every string and fret and says what scale they have become: frets are counted from the capo, and on another number of
 * strings the two necks are laid side by side where most open pitches agree. Throws BAD_PLACE, BAD_INSTRUMENT.
 * Example: guitar to a four-string bass keeps E to E; E minor from the open strings behind a capo at 3 is 3 6 3 5.
 */
export function toTuning(from: Instrument, to: Instrument, shape: readonly Place[], keep: 'sound' | 'shape'): Retuned {
  checkInstrument(from);
  checkInstrument(to);
  shape.forEach((p, k) => checkPlace(from, p, `shape[${k}]`));
  return keep === 'sound' ? keepSound(from, to, shape) : keepShape(from, to, shape);
}

const sounds = (i: Instrument, places: readonly Place[]): number[] => {
  const open = openMidis(i);
  return places.map((p) => open[p.string - 1]! + p.fret);
};

function keepSound(from: Instrument, to: Instrument, shape: readonly Place[]): Retuned {
  const midis = sounds(from, shape);
  const there = midis.map((m) => placesOf(to, m));
  const found = nearestPlaces(to, shape, there);
  return { places: found, missing: lost(midis, found) };
}

/** The cheapest line through the notes that exist, each place weighed by how far it lies from the old one. */
function nearestPlaces(to: Instrument, shape: readonly Place[], there: Place[][]): (Place | null)[] {
  const kept = [...shape.keys()].filter((k) => there[k]!.length > 0);
  const options = kept.map((k): Option[] => there[k]!.map((p) => ({ ...p, tag: k + 1 })));
  const costs = routeTask(to, 'finger-per-fret', undefined, weightsOf());
  const away = (s: State): number => {
    const old = shape[s.tag - 1];
    return (s.string === old!.string ? 0 : OTHER_STRING) + OTHER_FRET * Math.abs(s.fret - old!.fret);
  };
  const merged = (a: State, b: State): number => {
    const [one, two] = [shape[a.tag - 1], shape[b.tag - 1]];
    const were = samePlace(one!, two);
    return !were && samePlace(a, b) ? SAME_PLACE : 0;
  };
  const near: Task = {
    ...costs,
    kept: noCosts(),
    options,
    own: (s, tell) => {
      costs.own(s, tell);
      tell('string', away(s));
    },
    extra: (a, b, tell) => {
      costs.extra(a, b, tell);
      tell('string', merged(a, b));
    },
  };
  const path = options.length ? bestPath(near) : null;
  const states = new Map((path?.states ?? []).map((s) => [s.tag - 1, s]));
  return shape.map((_, k) => {
    const s = states.get(k);
    return s ? { string: s.string, fret: s.fret } : null;
  });
}

/**
 * By how much string numbers change from one neck to another of another count: so that most open pitches agree, then
 * most letters, then as the thickest strings lie. The same count is never moved.
 */
function stringShift(from: Instrument, to: Instrument): number {
  const [a, b] = [openMidis(from), openMidis(to)];
  if (a.length === b.length) return 0;
  const thick = b.length - a.length;
  const agree = (by: number, like: (x: number, y: number) => boolean): number =>
    a.filter((x, k) => b[k + by] !== undefined && like(x, b[k + by]!)).length;
  const worth = (by: number): number[] => [agree(by, (x, y) => x === y), agree(by, (x, y) => mod12(x) === mod12(y)), -Math.abs(by - thick)];
  const all = Array.from({ length: a.length + b.length - 1 }, (_, k) => k - a.length + 1);
  return all.reduce((best, by) => (compare(worth(by), worth(best)) > 0 ? by : best), thick);
}

/** The first difference of two lists of numbers. */
const compare = (a: number[], b: number[]): number => a.map((x, k) => x - b[k]!).find((d) => d !== 0) ?? 0;

function keepShape(from: Instrument, to: Instrument, shape: readonly Place[]): Retuned {
  const nut = to.capo ?? 0;
  const [strings, frets] = [stringShift(from, to), nut - (from.capo ?? 0)];
  const moved = shape.map((p) => ({ string: p.string + strings, fret: p.fret + frets }));
  const fits = (p: Place): boolean => p.string >= 1 && p.string <= to.strings.length && p.fret >= nut && p.fret <= to.frets;
  const places = moved.map((p) => (fits(p) ? p : null));
  const kept = places.filter((p) => p !== null);
  return { places, missing: lost(sounds(from, shape), places), scale: kept.length ? scaleOf(sounds(to, kept)) : null };
}

const lost = (midis: number[], found: (Place | null)[]): number[] => [...new Set(midis.filter((_, k) => !found[k]))].sort((a, b) => a - b);

/** The catalogue's scale of exactly these pitch classes: with the lowest note as tonic, else with the next that gives one. */
function scaleOf(midis: number[]): ScaleRef | null {
  const upward = [...new Set([...midis].sort((a, b) => a - b).map(mod12))];
  for (const tonic of upward) {
    const wanted = keyOf(upward.map((c) => mod12(c - tonic)));
    const found = listScales().find((s) => keyOf(s.degrees.map((d) => mod12(semitonesOf(d)))) === wanted);
    if (found) return { tonic: bestTonic(tonic, found.id), scale: found.id };
  }
  return null;
}

const keyOf = (classes: number[]): string => [...new Set(classes)].sort((a, b) => a - b).join();
