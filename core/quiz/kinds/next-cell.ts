import { lastPart, oncePerShape, shapeKeyOn, shapeOfKey } from '../make';
import type { QuizRule } from '../types';

/** The next cell of the cycle: what the next string carries, the strings below it shown. */
export const nextCell: QuizRule = {
  facts: (g) => oncePerShape(g).flatMap((s) => s.cells.slice(1).map((c) => `next-cell/${shapeKeyOn(g, s)}@${c.string}`)),
  ask: (g, level, fact) => {
    const [label, string] = [lastPart(fact).replace(/@\d+$/, ''), Number(/@(\d+)$/.exec(fact)?.[1])];
    const s = shapeOfKey(g, label);
    const k = s?.cells.findIndex((c) => c.string === string) ?? -1;
    if (!s || k < 1) return null;
    // Level 1 shows all strings below, level 2 two of them, level 3 one.
    const below = s.cells.slice(Math.max(0, k - [12, 2, 1][level - 1]!), k);
    const root = (p: { readonly string: number; readonly fret: number }): boolean =>
      s.roots.some((r) => r.string === p.string && r.fret === p.fret);
    const shown = below.flatMap((c) =>
      c.frets.map((fret) => ({ string: c.string, fret, text: '', ...(root({ string: c.string, fret }) ? { root: true } : {}) })),
    );
    const places = s.cells[k]!.frets.map((fret) => ({ string, fret }));
    return { about: { label, string, count: places.length }, shown, answer: { by: 'places', places, need: 'all' }, at: places[0]! };
  },
  pace: [5000, 15_000],
};
