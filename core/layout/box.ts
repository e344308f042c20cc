import { fail } from '../errors';
import { type ScaledNeck } from '../neck';
import { isMinorSkeleton, semitonesOf, skeletonOf } from '../scale';
import type { LayoutOf, Numbering, Place } from '../types';
import { byPitch, type Bench, type Draft } from './shape';
import { climb, isWhole, onNeck, startsOn, stepFrom } from './climb';

/** Neighbouring strings are taken to be a fourth apart beyond the outermost ones. */
const FOURTH = 5;

/**
 * Five positions: two skeleton notes on every string, the other notes of the scale fitted round them
 * (domain 4.2; rulings 5, 6). One draft for every place the skeleton's box lies whole on the neck.
 */
export function layBoxes(bench: Bench, layout: LayoutOf<'box'>): Draft[] {
  const { neck } = bench;
  const numbering = layout.numbering ?? 'minor-root';
  if (numbering !== 'minor-root' && numbering !== 'major-root')
    fail('BAD_LAYOUT', 'layout.numbering', `layout.numbering: "${String(numbering)}" is neither minor-root nor major-root.`);
  const skeleton = skeletonClasses(neck);
  const two = neck.upward.map(() => 2);
  return startsOn(neck, skeleton, neck.upward[0]).flatMap(({ midi, index }) => {
    const cells = climb(neck, skeleton, midi, neck.upward, two);
    if (!isWhole(neck, cells)) return [];
    const number = ((index - firstIndex(neck, numbering) + 5) % 5) + 1;
    const label = `${numbering === 'minor-root' ? 'box' : 'pattern'} ${number}`;
    return [{ number, label, places: byPitch(neck, [...cells.flat(), ...addedPlaces(neck, skeleton, cells)]) }];
  });
}

function skeletonClasses(neck: ScaledNeck): number[] {
  const degrees = skeletonOf(neck.ref.scale);
  if (!degrees)
    return fail(
      'NO_SKELETON',
      'layout',
      'This scale has no five-box layout, as it holds no pentatonic to build on. Use windows or notes per string instead.',
    );
  const home = neck.toneOf.findIndex((t) => t?.semitones === 0);
  return degrees.map((d) => (home + semitonesOf(d)) % 12);
}

/** Which skeleton note starts number 1: the minor root or the major root. */
function firstIndex(neck: ScaledNeck, numbering: Numbering): number {
  const minor = isMinorSkeleton(skeletonOf(neck.ref.scale) ?? []);
  if (numbering === 'minor-root') return minor ? 0 : 4;
  return minor ? 1 : 0;
}

/** The two skeleton pitches of one string; a string beyond the outermost is not there, but counts in the choice. */
interface Pair {
  string: number | null;
  open: number;
  low: number;
  high: number;
}

/** Where the notes between the skeleton's go: inside a string's pair, or to one of two neighbouring strings. */
function addedPlaces(neck: ScaledNeck, skeleton: number[], cells: Place[][]): Place[] {
  const real = cells.map(([a, b]): Pair => {
    const open = neck.open[a.string];
    return { string: a.string, open, low: open + a.fret, high: open + b.fret };
  });
  const all = [beyond(skeleton, real[0], -1), ...real, beyond(skeleton, real[real.length - 1], 1)];
  const inside = real.flatMap((p) => scaleBetween(neck, p.low, p.high).map((m) => ({ string: p.string as number, fret: m - p.open })));
  const between = all
    .slice(1)
    .flatMap((upper, k) => scaleBetween(neck, all[k].high, upper.low).flatMap((m) => placeBetween(neck, all[k], upper, m)));
  return [...inside, ...between];
}

/** The pair of the string that would follow, a fourth further down or up. */
function beyond(skeleton: number[], edge: Pair, by: 1 | -1): Pair {
  const near = stepFrom(skeleton, by > 0 ? edge.high : edge.low, by);
  const far = stepFrom(skeleton, near, by);
  return { string: null, open: edge.open + by * FOURTH, low: Math.min(near, far), high: Math.max(near, far) };
}

function scaleBetween(neck: ScaledNeck, low: number, high: number): number[] {
  const between: number[] = [];
  for (let m = low + 1; m < high; m++) if (neck.toneOf[m % 12]) between.push(m);
  return between;
}

/** The string whose cell stays narrower in frets; on a tie the higher; off the neck the other, else none. */
function placeBetween(neck: ScaledNeck, lower: Pair, upper: Pair, midi: number): Place[] {
  const choices = midi - lower.low < upper.high - midi ? [lower, upper] : [upper, lower];
  const there = choices.find((p) => onNeck(neck, midi - p.open));
  return there && there.string !== null ? [{ string: there.string, fret: midi - there.open }] : [];
}
