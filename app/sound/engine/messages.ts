import type { AtSeam, Levels, Seam, Take } from './score';

/** What the page tells the engine. */
export type ToEngine =
  | { sounds: [name: string, samples: Float32Array][] }
  | { forget: string[] }
  | { play: Take; inFrames: number }
  | { change: AtSeam }
  | { level: Levels }
  | { stop: true };

/** What the engine tells the page. */
export type FromEngine = { seam: Seam } | { end: number };

/** The engine that sounds, wherever it runs. */
export interface Engine {
  send: (message: ToEngine, transfer?: Transferable[]) => void;
  listen: (told: (message: FromEngine) => void) => void;
}
