import { samePlace } from '../../place';
import { lastPart, oncePerShape, shapeKeyOn, shapeOfKey } from '../make';
import type { QuizRule } from '../types';

/** Strings of a shape that are put down: two, four, all. */
const STRINGS = [2, 4, 12];

/** Put a shape down string by string, from its lowest root on. */
export const put: QuizRule = {
  facts: (g) => oncePerShape(g).filter((s) => s.roots.length).map((s) => `put/${shapeKeyOn(g, s)}`), // prettier-ignore
  ask: (g, level, fact) => {
    const shape = shapeOfKey(g, lastPart(fact));
    const root = shape?.notes.find((n) => n.role === 'root');
    if (!shape || !root) return null;
    const first = shape.cells.findIndex((c) => c.string === root.string);
    const cells = level === 3 ? shape.cells : shape.cells.slice(first, first + STRINGS[level - 1]!);
    const places = cells.flatMap((c) => c.frets.map((fret) => ({ string: c.string, fret }))).filter((p) => !samePlace(p, root));
    if (!places.length) return null;
    const strings = cells.map((c) => c.string).join(', ');
    return { about: { label: shape.label, strings, count: places.length }, shown: [{ string: root.string, fret: root.fret, text: '1', root: true }], answer: { by: 'places', places, need: 'all' }, at: root }; // prettier-ignore
  },
  pace: [15_000, 45_000],
};
