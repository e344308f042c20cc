import type { FingeringSchool } from '../../core';

/** The schools of fingering as a player says them. */
export const SCHOOL_WORDS: Record<FingeringSchool, string> = {
  'finger-per-fret': 'one finger per fret',
  'first-and-third': 'index and ring, with slides',
  stretch: 'stretch: 1-2-4 over five frets',
  'no-little-finger': 'without the little finger',
};
