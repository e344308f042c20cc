import { choiceOf, isNatural, lastPart, nameOn, placeOfSpot, placesOn, spotOf } from '../make';
import type { QuizRule } from '../types';

/** Name a place. Naturals first. */
export const name: QuizRule = {
  facts: (g, level) => [...new Set(placesOn(g, level).filter((p) => level === 3 || isNatural(p.midi)).map((p) => `name/${spotOf(g, p)}`))], // prettier-ignore
  ask: (g, _, fact, draw) => {
    const place = placeOfSpot(g, lastPart(fact));
    if (!place) return null;
    const option = (midi: number) => ({ text: nameOn(g, midi), sounds: midi % 12 });
    const near = [-5, -4, -3, -2, -1, 1, 2, 3, 4, 5].map((by) => option(place.midi + by + 12));
    const answer = choiceOf(option(place.midi), near, draw, 6);
    return answer && { about: { string: place.string, fret: place.fret }, shown: [{ string: place.string, fret: place.fret, text: '?' }], answer, at: place }; // prettier-ignore
  },
  pace: [2500, 8000],
};
