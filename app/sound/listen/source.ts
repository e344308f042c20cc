import type { HeardPitch } from './detector';
import type { MeantNote } from './simulated';

/** Why nothing is heard. */
export type EarProblem = 'refused' | 'none' | 'busy' | 'gone' | 'no-midi' | 'no-worklet' | 'insecure' | 'blocked' | 'broken';
export class EarError extends Error {
  constructor(readonly why: EarProblem) {
    super(why);
  }
}

/** Why a browser has none of what listening needs: over a connection that is not encrypted it withholds it. */
export const lacking = (otherwise: EarProblem): EarProblem => (isSecureContext ? otherwise : 'insecure');

/** Something that notes come from while it is open. */
export interface Source {
  /** What it calls itself. */
  readonly device: string;
  /** What the ear listens to; null: it tells its notes itself. */
  readonly node: AudioNode | null;
  readonly close: () => void;
  /** Of a player that can be told what to play: gets ready, plays notes from a time of the audio clock on (`exactly`: without the faults of its manner), is quiet. */
  readonly prepare?: (notes: readonly MeantNote[]) => Promise<void>;
  readonly perform?: (notes: readonly MeantNote[], startMs: number, exactly?: boolean) => void;
  readonly hush?: () => void;
}

/** What a source tells the ear. */
export interface SourceListener {
  readonly note: (n: HeardPitch) => void;
  readonly gone: () => void;
}

export type OpenSource = (context: AudioContext, told: SourceListener, device: string) => Promise<Source>;

/** From a note that the simulated player means to its sound in the ear, in ms: as long as a slow sound card takes. */
export const PLAYER_DELAY = 250;
