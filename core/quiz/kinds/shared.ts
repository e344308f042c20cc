import { lastPart, oncePerShape, shapeKeyOn, shapeOfKey } from '../make';
import type { QuizRule } from '../types';

/** Which places two neighbouring shapes share, all of them. From level 2 on the lower one is not shown. */
export const shared: QuizRule = {
  facts: (g) => oncePerShape(g).filter((s) => g.seams[g.shapes.indexOf(s)]?.shared.length).map((s) => `shared/${shapeKeyOn(g, s)}`), // prettier-ignore
  ask: (g, level, fact) => {
    const shape = shapeOfKey(g, lastPart(fact));
    const k = shape ? g.shapes.indexOf(shape) : -1;
    const seam = k >= 0 ? g.seams.at(k) : undefined;
    if (!shape || !seam?.shared.length || k + 1 >= g.shapes.length) return null;
    const places = seam.shared.map((s) => s.place);
    const lead = shape.roots.at(0) ?? shape.notes[0]!;
    const shown = level === 1 ? shape.notes : [lead];
    return {
      about: { below: shape.label, above: g.shapes[k + 1]!.label, count: places.length },
      shown: shown.map(({ string, fret }) => ({
        string,
        fret,
        text: '',
        ...(shape.roots.some((r) => r.string === string && r.fret === fret) ? { root: true } : {}),
      })),
      answer: { by: 'places', places, need: 'all' },
      at: places[0]!,
    };
  },
  pace: [8000, 25_000],
};
