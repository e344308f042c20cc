import type { FactAnswer } from '../../core';
import { beginRound, type Asking, type QuizStudy } from '../store/practice/quiz';
import type { QuizPrefs } from '../store/practice/quiz-prefs';

export interface RoundOrder {
  id: number;
  study: QuizStudy;
  prefs: QuizPrefs;
  history: FactAnswer[];
  now: number;
  seed: number;
}
export interface RoundMade {
  id: number;
  made: Asking | { problem: string };
}

/** Makes rounds: with years of answers the schedules of all facts take longer than a frame. */
self.onmessage = ({ data: { id, study, prefs, history, now, seed } }: MessageEvent<RoundOrder>) => {
  const made = beginRound(study, prefs, history, now, seed);
  (self as unknown as Worker).postMessage({ id, made } satisfies RoundMade);
};
