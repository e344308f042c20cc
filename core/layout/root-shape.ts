import { checkWhole, fail } from '../errors';
import { checkPlace } from '../instrument';
import { scaledNeck } from '../neck';
import { placeKey, samePlace } from '../place';
import type { FingeringSchool, Hand, Instrument, Layout, LayoutKind, Place, ScaleRef, Shape } from '../types';
import { checkRoot } from './diagonal';
import { hungOn, layOut, ruleOf } from './index';

/** What a shape over a root is laid out with. */
export interface RootOptions {
  /** The finger that is to take the root, 1 index to 4 little. */
  readonly finger?: 1 | 2 | 3 | 4;
  /** By which school it is fingered. */
  readonly school?: FingeringSchool;
  /** The player's hand; a medium one if left out. */
  readonly hand?: Hand;
}

const fingerAt = (s: Shape, p: Place): number | undefined => s.notes.find((n) => samePlace(n, p))?.finger;
const startsAt = (s: Shape, p: Place): boolean => s.cells.some((c) => c.string === p.string && c.frets[0] === p.fret);

/**
 * Which of some shapes a player means by "the root here", by index; -1 where there is none. n a string: the one that
 * starts there. Windows: the one with the asked finger on it, the index unless said. Else the one that holds it (under the
 * asked finger) with the hand nearest to `near`, or to where the finger puts it. Common practice, no published source.
 */
export function shapeAtRoot(kind: LayoutKind, shapes: readonly Shape[], root: Place, finger?: number, near?: number): number {
  const holding = shapes.map((s, index) => ({ s, index })).filter(({ s }) => fingerAt(s, root) !== undefined);
  const under = (f: number): typeof holding => holding.filter(({ s }) => fingerAt(s, root) === f);
  const usual = (): typeof holding => {
    const { opensBy } = ruleOf(kind);
    const first = opensBy === 'start' ? holding.filter(({ s }) => startsAt(s, root)) : opensBy === 'index' ? under(1) : holding;
    return first.length ? first : holding;
  };
  const meant = finger === undefined ? usual() : under(finger);
  const hand = near ?? root.fret - ((finger ?? 1) - 1);
  const far = ({ s }: (typeof holding)[number]): number => Math.abs(s.handFret - hand);
  return [...meant].sort((a, b) => far(a) - far(b) || a.index - b.index)[0]?.index ?? -1;
}

/**
 * The shape of a layout with the root at a place, under a finger if one is asked: see shapeAtRoot. Layouts that grow from
 * a root grow from this one. Throws NOT_IN_SCALE where the place sounds no tonic, NO_SHAPE_FITS where no shape has it (under
 * that finger), BAD_OPTION for a finger out of 1 to 4, and what layOut throws.
 * Example: A major on E A D G B E, windows, string 6, fret 5, finger 2: 4 5 7 / 4 5 7 / 4 6 7 / 4 6 7 / 5 7 / 4 5 7.
 * @example rootShape(six, minor, boxes, { string: 6, fret: 5 }).lowFret // 5
 */
export function rootShape(i: Instrument, ref: ScaleRef, layout: Layout, root: Place, o: RootOptions = {}): Shape {
  if (o.finger !== undefined) checkWhole('BAD_OPTION', 'finger', o.finger, 1, 4);
  checkRoot(scaledNeck(i, ref), root, 'root');
  const shapes = layOut(i, ref, hungOn(layout, root), o);
  const found = shapes[shapeAtRoot(layout.kind, shapes, root, o.finger)];
  return (
    found ??
    fail(
      'NO_SHAPE_FITS',
      'root',
      `No shape of this layout has string ${root.string}, fret ${root.fret}${o.finger === undefined ? '' : ` under finger ${o.finger}`}. Choose another place, finger or layout.`,
    )
  );
}

/**
 * Rungs of a layout that hold every place of a grip, the hand nearest to the grip first, of two alike the one that begins nearest to it. Throws BAD_PLACE, and what layOut throws.
 * @example shapesUnder(six, minor, boxes, [{ string: 6, fret: 5 }]).length // 2
 */
export function shapesUnder(
  i: Instrument,
  ref: ScaleRef,
  layout: Layout,
  grip: readonly Place[],
): { readonly index: number; readonly label: string; readonly handFret: number }[] {
  grip.forEach((p, k) => checkPlace(i, p, `grip[${k}]`));
  const fretted = grip.map((p) => p.fret).filter((f) => f > (i.capo ?? 0));
  const low = fretted.length ? Math.min(...fretted) : (i.capo ?? 0);
  const keys = grip.map(placeKey);
  return layOut(i, ref, layout)
    .map((s, index) => ({ index, label: s.label, handFret: s.handFret, lowFret: s.lowFret, held: new Set(s.notes.map(placeKey)) }))
    .filter((s) => keys.every((k) => s.held.has(k)))
    .sort(
      (a, b) =>
        Math.abs(a.handFret - low) - Math.abs(b.handFret - low) ||
        Math.abs(a.lowFret - low) - Math.abs(b.lowFret - low) ||
        a.index - b.index,
    )
    .map(({ index, label, handFret }) => ({ index, label, handFret }));
}

const DAMPED = /^[xX]$/;

/**
 * A grip as it is written: a fret a string, thickest first, x for a string that is not sounded. One sign a string
 * (x57765), or with dashes or blanks between (x-10-12-12-11-10). Throws BAD_PLACE with what is wrong.
 * @example parseGrip('x32010', six).length // 5
 */
export function parseGrip(text: string, i: Instrument): Place[] {
  const written = text.trim();
  const signs = /[-\s]/.test(written) ? written.split(/[-\s]+/) : [...written];
  const count = i.strings.length;
  if (signs.length !== count)
    fail(
      'BAD_PLACE',
      'grip',
      `A grip has one sign for each of the ${count} strings, thickest first, such as x57765; here stand ${signs.length}.`,
    );
  return signs.flatMap((sign, k): Place[] => {
    if (DAMPED.test(sign)) return [];
    if (!/^\d{1,2}$/.test(sign))
      fail('BAD_PLACE', 'grip', `“${sign.slice(0, 10)}” is no fret: write a number, or x for a string that is not sounded.`);
    const place = { string: count - k, fret: Number(sign) };
    checkPlace(i, place, 'grip');
    return [place];
  });
}
