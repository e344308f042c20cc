import type { Jog, Place, Shape, ShapeNote, Stretch } from '../types';
import { intervalWords, many } from '../words';

const FINGER = ['open string', 'first finger', 'middle finger', 'ring finger', 'little finger'];

/**
 * A place in words.
 */
export const atPlace = (p: Place): string => `string ${p.string}, fret ${p.fret}`;
/**
 * How many notes a string has, in words.
 */
export const notesAString = (n: number): string => `${many(n, 'note')} a string`;

/**
 * Example: "one fret up from string 2 on: strings 3 and 2 are a major third apart".
 * @example jogWords(box.jogs[0] ?? { between: [2, 3], semitones: 1 }) // 'one fret up from string 2 on: strings 3 and 2 are a major third apart'
 */
export function jogWords(j: Jog): string {
  return `${many(Math.abs(j.frets), 'fret')} ${j.frets > 0 ? 'up' : 'down'} from string ${j.above} on: strings ${j.below} and ${j.above} are ${intervalWords(j.semitones)} apart`;
}

/**
 * Things that share a key, in order of first appearance.
 * @example groupBy([1, 2, 3], (n) => String(n % 2)) // [[1, 3], [2]]
 */
export const groupBy = <T>(items: readonly T[], key: (t: T) => string): T[][] => {
  const groups = new Map<string, T[]>();
  for (const t of items) groups.set(key(t), [...(groups.get(key(t)) ?? []), t]);
  return [...groups.values()];
};

/** Example: "first finger to fret 1 on strings 4, 3"; "none". */
export const stretchWords = (stretches: readonly Stretch[]): string =>
  groupBy(stretches, (s) => `${s.finger}/${s.fret}`)
    .map(
      (group) =>
        `${FINGER[group[0]!.finger]} to fret ${group[0]!.fret} on string${group.length > 1 ? 's' : ''} ${group.map((s) => s.string).join(', ')}`,
    ) // prettier-ignore
    .join('; ') || 'none';

/**
 * The same shape again some twelves of frets away: every cell moved alike.
 * @example foldedCopies([box], box).length // 0
 */
export function foldedCopies(shapes: readonly Shape[], shape: Shape): Shape[] {
  const form = (s: Shape): string => s.cells.map((c) => `${c.string}:${c.frets.map((f) => f - s.lowFret).join()}`).join(' ');
  return shapes.filter((s) => s !== shape && (s.lowFret - shape.lowFret) % 12 === 0 && form(s) === form(shape));
}

/** Where a shape jogs along the neck, in words; empty where it does not. */
export const jogsWords = (shape: Shape): string =>
  shape.jogs.length ? shape.jogs.map(jogWords).join('; ') : 'all strings are a fourth apart, so nothing jogs';

/** How far a shape reaches, in words of octaves and its place among the others. */
export function octavesWords(shapes: readonly Shape[], shape: Shape): string {
  const copies = foldedCopies(shapes, shape);
  return copies.length
    ? `It lies again twelve frets away, at fret ${copies.map((s) => s.lowFret).join(' and ')}.`
    : 'No whole copy twelve frets away fits.';
}

/** Notes that one place of the hand plays, and how the hand came there: by sliding on a finger, or by a shift. */
export interface HandGroup {
  /** Notes played from one place of the hand. */
  readonly notes: ShapeNote[];
  /** How the hand came there. */
  readonly by: 'start' | 'slide' | 'shift';
}

/**
 * A shape's notes as the hand takes them, place by place.
 * @example handGroups(box).length // 1
 */
export function handGroups(shape: Shape): HandGroup[] {
  let from = 0;
  return shape.hands.map(({ notes: count }): HandGroup => {
    const notes = shape.notes.slice(from, (from += count));
    const before = shape.notes[from - count - 1];
    if (!before) return { notes, by: 'start' };
    return { notes, by: before.finger === notes[0]!.finger && before.string === notes[0]!.string ? 'slide' : 'shift' };
  });
}

/** Example: "2 4 5, shift, 7 9 10, shift, 12 14". */
export const groupsWords = (shape: Shape): string =>
  handGroups(shape)
    .map((g) => `${g.by === 'start' ? '' : `${g.by}, `}${g.notes.map((n) => n.fret).join(' ')}`)
    .join(', ');

/** What a shape of places turned out to be, where it took the name of a known one. */
export const becameWords = (shape: Shape): string => (shape.known ? ` It turned out to be ${shape.label}.` : '');
