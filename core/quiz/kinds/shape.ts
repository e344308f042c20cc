import { blank, choiceOf, lastPart, oncePerShape, shapeKeyOn, shapeOfKey } from '../make';
import type { QuizRule } from '../types';

/** Which shape of the layout's school this is, roots filled; from level 2 on without them. */
export const shape: QuizRule = {
  facts: (g) => (g.shapes.length > 1 ? oncePerShape(g).map((s) => `shape/${shapeKeyOn(g, s)}`) : []),
  ask: (g, level, fact, draw) => {
    const right = shapeOfKey(g, lastPart(fact));
    const answer = right && choiceOf({ text: right.label }, oncePerShape(g).map((s) => ({ text: s.label })), draw); // prettier-ignore
    if (!answer) return null;
    const shown = level === 1 ? blank(right) : blank(right).map(({ string, fret }) => ({ string, fret, text: '' }));
    return { about: {}, shown, answer, at: right.roots.at(0) ?? null };
  },
  pace: [4000, 12_000],
};
