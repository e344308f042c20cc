import { checkWhole, fail } from '../errors';
import type { ScaledNeck } from '../neck';
import { mod12, semitonesOf, skeletonOf } from '../scale';
import type { LayoutOf, Place } from '../types';
import { capital } from '../words';
import { pitchesFrom, stepFrom, withFolds } from './climb';
import { reroot } from './reanchor';
import type { LayoutRule } from './rule';
import { byPitch, type LayoutTask, type Draft } from './shape';
import { atPlace, jogsWords, octavesWords } from './words';
import { checkScalePlace } from './string-set';

/**
 * Two set sizes in turn, string by string, so that the shape climbs the neck; from a chosen root upward, and filled
 * backwards below it. Cut on the scale's pentatonic skeleton where it has one: the other notes go between their skeleton
 * neighbours, and where these lie on two strings to the higher one (minor or no third) or the lower (major third), so that
 * the root stays the last of its set, or the first. Counts that are given count all but passing notes.
 * Example: A Dorian from string 6, fret 5: 2 3 5 / 2 3 5 7 / 4 5 7 / 4 5 7 9 / … (common practice, no published source).
 */
function layDiagonal(task: LayoutTask, layout: LayoutOf<'diagonal'>): Draft[] {
  const { neck } = task;
  const root = checkRoot(neck, layout.root, 'layout.root');
  const given = checkedCounts(layout.counts);
  const sounds = cutOn(neck, given !== undefined);
  const counts = given ?? defaultCounts(sounds.length);
  const rows = withOthers(neck, sounds, grow(neck, root, sounds, counts, rootOffset(sounds, counts)));
  return withFolds(neck, rows.flat()).map((p, k) => ({
    number: k + 1,
    label: `diagonal ${counts[0]} and ${counts[1]}, from fret ${p[0]!.fret}`,
    places: byPitch(neck, p),
  }));
}

/** The notes that the sets count, in half steps above the tonic. */
function cutOn(neck: ScaledNeck, counted: boolean): number[] {
  const all = neck.tones.filter((t) => t.role !== 'passing').map((t) => t.semitones);
  return counted ? all : (skeletonOf(neck.ref.scale)?.map(semitonesOf) ?? all);
}

/** Throws unless the place sounds the tonic. */
export function checkRoot(neck: ScaledNeck, p: Place, field: string): Place {
  checkScalePlace(neck, p, field);
  if (neck.toneOf[(neck.open[p.string]! + p.fret) % 12]?.semitones === 0) return p;
  return fail('NOT_IN_SCALE', field, `${field}: string ${p.string}, fret ${p.fret} is not a root of this scale. Choose a root place.`);
}

function checkedCounts(counts: [number, number] | undefined): [number, number] | undefined {
  if (counts === undefined) return undefined;
  if (!Array.isArray(counts) || counts.length !== 2)
    fail('BAD_LAYOUT', 'layout.counts', 'layout.counts: give two counts, such as 2 and 3.');
  counts.forEach((c, k) => checkWhole('BAD_LAYOUT', `layout.counts[${k}]`, c, 1, 6));
  return counts;
}

const defaultCounts = (notes: number): [number, number] => (notes === 6 ? [2, 4] : [Math.floor(notes / 2), Math.ceil(notes / 2)]);

const isMajor = (sounds: number[]): boolean => sounds.includes(4) && !sounds.includes(3);

/** Where the root stands in the run of both sets, 0 being the first note of the first set. */
function rootOffset(sounds: number[], [a, b]: [number, number]): number {
  const byThird = isMajor(sounds) ? a : a - 1;
  if (sounds.length !== 5 || a + b !== 5) return byThird;
  const gap = (k: number): number => (sounds[(k + 1) % 5]! - sounds[k % 5]! + 12) % 12;
  const between = (offset: number): number => gap(a - 1 - offset + 5) + gap(a + b - 1 - offset + 5);
  const offsets = [byThird, ...[0, 1, 2, 3, 4].filter((o) => o !== byThird)];
  return offsets.reduce((best, o) => (between(o) > between(best) ? o : best));
}

/** MIDI numbers string by string, the lowest string first; off the neck too. */
function grow(neck: ScaledNeck, root: Place, sounds: number[], counts: [number, number], offset: number): number[][] {
  const classes = classesOf(neck, sounds);
  const at = neck.upward.indexOf(root.string);
  const side = offset < counts[0] ? 0 : 1;
  const countOn = (row: number): number => counts[(((row - at + side) % 2) + 2) % 2]!;
  const before = offset - (side === 0 ? 0 : counts[0]) + sum(neck.upward.slice(0, at).map((_, row) => countOn(row)));
  const lowest = pitchesFrom(classes, neck.open[root.string]! + root.fret, before + 1, -1)[before]!;
  const pitches = pitchesFrom(classes, lowest, sum(neck.upward.map((_, row) => countOn(row)))); // prettier-ignore
  return neck.upward.map((_, row) => pitches.splice(0, countOn(row)));
}

/** The places of the counted notes and, between them, of all others. At the ends as if there were one more string. */
function withOthers(neck: ScaledNeck, sounds: number[], rows: number[][]): Place[][] {
  const classes = classesOf(neck, sounds);
  const toLower = isMajor(sounds);
  return rows.map((own, row) => {
    const [first, last] = [own[0], own[own.length - 1]];
    const from = toLower ? first : stepFrom(classes, first!, -1) + 1;
    const to = toLower ? stepFrom(classes, last!, 1) - 1 : last;
    const string = neck.upward[row]!;
    const fretsOf = (midi: number): Place[] => (neck.toneOf[mod12(midi)] ? [{ string, fret: midi - neck.open[string]! }] : []);
    return Array.from({ length: to! - from! + 1 }, (_, k) => from! + k).flatMap(fretsOf);
  });
}

const classesOf = (neck: ScaledNeck, sounds: number[]): number[] => {
  const home = neck.toneOf.findIndex((t) => t?.semitones === 0);
  return sounds.map((s) => mod12(home + s));
};

const sum = (numbers: number[]): number => numbers.reduce((a, b) => a + b, 0);

/** Runs across the neck in repeating cells, climbing as they go. */
export const diagonals: LayoutRule<'diagonal'> = {
  fields: {
    root: { is: 'root', label: 'Root place' },
    counts: { is: 'pair', label: 'Counts in turn', from: 1, to: 6, offered: [[2, 3], [3, 4], [2, 4], [3, 3], [2, 2], [4, 3]] }, // prettier-ignore
  },
  lay: layDiagonal,
  school: () => 'first-and-third',
  reanchor: reroot,
  says: (l) => `a diagonal${l.counts ? ` of ${l.counts.join(' and ')}` : ''} from ${atPlace(l.root)}`,
  why: (_, { shape, shapes }) =>
    `Two counts take turns, so every pair of strings moves the hand up the neck. ${capital(jogsWords(shape))}. ${octavesWords(shapes, shape)}`,
  offers: ({ root }) => [{ layout: { kind: 'diagonal', root }, detail: 'climbs the neck, two counts in turn' }],
};
