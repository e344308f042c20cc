import { chromaOf } from '../../pitch';
import { bestTonic } from '../../scale';
import { isNatural, lastPart, placesOn } from '../make';
import type { QuizRule } from '../types';

/** The root places of a tonic on one string: of this key first, then of the naturals, then of all. */
export const roots: QuizRule = {
  facts: (g, level) => {
    const all = Array.from({ length: 12 }, (_, k) => k);
    const tonics =
      level === 1 ? [chromaOf(g.scale.tonic)] : level === 2 ? all.filter((c) => isNatural(c) || c === chromaOf(g.scale.tonic)) : all;
    return tonics.flatMap((c) => [...new Set(g.instrument.strings.map((s) => s.open))].reverse().map((open) => `roots/${c}@${open}`));
  },
  ask: (g, _, fact) => {
    const [chroma, open] = lastPart(fact).split('@');
    const string = g.instrument.strings.findLastIndex((s) => s.open === open) + 1;
    const places = placesOn(g, 3).filter((p) => p.string === string && p.midi % 12 === Number(chroma));
    if (!places.length) return null;
    const tonic = Number(chroma) === chromaOf(g.scale.tonic) ? g.scale.tonic : bestTonic(Number(chroma), 'ionian');
    return { about: { tonic, string, count: places.length }, shown: [], answer: { by: 'places', places: places.map((p) => ({ string: p.string, fret: p.fret })), need: 'all' }, at: places[0]! }; // prettier-ignore
  },
  pace: [3500, 10_000],
};
