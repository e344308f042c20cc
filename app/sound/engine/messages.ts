import type { AtSeam, Levels, Seam, Take } from './score';

/** What the page tells the engine. */
export type ToEngine =
  | { readonly sounds: [name: string, samples: Float32Array][] }
  | { readonly forget: string[] }
  | { readonly play: Take; readonly inFrames: number }
  | { readonly change: AtSeam }
  | { readonly level: Levels }
  | { readonly stop: true };

/** What the engine tells the page. */
export type FromEngine = { readonly seam: Seam } | { readonly end: number };

/** The engine that sounds, wherever it runs. */
export interface Engine {
  readonly send: (message: ToEngine, transfer?: Transferable[]) => void;
  readonly listen: (told: (message: FromEngine) => void) => void;
}
