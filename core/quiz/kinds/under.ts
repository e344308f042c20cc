import { placeKey } from '../../place';
import { lastPart, listOf, oncePerShape, shapeKeyOn, shapeOfKey, shuffled } from '../make';
import type { Place, Shape } from '../../types';
import type { QuizRule } from '../types';

/** Three notes of a shape on neighbouring strings, each a third above the one before: how a hand grips a triad there. */
function triadsIn(s: Shape): Place[][] {
  const found: Place[][] = [];
  s.notes.forEach((a, k) => {
    const third = s.notes[k + 2];
    const fifth = s.notes[k + 4];
    if (third && fifth && new Set([a.string, third.string, fifth.string]).size === 3) found.push([a, third, fifth].map(({ string, fret }) => ({ string, fret }))); // prettier-ignore
  });
  return found;
}

/** Which shape lies under a grip; any that holds it is right. */
export const under: QuizRule = {
  facts: (g) => (g.shapes.length > 1 ? oncePerShape(g).filter((s) => triadsIn(s).length).map((s) => `under/${shapeKeyOn(g, s)}`) : []), // prettier-ignore
  ask: (g, _, fact, draw) => {
    const shape = shapeOfKey(g, lastPart(fact));
    const grip = shape && shuffled(triadsIn(shape), draw).at(0);
    if (!grip) return null;
    const keys = grip.map(placeKey);
    const holding = new Set(g.shapes.filter((s) => keys.every((key) => s.notes.some((n) => placeKey(n) === key))).map((s) => s.label));
    const answer = listOf(oncePerShape(g).map((s) => ({ text: s.label })), (o) => holding.has(o.text)); // prettier-ignore
    return answer && { about: {}, shown: grip.map((p) => ({ ...p, text: '' })), answer, at: grip[0]! };
  },
  pace: [5000, 15_000],
};
