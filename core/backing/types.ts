/** How a backing moves. */
export const FEELS = ['straight', 'shuffle', 'slow-triplets', 'waltz', 'bossa', 'half-time', 'drone'] as const;
/** How a backing is felt, by name. */
export type Feel = (typeof FEELS)[number];

/** Lower figures of a meter that a backing can play: half, quarter and eighth notes. */
export const METER_UNITS = [2, 4, 8] as const;
/** Beats that a bar of a backing may have. */
export const METER_BEATS = Object.freeze({ min: 2, max: 15 });

/** Who plays. */
export const BACKING_PARTS = ['bass', 'comping', 'drums'] as const;
/** A part of the band, by name. */
export type BackingPart = (typeof BACKING_PARTS)[number];

/** Pieces of the drum set that the patterns strike. */
export const DRUMS = ['kick', 'snare', 'rim', 'hat', 'ride', 'crash', 'tom'] as const;
/** A piece of the drum set. */
export type Drum = (typeof DRUMS)[number];

/** One sound of a backing. Times and lengths in quarters from the beginning. */
export type BackingEvent = { readonly at: number; readonly length: number; readonly gain: number } & (
  | { readonly part: 'bass'; readonly midi: number }
  | { readonly part: 'comping'; readonly midi: number; readonly voice: number }
  | { readonly part: 'drums'; readonly drum: Drum }
);

/** In order of time. */
export interface Backing {
  /** Length in quarters. */
  readonly quarters: number;
  /** What is played, in order of time. */
  readonly events: BackingEvent[];
}

/** A part of a bar that a foot taps, in quarters from its beginning, and into how many it is felt to divide. */
export interface Pulse {
  /** Quarters from the beginning. */
  readonly at: number;
  /** In quarters. */
  readonly length: number;
  /** Into how many parts it is felt. */
  readonly parts: 2 | 3;
}

/** A chord in time, in quarters. */
export interface Span {
  /** The chord as it is written. */
  readonly symbol: string;
  /** First quarter of it. */
  readonly from: number;
  /** Where it ends, in quarters. */
  readonly to: number;
}
