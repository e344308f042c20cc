import { Transport } from './engine/transport';
import { FULL_LEVELS, type Levels, type Score } from './engine/score';
import { render } from './sounds';

/** What is rendered to samples. */
export interface OfflineTake {
  readonly lead: Score | null;
  readonly score: Score;
  readonly tempo: number;
  readonly levels?: Levels;
}

/** Frames of one block. */
const BLOCK = 4096;
/** Longest that is rendered, in seconds. */
export const MOST_SECONDS = 30 * 60;

/** How long a take is, in seconds, without what rings on. */
export const secondsOf = ({ lead, score, tempo }: OfflineTake): number => (((lead?.beats ?? 0) + score.beats) * 60) / tempo;

/**
 * The take once through as samples from -1 to 1, by the same engine that plays it live; it ends when the last sound has died away.
 * Yields the share that is done, and each block as it is ready.
 */
export function* renderTake(take: OfflineTake, sampleRate: number): Generator<{ readonly done: number; readonly block: Float32Array }> {
  let ended = false;
  const transport = new Transport(sampleRate, { seam: () => undefined, end: () => (ended = true) });
  const { lead, score, tempo, levels = FULL_LEVELS } = take;
  const names = new Set([...(lead?.events ?? []), ...score.events].map((e) => e.sound));
  for (const name of names) transport.learn(name, render(name, sampleRate));
  transport.level(levels);
  transport.play({ lead, score, loop: false, tempo }, 0, 0);
  const total = secondsOf(take) * sampleRate;
  for (let frame = 0; !ended && frame < (MOST_SECONDS + 10) * sampleRate; frame += BLOCK) {
    const block = new Float32Array(BLOCK);
    transport.render(block, frame);
    yield { done: Math.min(1, frame / total), block };
  }
}
