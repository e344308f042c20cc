import { createSelector } from '@reduxjs/toolkit';
import type { RungRef, StudyBody } from '../../contract';
import {
  chordSounds,
  CoreError,
  ladder,
  neckNotes,
  type Instrument,
  type NeckNote,
  type RoleOptions,
  type ScaleRef,
  type Seam,
  type Shape,
} from '../../core';
import type { EditorState } from './editor';

interface State {
  readonly editor: EditorState;
}

/** What the core made of the study: its shapes and the seams between them, or why there are none. */
export interface Laid {
  readonly shapes: Shape[];
  readonly seams: Seam[];
  readonly error: { readonly code: string; readonly field: string; readonly message: string } | null;
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

/** The chord's pitch classes, or none where its symbol cannot be read. */
const selectChord = createSelector([field('chord')], (chord): number[] | undefined => {
  try {
    return chord ? chordSounds(chord) : undefined;
  } catch (e) {
    nothing(e);
    return undefined;
  }
});

/** The same as a set, or null without a chord. */
export const selectChordSounds = createSelector([selectChord], (chord) => (chord ? new Set(chord) : null));

/** What changes the role of a note beside the scale itself. */
const selectRoles = createSelector([selectChord, field('passing')], (chord, passing): RoleOptions => ({
  ...(chord ? { chord } : {}),
  ...(passing ? { passing } : {}),
}));

export const selectLaid = createSelector(
  [field('instrument'), field('scale'), field('layout'), field('school'), field('hand'), field('pins'), selectRoles],
  (instrument, scale, layout, school, hand, pins, roles): Laid | null => {
    if (!instrument || !scale || !layout) return null;
    try {
      const { rungs, seams } = ladder(instrument, scale, layout, {
        ...roles,
        ...(school ? { school } : {}),
        ...(hand ? { hand } : {}),
        ...(pins?.length ? { pins } : {}),
      });
      return { shapes: rungs, seams, error: null };
    } catch (e) {
      return nothing(e);
    }
  },
);

const notesOn = (instrument: Instrument | undefined, scale: ScaleRef | null | undefined, roles: RoleOptions): NeckNote[] => {
  try {
    return instrument && scale ? neckNotes(instrument, scale, roles) : [];
  } catch (e) {
    return nothing(e).shapes as never[];
  }
};

export const selectNotes = createSelector([field('instrument'), field('scale'), selectRoles], notesOn);

/** Notes of the scale laid over, named from the first one's tonic; null where there is none. */
export const selectOver = createSelector([field('instrument'), field('over'), selectRoles], (instrument, over, roles): NeckNote[] | null =>
  over ? notesOn(instrument, over, roles) : null,
);

export const rungOf = (shape: Shape): RungRef => ({ number: shape.number, fret: shape.handFret });

/** The chosen rung: of those with its number the one nearest to its fret, else the nearest of all. */
export function rungIndex(shapes: Shape[], rung: { readonly number: number; readonly fret: number }): number {
  const cost = (s: Shape): number => Math.abs(s.handFret - rung.fret) + (s.number === rung.number ? 0 : 1000);
  return shapes.reduce((best, s, k) => (cost(s) < cost(shapes[best]!) ? k : best), 0);
}

export const selectRung = createSelector([selectLaid, field('rung')], (laid, rung): number =>
  laid?.shapes.length && rung ? rungIndex(laid.shapes, rung) : -1,
);

export const selectShape = createSelector([selectLaid, selectRung], (laid, k): Shape | null => laid?.shapes[k] ?? null);

/** The notes of a study's scale on its neck; none where they cannot be laid out. */
export const neckNotesOf = ({ instrument, scale }: StudyBody): NeckNote[] => notesOn(instrument, scale, {});
