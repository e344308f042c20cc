/** How a backing moves. */
export const FEELS = ['straight', 'shuffle', 'slow-triplets', 'waltz', 'bossa', 'half-time', 'drone'] as const;
/** How a backing is felt, by name. */
export type Feel = (typeof FEELS)[number];

/** Who plays. */
export const BACKING_PARTS = ['bass', 'comping', 'drums'] as const;
/** A part of the band, by name. */
export type BackingPart = (typeof BACKING_PARTS)[number];

/** Pieces of the drum set that the patterns strike. */
export const DRUMS = ['kick', 'snare', 'rim', 'hat', 'ride', 'crash', 'tom'] as const;
/** A piece of the drum set. */
export type Drum = (typeof DRUMS)[number];

/** One sound of a backing. Times and lengths in quarters from the beginning. */
export type BackingEvent = { at: number; length: number; gain: number } & (
  { part: 'bass'; midi: number } | { part: 'comping'; midi: number; voice: number } | { part: 'drums'; drum: Drum }
);

/** In order of time. */
export interface Backing {
  /** Length in quarters. */
  quarters: number;
  /** What is played, in order of time. */
  events: BackingEvent[];
}

/** A part of a bar that a foot taps, in quarters from its beginning, and into how many it is felt to divide. */
export interface Pulse {
  /** Quarters from the beginning. */
  at: number;
  /** In quarters. */
  length: number;
  /** Into how many parts it is felt. */
  parts: 2 | 3;
}

/** A chord in time, in quarters. */
export interface Span {
  /** The chord as it is written. */
  symbol: string;
  /** First quarter of it. */
  from: number;
  /** Where it ends, in quarters. */
  to: number;
}
