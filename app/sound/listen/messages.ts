import type { HeardPitch } from './detector';

/** Samples of a block that goes from the audio thread to the ear: 11 ms at 48 kHz. */
export const EAR_BLOCK = 512;

/** Samples as the audio thread gives them: one channel, from a frame of its clock on. */
export interface Block {
  readonly frame: number;
  readonly samples: Float32Array;
}

/** What the ear listens for: single notes, where anything begins at all, or the pitch of one string that rings. */
export type EarTask = 'notes' | 'onsets' | 'tuner';

/** What the page tells the ear. */
export type ToEar =
  | { readonly open: { readonly port: MessagePort; readonly rate: number } }
  | { readonly task: EarTask }
  /** MIDI numbers that may be played. */
  | { readonly range: { readonly lowest: number; readonly highest: number } }
  /** Clicks that will sound in the room, in ms of the audio clock. */
  | { readonly clicks: number[] };

/** What the ear tells: notes and onsets in ms of the audio clock; how loud it is (peak, 0 to 1), and what rings. */
export type FromEar =
  | { readonly notes: HeardPitch[] }
  | { readonly onset: number }
  | { readonly level: number; readonly pitch: { readonly hz: number; readonly clarity: number } | null };
