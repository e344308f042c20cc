import type { CommandInfo } from '../../shell/keys';

/** Everything Harmony does from the keyboard, in the order the list of keys shows it. */
export const HARMONY_COMMANDS = [
  { id: 'chord', keys: ['c'], shown: 'C', does: 'choose the chord' },
  { id: 'scale', keys: ['s'], shown: 'S', does: 'choose tonic and scale' },
  { id: 'right', keys: ['ArrowRight'], shown: '→', does: 'the position to the right' },
  { id: 'left', keys: ['ArrowLeft'], shown: '←', does: 'the position to the left' },
  { id: 'next', keys: ['ArrowDown', ']'], shown: '↓', does: 'the chord on the next degree' },
  { id: 'before', keys: ['ArrowUp', '['], shown: '↑', does: 'the chord on the degree before' },
  { id: 'size', keys: ['n'], shown: 'N', does: 'triads, sevenths or ninths' },
  { id: 'from', keys: ['f'], shown: 'F', does: 'numerals from the mode or its parent' },
  { id: 'page', keys: ['p'], shown: 'P', does: 'the next page: chords, grips, moving' },
  { id: 'hear', keys: ['b'], shown: 'B', does: 'hear the chord, or stop' },
  { id: 'how', keys: ['h'], shown: 'H', does: 'block, strummed or as an arpeggio' },
  { id: 'drone', keys: ['o'], shown: 'O', does: 'over the drone of the mode, or not' },
  { id: 'arpeggio', keys: ['a'], shown: 'A', does: 'the tones of the chord alone' },
  { id: 'grip', keys: ['g'], shown: 'G', does: 'type a grip' },
  { id: 'lift', keys: ['Escape'], shown: 'Esc', does: 'lift the grip' },
  { id: 'keep', keys: ['k'], shown: 'K', does: 'keep the grip that is held' },
  { id: 'practise', keys: ['x'], shown: 'X', does: 'practise the chord tones of each degree' },
  ...([1, 2, 3, 4, 5, 6, 7] as const).map((n) => ({
    id: `degree-${n}` as const,
    keys: [String(n)],
    shown: String(n),
    does: `the chord on degree ${n}`,
  })),
] as const satisfies readonly CommandInfo[];
