import type { CommandInfo } from '../../shell/keys';

/** Everything Progression does from the keyboard, in the order the list of keys shows it. */
export const PROGRESSION_COMMANDS = [
  { id: 'progression', keys: ['p'], shown: 'P', does: 'choose a progression, or a starting point' },
  { id: 'write', keys: ['w'], shown: 'W', does: 'write the bars of the progression' },
  { id: 'right', keys: ['ArrowRight'], shown: '→', does: 'the next chord of the form' },
  { id: 'left', keys: ['ArrowLeft'], shown: '←', does: 'the chord of the form before' },
  { id: 'up', keys: ['ArrowUp'], shown: '↑', does: 'the hand a fret up the neck' },
  { id: 'down', keys: ['ArrowDown'], shown: '↓', does: 'the hand a fret down the neck' },
  { id: 'school', keys: ['y'], shown: 'Y', does: 'a scale a chord, or one parent scale' },
  { id: 'motion', keys: ['t'], shown: 'T', does: 'stay in one place, or climb' },
  { id: 'way', keys: ['v'], shown: 'V', does: 'the next way through the form' },
  { id: 'home', keys: ['s'], shown: 'S', does: 'the scale that is home over it' },
  { id: 'key', keys: ['k'], shown: 'K', does: 'the whole progression in another key' },
  { id: 'tempo', keys: ['m'], shown: 'M', does: 'tempo, feel and meter' },
  { id: 'lines', keys: ['l'], shown: 'L', does: 'guide lines and study lines' },
  { id: 'guide', keys: ['g'], shown: 'G', does: 'the next guide line on the neck, or none' },
  { id: 'target', keys: ['n'], shown: 'N', does: 'the next note of the position: its ways into the next chord' },
  { id: 'settle', keys: ['Enter'], shown: 'Enter', does: 'settle the scale of this chord, or let it go' },
  { id: 'hear', keys: ['h'], shown: 'H', does: 'hear the scale over its chord' },
  { id: 'play', keys: ['b'], shown: 'B', does: 'play the backing, or stop' },
  { id: 'lift', keys: ['Escape'], shown: 'Esc', does: 'forget the place whose targets are shown' },
  { id: 'listen', keys: ['e'], shown: 'E', does: 'listen along, or stop listening' },
] as const satisfies readonly CommandInfo[];
