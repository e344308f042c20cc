import type { CommandInfo } from '../../shell/keys';

/** Everything the Map does from the keyboard, in the order the list of keys shows it. */
export const MAP_COMMANDS = [
  { id: 'right', keys: ['ArrowRight'], shown: '→', does: 'the rung to the right' },
  { id: 'left', keys: ['ArrowLeft'], shown: '←', does: 'the rung to the left' },
  { id: 'thinner', keys: ['ArrowUp'], shown: '↑', does: 'root on the next thinner string' },
  { id: 'thicker', keys: ['ArrowDown'], shown: '↓', does: 'root on the next thicker string' },
  { id: 'key-up', keys: [']'], shown: ']', does: 'key up a half step, the shape goes with it' },
  { id: 'key-down', keys: ['['], shown: '[', does: 'key down a half step' },
  { id: 'labels', keys: ['l'], shown: 'L', does: 'labels: degrees, notes, fingers, frets, blank' },
  { id: 'hear', keys: [' '], shown: 'Space', does: 'hear it up and down, or stop' },
  { id: 'practise', keys: ['x'], shown: 'X', does: 'practise this shape' },
  { id: 'stand', keys: ['z'], shown: 'Z', does: 'music stand: the shape across the whole screen' },
  { id: 'build', keys: ['b'], shown: 'B', does: 'grown layout: build it up, one string more' },
  { id: 'scale', keys: ['s'], shown: 'S', does: 'choose tonic and scale' },
  { id: 'tuning', keys: ['t'], shown: 'T', does: 'choose strings and tuning' },
  { id: 'layout', keys: ['y'], shown: 'Y', does: 'choose the layout' },
  { id: 'root', keys: ['r'], shown: 'R', does: 'choose the root place' },
  { id: 'over', keys: ['o'], shown: 'O', does: 'lay a second scale over it' },
  { id: 'chord', keys: ['c'], shown: 'C', does: 'mark the tones of a chord' },
  { id: 'grip', keys: ['g'], shown: 'G', does: 'which shape lies under a grip' },
  { id: 'show', keys: ['f'], shown: 'F', does: 'roots or chosen degrees only' },
  { id: 'print', keys: ['p'], shown: 'P', does: 'print or export' },
  { id: 'listen', keys: ['e'], shown: 'E', does: 'listen along, or stop listening' },
] as const satisfies readonly CommandInfo[];
