import { bestPath, type Option, type State } from '../fingering';
import { checkInstrument, checkPlace, openMidis } from '../instrument';
import { placesOf } from '../neck';
import { routeTask, weightsOf } from '../route/costs';
import { bestTonic, listScales, mod12, semitonesOf } from '../scale';
import type { Instrument, Place, ScaleRef } from '../types';

/** What became of a line or shape on another tuning. */
export interface Retuned {
  /** In the order given; null for a note that no longer exists. */
  places: (Place | null)[];
  /** MIDI numbers of the notes that no longer exist, lowest first, each once. */
  missing: number[];
  /** Keep the shape: the scale that the frets now sound, with the lowest note as tonic where it can be; null for none. */
  scale?: ScaleRef | null;
}

/** What leaving the old string, or the old fret, costs in mm: the eye finds a note again where it was. */
const OTHER_STRING = 25;
const OTHER_FRET = 4;
/** Two places of a unison stay two where they can. */
const SAME_PLACE = 1000;

/**
 * A line or shape from one instrument to another (tuning, number of strings, frets, capo).
 * `sound` keeps every pitch and finds new frets: by the least effort, near to the old strings and frets. `shape` keeps
 * every string and fret and says what scale they have become. Throws BAD_PLACE, BAD_INSTRUMENT.
 */
export function toTuning(from: Instrument, to: Instrument, shape: readonly Place[], keep: 'sound' | 'shape'): Retuned {
  checkInstrument(from);
  checkInstrument(to);
  shape.forEach((p, k) => checkPlace(from, p, `shape[${k}]`));
  return keep === 'sound' ? keepSound(from, to, shape) : keepShape(from, to, shape);
}

const sounds = (i: Instrument, places: readonly Place[]): number[] => {
  const open = openMidis(i);
  return places.map((p) => open[p.string - 1] + p.fret);
};

function keepSound(from: Instrument, to: Instrument, shape: readonly Place[]): Retuned {
  const midis = sounds(from, shape);
  const there = midis.map((m) => placesOf(to, m));
  const found = nearestPlaces(to, shape, there);
  return { places: found, missing: lost(midis, found) };
}

/** The cheapest line through the notes that exist, each place weighed by how far it lies from the old one. */
function nearestPlaces(to: Instrument, shape: readonly Place[], there: Place[][]): (Place | null)[] {
  const kept = [...shape.keys()].filter((k) => there[k].length > 0);
  const options = kept.map((k): Option[] => there[k].map((p) => ({ ...p, tag: k + 1 })));
  const costs = routeTask(to, [0, ...openMidis(to)], 'finger-per-fret', 'medium', weightsOf());
  const away = (s: State): number => {
    const old = shape[s.tag - 1];
    return (s.string === old.string ? 0 : OTHER_STRING) + OTHER_FRET * Math.abs(s.fret - old.fret);
  };
  const merged = (a: State, b: State): number => {
    const [one, two] = [shape[a.tag - 1], shape[b.tag - 1]];
    const were = one.string === two.string && one.fret === two.fret;
    return !were && a.string === b.string && a.fret === b.fret ? SAME_PLACE : 0;
  };
  const path = options.length
    ? bestPath({ ...costs, options, own: (s) => costs.own(s) + away(s), extra: (a, b) => costs.extra(a, b) + merged(a, b) })
    : null;
  const states = new Map((path?.states ?? []).map((s) => [s.tag - 1, s]));
  return shape.map((_, k) => {
    const s = states.get(k);
    return s ? { string: s.string, fret: s.fret } : null;
  });
}

function keepShape(from: Instrument, to: Instrument, shape: readonly Place[]): Retuned {
  const nut = to.capo ?? 0;
  const fits = (p: Place): boolean => p.string <= to.strings.length && p.fret >= nut && p.fret <= to.frets;
  const places = shape.map((p) => (fits(p) ? { string: p.string, fret: p.fret } : null));
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
