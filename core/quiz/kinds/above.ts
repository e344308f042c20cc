import { blank, choiceOf, lastPart, oncePerShape, shapeKeyOn, shapeOfKey } from '../make';
import type { QuizRule } from '../types';

/** What connects above: the shape that follows up the neck. */
export const above: QuizRule = {
  facts: (g) => oncePerShape(g).filter((s) => g.shapes.indexOf(s) < g.shapes.length - 1).map((s) => `above/${shapeKeyOn(g, s)}`), // prettier-ignore
  ask: (g, _, fact, draw) => {
    const shape = shapeOfKey(g, lastPart(fact));
    const next = shape && g.shapes.at(g.shapes.indexOf(shape) + 1);
    if (!next) return null;
    const answer = choiceOf({ text: next.label }, oncePerShape(g).map((s) => ({ text: s.label })).filter((o) => o.text !== shape.label), draw); // prettier-ignore
    return answer && { about: { label: shape.label }, shown: blank(shape), answer, at: shape.roots.at(0) ?? null };
  },
  pace: [3000, 9000],
};
