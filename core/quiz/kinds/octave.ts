import { placesOf } from '../../neck';
import { lastPart, placeOfSpot, placesOn, spotOf } from '../make';
import type { QuizRule } from '../types';

/** A place an octave above another; any of them will do. */
export const octave: QuizRule = {
  facts: (g, level) => [...new Set(placesOn(g, level).filter((p) => placesOf(g.instrument, p.midi + 12).length).map((p) => `octave/${spotOf(g, p)}`))], // prettier-ignore
  ask: (g, _, fact) => {
    const place = placeOfSpot(g, lastPart(fact));
    const places = place ? placesOf(g.instrument, place.midi + 12) : [];
    if (!place || !places.length) return null;
    return { about: { string: place.string, fret: place.fret }, shown: [{ string: place.string, fret: place.fret, text: '1' }], answer: { by: 'places', places, need: 'any' }, at: place }; // prettier-ignore
  },
  pace: [3000, 9000],
};
