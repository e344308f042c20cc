import { QUIZ_KINDS, QUIZ_LEVELS, type QuizKind, type QuizLevel, fieldsOf } from '../../../core';
import { keptValue } from '../kept-value';

/** What this player wants to be asked, kept in the browser for all studies. */
export interface QuizPrefs {
  readonly kinds: QuizKind[];
  readonly level: QuizLevel;
  /** In the study's key, or in a key by chance each round. */
  readonly keys: 'this' | 'any';
  /** Frets that are asked about; null: the whole neck. */
  readonly frets: [from: number, to: number] | null;
}

const isFret = (v: unknown): v is number => typeof v === 'number' && Number.isInteger(v) && v >= 0 && v <= 36;

export const quizPrefs = keptValue('quiz', (value): QuizPrefs => {
  const { kinds, level, keys, frets } = fieldsOf(value);
  const known = QUIZ_KINDS.filter((k) => Array.isArray(kinds) && kinds.includes(k));
  const range = Array.isArray(frets) && frets.length === 2 && frets.every(isFret) && frets[0]! <= frets[1]!;
  return {
    kinds: known.length ? known : [...QUIZ_KINDS],
    level: QUIZ_LEVELS.find((l) => l === level) ?? 1,
    keys: keys === 'any' ? 'any' : 'this',
    frets: range ? (frets as [number, number]) : null,
  };
});
export const setQuizPrefs = (fields: Partial<QuizPrefs>): void => void quizPrefs.set({ ...quizPrefs.get(), ...fields });
