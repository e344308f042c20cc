import { createSelector } from '@reduxjs/toolkit';
import type { StudyBody } from '../../contract';
import { CoreError, ladder, neckNotes, type NeckNote, type Seam, type Shape } from '../../core';
import type { EditorState } from './editor';

interface State {
  editor: EditorState;
}

/** What the core made of the study: its shapes and the seams between them, or why there are none. */
export interface Laid {
  shapes: Shape[];
  seams: Seam[];
  error: { code: string; field: string; message: string } | null;
}

export const selectBody = (s: State): StudyBody | null => s.editor.body;
const field =
  <K extends keyof StudyBody>(key: K) =>
  (s: State) =>
    s.editor.body?.[key];

const nothing = (e: unknown): Laid => {
  if (!(e instanceof CoreError)) throw e;
  return { shapes: [], seams: [], error: { code: e.code, field: e.field, message: e.message } };
};

export const selectLaid = createSelector(
  [field('instrument'), field('scale'), field('layout'), field('school'), field('hand')],
  (instrument, scale, layout, school, hand): Laid | null => {
    if (!instrument || !scale || !layout) return null;
    try {
      const { rungs, seams } = ladder(instrument, scale, layout, { ...(school ? { school } : {}), hand: { size: hand ?? 'medium' } });
      return { shapes: rungs, seams, error: null };
    } catch (e) {
      return nothing(e);
    }
  },
);

export const selectNotes = createSelector([field('instrument'), field('scale')], (instrument, scale): NeckNote[] => {
  try {
    return instrument && scale ? neckNotes(instrument, scale) : [];
  } catch (e) {
    return nothing(e).shapes as never[];
  }
});

/** The chosen rung: of those with its number the one nearest to its fret, else the nearest of all. */
export function rungIndex(shapes: Shape[], rung: { number: number; fret: number }): number {
  const cost = (s: Shape): number => Math.abs(s.handFret - rung.fret) + (s.number === rung.number ? 0 : 1000);
  return shapes.reduce((best, s, k) => (cost(s) < cost(shapes[best]) ? k : best), 0);
}

export const selectRung = createSelector([selectLaid, field('rung')], (laid, rung): number =>
  laid?.shapes.length && rung ? rungIndex(laid.shapes, rung) : -1,
);

export const selectShape = createSelector([selectLaid, selectRung], (laid, k): Shape | null => laid?.shapes[k] ?? null);
