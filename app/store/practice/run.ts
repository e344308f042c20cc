import type { Pass } from '../../../contract';
import { climb, type Climb, type Rating, type Standing } from '../../../core';

/** A pass that has ended and waits to be rated. */
interface Waiting {
  readonly pass: number;
  readonly tempo: number;
  readonly seconds: number;
}

/** Who rates a pass: the player, or what was heard of it. */
export type Judge = Exclude<Pass['by'], 'nobody'>;

/** A drill that runs. Pass 0 is the count-in. */
export interface Run {
  readonly climb: Climb;
  readonly standing: Standing;
  /** The pass that is played now, and its tempo; 0 before the first one. */
  readonly pass: number;
  readonly tempo: number;
  readonly seconds: number;
  readonly waiting: Waiting | null;
  /** Said of the pass that is played now, before its end, and who said it. */
  readonly early: { readonly rating: Rating; readonly by: Judge } | null;
  /** No scoring, minutes only. */
  readonly dry: boolean;
  /** The goal was held in this run. */
  readonly held: boolean;
}

/** What of a pass follows from how it went. */
export type Outcome = Pick<Pass, 'tempo' | 'verdict' | 'reached' | 'seconds' | 'by'>;

/** What an event comes to: the run then, passes for the log, and which way the tempo went. */
export interface Step {
  readonly run: Run;
  readonly log: Outcome[];
  readonly moved: -1 | 0 | 1;
}

export const beginRun = (c: Climb, standing: Standing, dry: boolean): Run => ({
  climb: c,
  standing,
  pass: 0,
  tempo: standing.tempo,
  seconds: 0,
  waiting: null,
  early: null,
  dry,
  held: false,
});

const left = ({ tempo, seconds }: Waiting): Outcome => ({ tempo, seconds, verdict: 'unrated', reached: false, by: 'nobody' });

/** A pass begins, `tempo` beats a minute and `seconds` long: the one before it has ended. One that was never rated goes to the log as such. */
export function passBegan(run: Run, pass: number, tempo: number, seconds: number): Step {
  const now = { ...run, pass, tempo, seconds, early: null };
  if (run.pass === 0) return { run: now, log: [], moved: 0 };
  const ended: Waiting = { pass: run.pass, tempo: run.tempo, seconds: run.seconds };
  if (run.dry) return { run: now, log: [{ ...left(ended), verdict: 'dry' }], moved: 0 };
  const log = run.waiting ? [left(run.waiting)] : [];
  const next = { ...now, waiting: ended };
  if (!run.early) return { run: next, log, moved: 0 };
  const rated = rate(next, run.early.rating, run.early.by);
  return { ...rated, log: [...log, ...rated.log] };
}

/** "Clean" or "miss": said of the pass that ended last if nothing was said of it, else of the one that is played. */
export function rate(run: Run, rating: Rating, by: Judge = 'player'): Step {
  if (run.dry) return { run, log: [], moved: 0 };
  const { waiting } = run;
  if (!waiting) return { run: run.pass ? { ...run, early: { rating, by } } : run, log: [], moved: 0 };
  // A pass at another tempo than where the player stands (the ladder moved since, or half speed) does not count for it.
  const counts = waiting.tempo === run.standing.tempo;
  const { standing, moved, reached } = counts ? climb(run.climb, run.standing, rating) : { standing: run.standing, moved: 0 as const, reached: false }; // prettier-ignore
  const log: Outcome[] = [{ tempo: waiting.tempo, seconds: waiting.seconds, verdict: rating, reached, by }];
  return { run: { ...run, standing, waiting: null, held: run.held || reached }, log, moved };
}

/** What was heard of a pass rates it, unless the player has said how it was, or its time is over. */
export function judged(run: Run, pass: number, rating: Rating): Step {
  if (run.waiting?.pass === pass) return rate(run, rating, 'listening');
  const now = !run.dry && run.pass === pass && pass > 0 && !run.early;
  return { run: now ? { ...run, early: { rating, by: 'listening' } } : run, log: [], moved: 0 };
}

/** The tempo from the next seam on: where the player stands, or will stand if what was said early holds. */
export function nextTempo(run: Run): number {
  if (!run.early || run.tempo !== run.standing.tempo) return run.standing.tempo;
  return climb(run.climb, run.standing, run.early.rating).standing.tempo;
}

/** It stops: the last whole pass goes to the log, the one that is broken off does not. */
export const runEnded = (run: Run): Outcome[] => (run.waiting ? [left(run.waiting)] : []);
