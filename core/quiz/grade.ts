import { placeIndex } from '../place';
import { chromaOf } from '../pitch';
import { openMidis } from '../instrument';
import type { Instrument } from '../types';
import type { Question, QuizGiven } from './types';

/** Whether what was given answers a question. Places: all of them and no other, or any one; names by their letters and signs; a line note by note. */
export function isRight({ answer }: Pick<Question, 'answer'>, given: QuizGiven): boolean {
  switch (answer.by) {
    case 'choice':
      return 'option' in given && answer.right.includes(given.option);
    case 'places': {
      if (!('places' in given)) return false;
      const asked = new Set(answer.places.map(placeIndex));
      const marked = new Set(given.places.map(placeIndex));
      if (answer.need === 'any') return marked.size === 1 && [...marked].every((p) => asked.has(p));
      return marked.size === asked.size && [...marked].every((p) => asked.has(p));
    }
    case 'names':
      return 'names' in given && given.names.length === answer.names.length && answer.names.every((n, k) => n === given.names[k]);
    case 'line':
      return 'midis' in given && given.midis.length === answer.line.length && answer.line.every((n, k) => n.midi === given.midis[k]);
  }
}

/** What was played so far as an answer: right or wrong once that is settled, else null. */
export type Played = 'right' | 'wrong' | null;

/**
 * A question answered by playing. A choice by the first note that is one of its options, in any octave; places by their pitches, each once in any order and no
 * other (where one will do, by any of them); names by their notes in order, in any octave; a line note by note. A choice whose options are no notes cannot be played: null.
 */
export function playedAnswer({ answer }: Pick<Question, 'answer'>, i: Instrument, midis: readonly number[]): Played {
  switch (answer.by) {
    case 'choice': {
      const option = chosenByPlaying({ answer }, midis);
      return option === null ? null : answer.right.includes(option) ? 'right' : 'wrong';
    }
    case 'places': {
      const open = openMidis(i);
      const asked = new Set(answer.places.map((p) => open[p.string - 1]! + p.fret));
      if (midis.some((m) => !asked.has(m))) return 'wrong';
      return new Set(midis).size >= (answer.need === 'any' ? 1 : asked.size) ? 'right' : null;
    }
    case 'names':
      return inOrder(midis.map((m) => m % 12), answer.names.map(chromaOf)); // prettier-ignore
    case 'line':
      return inOrder(midis, answer.line.map((n) => n.midi)); // prettier-ignore
  }
}

/** The option that was played first, by index; null: none yet. */
export function chosenByPlaying({ answer }: Pick<Question, 'answer'>, midis: readonly number[]): number | null {
  if (answer.by !== 'choice') return null;
  for (const m of midis) {
    const k = answer.options.findIndex((o) => o.sounds === m % 12);
    if (k >= 0) return k;
  }
  return null;
}

function inOrder(played: readonly number[], asked: readonly number[]): Played {
  if (played.some((p, k) => p !== asked[k])) return 'wrong';
  return played.length >= asked.length ? 'right' : null;
}

/** Whether a question can be answered by playing. */
export const canBePlayed = ({ answer }: Pick<Question, 'answer'>): boolean =>
  answer.by !== 'choice' || answer.options.every((o) => o.sounds !== undefined);

const NOTE = /^[A-G](##?|bb?)?$/;

/**
 * Note names as they are typed, apart by spaces or commas: "F# G♯ A, bb" (a small b after a letter is a flat); null where one is none.
 * @example readNames('A Bb C#') // ['A', 'Bb', 'C#']
 * @example readNames('hello') // null
 */
export function readNames(text: string): string[] | null {
  const words = text.trim().split(/[\s,;]+/).filter(Boolean); // prettier-ignore
  const names = words.map((w) => w[0]!.toUpperCase() + w.slice(1).replace(/[♯#]/g, '#').replace(/[♭b]/g, 'b').replace(/x/g, '##').replace(/𝄪/gu, '##').replace(/𝄫/gu, 'bb')); // prettier-ignore
  return names.every((n) => NOTE.test(n)) ? names : null;
}
