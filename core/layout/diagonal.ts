import { checkWhole, fail } from '../errors';
import type { ScaledNeck } from '../neck';
import type { LayoutOf, Place } from '../types';
import { pitchesFrom, scaleClasses, withFolds } from './climb';
import { byPitch, type Bench, type Draft } from './shape';
import { checkScalePlace } from './string-set';

/**
 * Two set sizes in turn, string by string, so that the shape climbs the neck; from a chosen root upward, and
 * filled backwards below it (domain 4.6; ruling 7).
 */
export function layDiagonal(bench: Bench, layout: LayoutOf<'diagonal'>): Draft[] {
  const { neck } = bench;
  const root = checkRoot(neck, layout.root, 'layout.root');
  const counts = checkedCounts(layout.counts) ?? defaultCounts(neck.tones.length);
  const places = grow(neck, root, counts, rootOffset(neck, counts));
  return withFolds(neck, places).map((p, k) => ({
    number: k + 1,
    label: `diagonal ${counts[0]} and ${counts[1]}, from fret ${p[0].fret}`,
    places: byPitch(neck, p),
  }));
}

/** Throws unless the place sounds the tonic. */
export function checkRoot(neck: ScaledNeck, p: Place, field: string): Place {
  checkScalePlace(neck, p, field);
  if (neck.toneOf[(neck.open[p.string] + p.fret) % 12]?.semitones === 0) return p;
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

/** Where the root stands in the run of both sets, 0 being the first note of the first set. */
function rootOffset(neck: ScaledNeck, [a, b]: [number, number]): number {
  const sounds = neck.tones.map((t) => t.semitones);
  const byThird = sounds.includes(4) && !sounds.includes(3) ? a : a - 1;
  if (sounds.length !== 5 || a + b !== 5) return byThird;
  const gap = (k: number): number => (sounds[(k + 1) % 5] - sounds[k % 5] + 12) % 12;
  const between = (offset: number): number => gap(a - 1 - offset + 5) + gap(a + b - 1 - offset + 5);
  const offsets = [byThird, ...[0, 1, 2, 3, 4].filter((o) => o !== byThird)];
  return offsets.reduce((best, o) => (between(o) > between(best) ? o : best));
}

function grow(neck: ScaledNeck, root: Place, counts: [number, number], offset: number): Place[] {
  const classes = scaleClasses(neck);
  const at = neck.upward.indexOf(root.string);
  const side = offset < counts[0] ? 0 : 1;
  const countOn = (row: number): number => counts[(((row - at + side) % 2) + 2) % 2];
  const before = offset - (side === 0 ? 0 : counts[0]) + sum(neck.upward.slice(0, at).map((_, row) => countOn(row)));
  const lowest = pitchesFrom(classes, neck.open[root.string] + root.fret, before + 1, -1)[before];
  const pitches = pitchesFrom(classes, lowest, sum(neck.upward.map((_, row) => countOn(row)))); // prettier-ignore
  return neck.upward.flatMap((string, row) => pitches.splice(0, countOn(row)).map((m) => ({ string, fret: m - neck.open[string] })));
}

const sum = (numbers: number[]): number => numbers.reduce((a, b) => a + b, 0);
