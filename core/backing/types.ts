/** How a backing moves. */
export const FEELS = ['straight', 'shuffle', 'slow-triplets', 'waltz', 'bossa', 'half-time', 'drone'] as const;
export type Feel = (typeof FEELS)[number];

/** Who plays. */
export const BACKING_PARTS = ['bass', 'comping', 'drums'] as const;
export type BackingPart = (typeof BACKING_PARTS)[number];

export const DRUMS = ['kick', 'snare', 'rim', 'hat', 'ride', 'crash', 'tom'] as const;
export type Drum = (typeof DRUMS)[number];

/** One sound of a backing. Times and lengths in quarters from the beginning. */
export type BackingEvent = { at: number; length: number; gain: number } & (
  { part: 'bass'; midi: number } | { part: 'comping'; midi: number; voice: number } | { part: 'drums'; drum: Drum }
);

/** In order of time. */
export interface Backing {
  /** Length in quarters. */
  quarters: number;
  events: BackingEvent[];
}

/** A part of a bar that a foot taps, in quarters from its beginning, and into how many it is felt to divide. */
export interface Pulse {
  at: number;
  length: number;
  parts: 2 | 3;
}

/** A chord in time, in quarters. */
export interface Span {
  symbol: string;
  from: number;
  to: number;
}
