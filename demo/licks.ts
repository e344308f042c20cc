import type { LickNote } from '../core';

/** Licks of the Tin Lantern set, on its four instruments. */
const note = (string: number, fret: number, ticks = 240, more: Partial<LickNote> = {}): LickNote => ({
  place: { string, fret },
  ticks,
  ...more,
});
const rest = (ticks: number): LickNote => ({ place: null, ticks });

/** Weathervane: up from the root, a triplet turn, a bend into the fifth. F sharp Dorian on six strings. */
export const LATCH = {
  id: 'demo-latch',
  name: 'Latch',
  tags: ['opening', 'bend'],
  tempo: 92,
  notes: [
    note(4, 4),
    note(4, 6, 240, { join: 'hammer' }),
    note(4, 7),
    note(3, 4, 160),
    note(3, 6, 160, { join: 'hammer' }),
    note(3, 4, 160, { join: 'pull' }),
    note(4, 7, 240),
    note(3, 4, 480, { bend: 2 }),
    rest(240),
    note(3, 6, 240),
    note(2, 5, 240),
    note(2, 7, 240, { join: 'slide' }),
    note(2, 5, 240),
    note(3, 6, 720),
  ],
};

/** Cold Forge: palm-muted fifths below, the flat second answering. C sharp Phrygian dominant on seven strings. */
export const RAILS = {
  id: 'demo-rails',
  name: 'Rails',
  tags: ['muted', 'riff'],
  tempo: 132,
  notes: [
    note(7, 2, 120, { muted: true }),
    note(7, 2, 120, { muted: true }),
    note(7, 3, 240),
    note(6, 1, 240),
    note(7, 2, 120, { muted: true }),
    note(7, 2, 120, { muted: true }),
    note(6, 2, 240),
    note(6, 4, 240, { join: 'hammer' }),
    note(5, 4, 480),
  ],
};

/** Slow Tram: the sharp fourth held over the barline. E flat Lydian in all fourths. */
export const TILT = {
  id: 'demo-tilt',
  name: 'Tilt',
  tags: ['slow'],
  tempo: 66,
  notes: [
    note(5, 6, 480),
    note(4, 3, 240),
    note(4, 5, 240),
    note(4, 7, 960),
    note(4, 7, 240, { join: 'tie' }),
    note(4, 8, 240),
    note(3, 5, 480),
    note(3, 7, 960),
  ],
};

/** Salt Ferry: up to the flat seventh and over the root. B flat Mixolydian in drop C sharp. */
export const MOORING = {
  id: 'demo-mooring',
  name: 'Mooring',
  tags: ['answer', 'bend'],
  tempo: 104,
  notes: [
    note(4, 9),
    note(4, 11),
    note(3, 8, 240),
    note(3, 9, 240, { join: 'hammer' }),
    note(3, 11, 480),
    note(2, 9, 240),
    note(2, 10, 480, { bend: 2 }),
    note(2, 9, 240),
    rest(240),
    note(3, 11, 240),
    note(4, 9, 960),
  ],
};
