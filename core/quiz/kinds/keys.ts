import { chromaOf } from '../../pitch';
import { accidentalCount, bestTonic, relatedModes, scaleNotes, scaleTitle } from '../../scale';
import { choiceOf, lastPart } from '../make';
import type { QuizGround, QuizLevel, QuizRule } from '../types';

/** Tonics of a scale whose signs a level allows: two, four, all. */
const tonicsOf = (scale: QuizGround['scale']['scale'], level: QuizLevel): string[] =>
  Array.from({ length: 12 }, (_, c) => bestTonic(c, scale)).filter((tonic) => accidentalCount({ tonic, scale }) <= [2, 4, 99][level - 1]!);
const scaleKey = (scale: QuizGround['scale']['scale']): string => (typeof scale === 'string' ? scale : scale.join('.'));

/** Spell the scale on a tonic, note by note. */
export const spell: QuizRule = {
  facts: (g, level) => tonicsOf(g.scale.scale, level).map((t) => `spell/${t} ${scaleKey(g.scale.scale)}`),
  ask: (g, _, fact) => {
    const tonic = lastPart(fact).split(' ')[0]!;
    const scale = { tonic, scale: g.scale.scale };
    return {
      about: { tonic, title: scaleTitle(scale.scale) },
      shown: [],
      answer: { by: 'names', names: scaleNotes(scale).map((n) => n.name) },
      at: null,
    };
  },
  pace: [10_000, 30_000],
};

/** The relative major of a minor key. */
export const relative: QuizRule = {
  facts: (_, level) => tonicsOf('aeolian', level).map((t) => `relative/${t}`),
  ask: (_, __, fact, draw) => {
    const tonic = lastPart(fact);
    const major = relatedModes({ tonic, scale: 'aeolian' }).find((m) => m.scale === 'ionian');
    if (!major) return null;
    const option = (name: string) => ({ text: name, sounds: chromaOf(name) });
    const wrong = [-2, -1, 1, 2, 4, 5, 7, 9].map((by) => option(bestTonic((chromaOf(major.tonic) + by + 12) % 12, 'ionian')));
    const answer = choiceOf(option(major.tonic), wrong, draw);
    return answer && { about: { tonic }, shown: [], answer, at: null };
  },
  pace: [3500, 10_000],
};
