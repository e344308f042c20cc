import { lastPart, oncePerShape, shapeKeyOn, shapeOfKey } from '../make';
import type { QuizRule } from '../types';

const NOTES = [4, 6, 9];

/** Play it: some notes of a shape from a root on, up and back to it, shown and then played. */
export const play: QuizRule = {
  facts: (g) => oncePerShape(g).filter((s) => s.roots.length).map((s) => `play/${shapeKeyOn(g, s)}`), // prettier-ignore
  ask: (g, level, fact, draw) => {
    const s = shapeOfKey(g, lastPart(fact));
    const starts = s?.notes.flatMap((n, k) => (n.role === 'root' && k + 1 < s.notes.length ? [k] : [])) ?? [];
    const start = starts.at(Math.floor(draw() * starts.length));
    if (!s || start === undefined) return null;
    const up = s.notes.slice(start, start + Math.ceil((NOTES[level - 1]! + 1) / 2));
    const line = [...up, ...up.slice(0, -1).reverse()].slice(0, NOTES[level - 1]);
    return {
      about: { label: s.label, count: line.length },
      shown: up.map(({ string, fret, degree, role }) => ({ string, fret, text: degree, ...(role === 'root' ? { root: true } : {}) })),
      answer: { by: 'line', line: line.map(({ string, fret, midi }) => ({ string, fret, midi })) },
      at: s.notes[start]!,
    };
  },
  pace: [8000, 20_000],
};
