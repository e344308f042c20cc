import type { Layout, NoteName, Place, ScaleRef, Seam, Shape, Instrument } from '../types';

/** How hard: 1 to 3. */
export type QuizLevel = 1 | 2 | 3;
/** How hard questions are: 1 easy to 3 hard. */
export const QUIZ_LEVELS = [1, 2, 3] as const satisfies readonly QuizLevel[];

/** What questions are asked on. */
export interface QuizGround {
  /** The neck that is asked about. */
  instrument: Instrument;
  /** The scale. */
  scale: ScaleRef;
  /** The layout of its shapes. */
  layout: Layout;
  /** Laid out on the instrument; none where the scale does not lie on it. */
  shapes: readonly Shape[];
  /** `seams[k]` joins `shapes[k]` and `shapes[k + 1]`. */
  seams: readonly Seam[];
  /** Frets that are asked about, both included. */
  from: number;
  /** The highest fret. */
  to: number;
}

/** One of some answers. `sounds`: pitch classes that choose it when played. */
export interface QuizOption {
  /** As it is shown. */
  text: string;
  /** Chroma it sounds as, if it is a note. */
  sounds?: number;
}

/** How a question is answered, and what is right. */
export type QuizAnswer =
  /** Places on the neck: all of them, or any one. */
  | { by: 'places'; places: Place[]; need: 'all' | 'any' }
  /** One of some; `right` are the indices of those that are. */
  | { by: 'choice'; options: QuizOption[]; right: number[] }
  /** Note names in order. */
  | { by: 'names'; names: NoteName[] }
  /** Notes in order, to be played. */
  | { by: 'line'; line: (Place & { midi: number })[] };

/** What the neck shows while it is asked: places with words, the tonic among them filled. */
export interface QuizShown extends Place {
  /** As it is shown. */
  text: string;
  /** Whether it is marked as a root. */
  root?: boolean;
}

/** A question. Which words it is asked in follows from its kind and `about`. */
export interface Question<K extends string = string> {
  /** Its kind. */
  kind: K;
  /** What is known or not: its own schedule hangs on it. */
  fact: string;
  /** How hard it is. */
  level: QuizLevel;
  /** What the sentence says: names, numbers. */
  about: Readonly<Record<string, string | number>>;
  /** What the neck shows. */
  shown: QuizShown[];
  /** MIDI notes that are heard with it. */
  heard?: number[];
  /** How it is answered. */
  answer: QuizAnswer;
  /** The place it is about, for the map of answers; null where it is about none. */
  at: Place | null;
}

/** One kind of question: a file in `kinds/`, a line in its `index.ts`. */
export interface QuizRule {
  /** Every fact there is to ask on a ground, in the order in which they are learnt; empty where it makes no sense there. */
  facts: (g: QuizGround, level: QuizLevel) => string[];
  /** The question of a fact; null where the ground has it no more. `draw` gives 0 to 1. */
  ask: (g: QuizGround, level: QuizLevel, fact: string, draw: () => number) => Omit<Question, 'kind' | 'fact' | 'level'> | null;
  /** Quick and slow, in ms: what is right within the first is known well, beyond the second hardly. */
  pace: readonly [quick: number, slow: number];
}

/** What a player answered. */
export type QuizGiven = { places: readonly Place[] } | { option: number } | { names: readonly string[] } | { midis: readonly number[] };
