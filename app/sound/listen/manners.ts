import { STEADY, type Manner } from './simulated';

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
