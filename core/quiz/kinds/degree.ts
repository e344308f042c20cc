import { chromaOf } from '../../pitch';
import { scaleNotes } from '../../scale';
import { lastPart, listOf, placesOn } from '../make';
import type { QuizGround, QuizLevel, QuizRule } from '../types';

const placesOfDegree = (g: QuizGround, level: QuizLevel, degree: string, open: string) => {
  const note = scaleNotes(g.scale).find((n) => n.degree === degree);
  return placesOn(g, level).filter((p) => note && p.midi % 12 === chromaOf(note.name) && g.instrument.strings[p.string - 1]!.open === open); // prettier-ignore
};

/** Which degree of the tonic a place is, string by string. */
export const degree: QuizRule = {
  facts: (g, level) =>
    g.instrument.strings
      .map((s) => s.open)
      .reverse()
      .flatMap((open) =>
        scaleNotes(g.scale).flatMap((n) => (placesOfDegree(g, level, n.degree, open).length ? [`degree/${n.degree}@${open}`] : [])),
      ),
  ask: (g, level, fact, draw) => {
    const [asked, open] = lastPart(fact).split('@');
    const places = placesOfDegree(g, level, asked!, open!);
    const place = places.at(Math.floor(draw() * places.length));
    const answer = listOf(scaleNotes(g.scale).map((n) => ({ text: n.degree, sounds: chromaOf(n.name) })), (o) => o.text === asked); // prettier-ignore
    if (!place || !answer) return null;
    const roots = placesOn(g, level).filter((p) => p.midi % 12 === chromaOf(g.scale.tonic) && !(p.string === place.string && p.fret === place.fret)); // prettier-ignore
    const shown = [
      ...roots.map(({ string, fret }) => ({ string, fret, text: '1', root: true })),
      { string: place.string, fret: place.fret, text: '?' },
    ];
    return { about: { tonic: g.scale.tonic, string: place.string, fret: place.fret }, shown, answer, at: place };
  },
  pace: [2500, 8000],
};
