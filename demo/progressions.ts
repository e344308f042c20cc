import type { KeptProgression } from '../contract';
import { PATH_WEIGHTS } from '../core';

const over: Pick<KeptProgression, 'meter' | 'school' | 'motion' | 'locks' | 'weights' | 'loop'> = {
  meter: [4, 4],
  school: 'per-chord',
  motion: 'stay',
  locks: [],
  weights: PATH_WEIGHTS,
  loop: null,
};

/** The tune that the study is named for: a vamp, and a bridge that leaves it. */
export const ROOST: KeptProgression = {
  ...over,
  id: 'demo-roost',
  name: 'Weathervane, the tune',
  text: '[A] | F#m7 | B7 | F#m7 | B7 |\n[B] | Amaj7 | G#m7 C#7 | F#m7 | E7sus4 . . C#7#9 |',
  tempo: 96,
  feel: 'bossa',
  home: { tonic: 'F#', scale: 'dorian' },
  near: null,
};

/** Twelve bars in a key that no open string helps. */
export const SALT_FERRY: KeptProgression = {
  ...over,
  id: 'demo-salt-ferry',
  name: 'Salt Ferry, twelve bars in B♭',
  text: '| Bb7 | Eb7 | Bb7 | % |\n| Eb7 | % | Bb7 | % |\n| F7 | Eb7 | Bb7 | F7 |',
  tempo: 104,
  feel: 'shuffle',
  home: { tonic: 'Bb', scale: 'mixolydian' },
  near: 6,
};
