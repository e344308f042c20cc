import { port } from './port';
import type { FactAnswer } from '../../core';
import { beginRound, type Asking, type QuizStudy } from '../store/practice/quiz';
import type { QuizPrefs } from '../store/practice/quiz-prefs';

export interface RoundOrder {
  readonly id: number;
  readonly study: QuizStudy;
  readonly prefs: QuizPrefs;
  readonly history: FactAnswer[];
  readonly now: number;
  readonly seed: number;
}
export interface RoundMade {
  readonly id: number;
  readonly made: Asking | { readonly problem: string };
}

/** Makes rounds: with years of answers the schedules of all facts take longer than a frame. */
self.onmessage = ({ data: { id, study, prefs, history, now, seed } }: MessageEvent<RoundOrder>) => {
  const made = beginRound(study, prefs, history, now, seed);
  port.postMessage({ id, made } satisfies RoundMade);
};
