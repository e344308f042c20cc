import { placesOf } from '../../neck';
import { lastPart, placeOfSpot, placesOn, spotOf } from '../make';
import type { QuizGround, QuizRule } from '../types';
import type { Place } from '../../types';

const others = (g: QuizGround, p: Place & { readonly midi: number }): Place[] =>
  placesOf(g.instrument, p.midi).filter((o) => o.string !== p.string);

/** The same pitch on other strings, all of them. */
export const unison: QuizRule = {
  facts: (g, level) => [...new Set(placesOn(g, level).filter((p) => others(g, p).length).map((p) => `unison/${spotOf(g, p)}`))], // prettier-ignore
  ask: (g, _, fact) => {
    const place = placeOfSpot(g, lastPart(fact));
    const places = place ? others(g, place) : [];
    if (!place || !places.length) return null;
    return { about: { string: place.string, fret: place.fret, count: places.length }, shown: [{ string: place.string, fret: place.fret, text: '1' }], answer: { by: 'places', places, need: 'all' }, at: place }; // prettier-ignore
  },
  pace: [4000, 12_000],
};
