/** How a simulated player plays: chances from 0 to 1, times in ms, levels as shares of full scale. */
export interface Manner {
  readonly seed: number;
  /** Notes that come out wrong, by so many half steps at most, and those left out. */
  readonly wrong: number;
  readonly dropped: number;
  /** Early or late, at most. */
  readonly loose: number;
  /** Always early (less than 0) or late. */
  readonly lag: number;
  readonly level: number;
  /** Cents that the instrument is off. */
  readonly detuned: number;
  /** Notes ring on for so long after their end, as where strings are not damped. */
  readonly ringOnMs: number;
  readonly noise: number;
  /** Of the mains, 50 Hz and its partials. */
  readonly hum: number;
}
export const STEADY: Manner = { seed: 1, wrong: 0, dropped: 0, loose: 0, lag: 0, level: 0.5, detuned: 0, ringOnMs: 0, noise: 0, hum: 0 };

/** Ways in which the simulated player plays, by name. */
export const MANNERS = ['steady', 'learner', 'rushing', 'noisy', 'flat', 'silent'] as const;
export type MannerName = (typeof MANNERS)[number];

export const MANNER_OF: Readonly<Record<MannerName, Manner>> = Object.freeze({
  steady: { ...STEADY, loose: 12 },
  learner: { ...STEADY, loose: 45, wrong: 0.08, dropped: 0.05 },
  rushing: { ...STEADY, loose: 20, lag: -75 },
  noisy: { ...STEADY, loose: 12, noise: 0.004, hum: 0.03, ringOnMs: 120 },
  flat: { ...STEADY, loose: 12, detuned: -38 },
  silent: { ...STEADY, dropped: 1 },
});
