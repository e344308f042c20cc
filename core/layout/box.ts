import { keysOf } from '../typed';
import { checkOneOf, fail } from '../errors';
import { type ScaledNeck } from '../neck';
import { isMinorSkeleton, mod12, semitonesOf, skeletonOf } from '../scale';
import type { LayoutOf, Numbering, Place } from '../types';
import { capital } from '../words';
import { climb, onNeck, stepFrom } from './climb';
import type { LayoutRule } from './rule';
import { byPitch, type LayoutTask, type Draft } from './shape';
import { jogsWords } from './words';

/** Neighbouring strings are taken to be a fourth apart beyond the outermost ones. */
const FOURTH = 5;

/**
 * Five positions: two skeleton notes on every string, the other notes of the scale fitted round them
 * One draft for every place where the box lies on the neck; at an end it is the same box less the notes that are missing,
 * never with notes moved to other strings (docs/decisions.md).
 */
function layBoxes(task: LayoutTask, layout: LayoutOf<'box'>): Draft[] {
  const { neck } = task;
  const numbering = layout.numbering ?? 'minor-root';
  checkOneOf('BAD_LAYOUT', 'layout.numbering', numbering, ['minor-root', 'major-root']);
  const skeleton = skeletonClasses(neck);
  const word = numbering === 'minor-root' ? 'box' : 'pattern';
  return startsAround(neck, skeleton).flatMap(({ midi, index }) => {
    const whole = boxFrom(neck, skeleton, midi) ?? [];
    const places = whole.filter((p) => onNeck(neck, p.fret));
    const missing = whole.length - places.length;
    if (!places.length || missing > whole.length * MOST_MISSING) return [];
    const number = ((index - firstIndex(neck, numbering) + 5) % 5) + 1;
    return [{ number, label: `${word} ${number}`, places, ...(missing ? { missing } : {}) }];
  });
}

/** A box at an end of the neck that lacks a larger share of its notes is none. */
const MOST_MISSING = 0.25;

/** Where boxes can begin on the lowest string, beyond the ends of the neck too, as long as some of them can lie on it. */
function startsAround(neck: ScaledNeck, skeleton: number[]): { readonly midi: number; readonly index: number }[] {
  const open = neck.open[neck.upward[0]!]!;
  const starts: { readonly midi: number; readonly index: number }[] = [];
  for (let fret = neck.nut - 12; fret <= neck.last + 12; fret++) {
    const index = skeleton.indexOf(mod12(open + fret));
    if (index >= 0) starts.push({ midi: open + fret, index });
  }
  return starts;
}

/** The whole box in playing order, as if the neck had no ends; null where no note of its skeleton lies on the neck: too little of it does. */
function boxFrom(neck: ScaledNeck, skeleton: number[], midi: number): Place[] | null {
  const cells = climb(neck, skeleton, midi, neck.upward, neck.upward.map(() => 2)); // prettier-ignore
  if (!cells.some((cell) => cell.some((p) => onNeck(neck, p.fret)))) return null;
  return byPitch(neck, [...cells.flat(), ...addedPlaces(neck, skeleton, cells)]);
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
  /** The string, or null. */
  readonly string: number | null;
  /** MIDI number of the open string. */
  readonly open: number;
  /** Fret of the lower note. */
  readonly low: number;
  /** Fret of the higher note. */
  readonly high: number;
}

/** Where the notes between the skeleton's go: inside a string's pair, or to one of two neighbouring strings. */
function addedPlaces(neck: ScaledNeck, skeleton: number[], cells: Place[][]): Place[] {
  const real = cells.map(([a, b]): Pair => {
    const open = neck.open[a!.string]!;
    return { string: a!.string, open, low: open + a!.fret, high: open + b!.fret };
  });
  const all = [beyond(skeleton, real[0]!, -1), ...real, beyond(skeleton, real[real.length - 1]!, 1)];
  const inside = real.flatMap((p) => scaleBetween(neck, p.low, p.high).map((m) => ({ string: p.string as number, fret: m - p.open })));
  const between = all
    .slice(1)
    .flatMap((upper, k) => scaleBetween(neck, all[k]!.high, upper.low).flatMap((m) => placeBetween(all[k]!, upper, m)));
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
  for (let m = low + 1; m < high; m++) if (neck.toneOf[mod12(m)]) between.push(m);
  return between;
}

/** The string whose cell stays narrower in frets; on a tie the higher; beyond the outermost strings none. */
function placeBetween(lower: Pair, upper: Pair, midi: number): Place[] {
  const there = midi - lower.low < upper.high - midi ? lower : upper;
  return there.string === null ? [] : [{ string: there.string, fret: midi - there.open }];
}

const NUMBERINGS: Record<Numbering, { readonly says: string; readonly detail: string }> = {
  'minor-root': { says: 'five boxes', detail: 'box 1 has the minor root lowest' },
  'major-root': { says: 'five patterns', detail: 'pattern 1 has the major root lowest' },
};
const BOTH = keysOf(NUMBERINGS);

/** Five boxes of a pentatonic, two notes a string, the notes of a longer scale between them. */
export const boxes: LayoutRule<'box'> = {
  fields: {
    numbering: {
      is: 'choice',
      label: 'Numbered',
      byName: true,
      usual: 'minor-root',
      of: BOTH.map((value) => ({ value, label: NUMBERINGS[value].says })),
    },
  },
  lay: layBoxes,
  school: () => 'finger-per-fret',
  says: (l) => NUMBERINGS[l.numbering ?? 'minor-root'].says,
  why: (_, { shape }) =>
    `Two skeleton notes on every string; the other notes go where the hand stays narrower. ${capital(jogsWords(shape))}.`,
  offers: () => BOTH.map((numbering) => ({ layout: { kind: 'box', numbering }, detail: NUMBERINGS[numbering].detail })),
  known: [{ kind: 'box', numbering: 'minor-root' }],
  twins: true,
};
