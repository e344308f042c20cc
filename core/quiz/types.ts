import type { Layout, NoteName, Place, ScaleRef, Seam, Shape, Instrument } from '../types';

/** How hard: 1 to 3. */
export type QuizLevel = 1 | 2 | 3;
/** How hard questions are: 1 easy to 3 hard. */
export const QUIZ_LEVELS = [1, 2, 3] as const satisfies readonly QuizLevel[];

/** What questions are asked on. */
export interface QuizGround {
  /** The neck that is asked about. */
  readonly instrument: Instrument;
  /** The scale. */
  readonly scale: ScaleRef;
  /** The layout of its shapes. */
  readonly layout: Layout;
  /** Laid out on the instrument; none where the scale does not lie on it. */
  readonly shapes: readonly Shape[];
  /** `seams[k]` joins `shapes[k]` and `shapes[k + 1]`. */
  readonly seams: readonly Seam[];
  /** Frets that are asked about, both included. */
  readonly from: number;
  /** The highest fret. */
  readonly to: number;
}

/** One of some answers. `sounds`: pitch classes that choose it when played. */
export interface QuizOption {
  /** As it is shown. */
  readonly text: string;
  /** Chroma it sounds as, if it is a note. */
  readonly sounds?: number;
}

/** How a question is answered, and what is right. */
export type QuizAnswer =
  /** Places on the neck: all of them, or any one. */
  | { readonly by: 'places'; readonly places: Place[]; readonly need: 'all' | 'any' }
  /** One of some; `right` are the indices of those that are. */
  | { readonly by: 'choice'; readonly options: QuizOption[]; readonly right: number[] }
  /** Note names in order. */
  | { readonly by: 'names'; readonly names: NoteName[] }
  /** Notes in order, to be played. */
  | { readonly by: 'line'; readonly line: (Place & { readonly midi: number })[] };

/** What the neck shows while it is asked: places with words, the tonic among them filled. */
export interface QuizShown extends Place {
  /** As it is shown. */
  readonly text: string;
  /** Whether it is marked as a root. */
  readonly root?: boolean;
}

/** A question. Which words it is asked in follows from its kind and `about`. */
export interface Question<K extends string = string> {
  /** Its kind. */
  readonly kind: K;
  /** What is known or not: its own schedule hangs on it. */
  readonly fact: string;
  /** How hard it is. */
  readonly level: QuizLevel;
  /** What the sentence says: names, numbers. */
  readonly about: Readonly<Record<string, string | number>>;
  /** What the neck shows. */
  readonly shown: QuizShown[];
  /** MIDI notes that are heard with it. */
  readonly heard?: number[];
  /** How it is answered. */
  readonly answer: QuizAnswer;
  /** The place it is about, for the map of answers; null where it is about none. */
  readonly at: Place | null;
}

/** One kind of question: a file in `kinds/`, a line in its `index.ts`. */
export interface QuizRule {
  /** Every fact there is to ask on a ground, in the order in which they are learnt; empty where it makes no sense there. */
  readonly facts: (g: QuizGround, level: QuizLevel) => string[];
  /** The question of a fact; null where the ground has it no more. `draw` gives 0 to 1. */
  readonly ask: (g: QuizGround, level: QuizLevel, fact: string, draw: () => number) => Omit<Question, 'kind' | 'fact' | 'level'> | null;
  /** Quick and slow, in ms: what is right within the first is known well, beyond the second hardly. */
  readonly pace: readonly [quick: number, slow: number];
}

/** What a player answered. */
export type QuizGiven =
  | { readonly places: readonly Place[] }
  | { readonly option: number }
  | { readonly names: readonly string[] }
  | { readonly midis: readonly number[] };
