/** What a metronome may sound like. */
export const CLICKS = ['wood', 'glass', 'drum'] as const;
/** A sound of the metronome. */
export type Click = (typeof CLICKS)[number];
