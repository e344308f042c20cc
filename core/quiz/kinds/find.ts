import { chromaOf } from '../../pitch';
import { scaleNotes } from '../../scale';
import { isNatural, lastPart, nameOn, placesOn } from '../make';
import type { QuizRule } from '../types';

/** Find every place of a note. Naturals first, then the scale's, then all twelve. */
export const find: QuizRule = {
  facts: (g, level) => {
    const all = Array.from({ length: 12 }, (_, k) => k);
    const scale = new Set(scaleNotes(g.scale).map((n) => chromaOf(n.name)));
    const asked = level === 1 ? all.filter(isNatural) : level === 2 ? all.filter((c) => isNatural(c) || scale.has(c)) : all;
    return asked.map((c) => `find/${c}`);
  },
  ask: (g, level, fact) => {
    const chroma = Number(lastPart(fact));
    const places = placesOn(g, level).filter((p) => p.midi % 12 === chroma);
    if (!places.length) return null;
    return { about: { note: nameOn(g, chroma), count: places.length }, shown: [], answer: { by: 'places', places: places.map(({ string, fret }) => ({ string, fret })), need: 'all' }, at: null }; // prettier-ignore
  },
  pace: [9000, 25_000],
};
