import type { CommandInfo } from '../../shell/keys';

/** Everything Practise does from the keyboard or a pedal, in the order the list of keys shows it. */
export const PRACTISE_COMMANDS = [
  { id: 'clean', keys: [' ', 'PageDown'], shown: 'Space', does: 'start; while it runs: the pass was clean' },
  { id: 'miss', keys: ['ArrowDown', 'PageUp'], shown: '↓', does: 'the pass was missed' },
  { id: 'stop', keys: ['Escape'], shown: 'Esc', does: 'stop' },
  { id: 'tap', keys: ['t'], shown: 'T', does: 'tap the tempo' },
  { id: 'faster', keys: ['+', '='], shown: '+', does: 'one step faster' },
  { id: 'slower', keys: ['-'], shown: '-', does: 'one step slower' },
  { id: 'half', keys: ['h'], shown: 'H', does: 'half speed, or full' },
  { id: 'rung-up', keys: [']', 'ArrowRight'], shown: ']', does: 'the rung above' },
  { id: 'rung-down', keys: ['[', 'ArrowLeft'], shown: '[', does: 'the rung below' },
  { id: 'what', keys: ['f'], shown: 'F', does: 'choose what is drilled' },
  { id: 'order', keys: ['o'], shown: 'O', does: 'choose the order' },
  { id: 'rhythm', keys: ['r'], shown: 'R', does: 'choose the rhythm' },
  { id: 'drills', keys: ['g'], shown: 'G', does: 'choose a drill, or keep this one' },
  { id: 'sounds', keys: ['s'], shown: 'S', does: 'click, notes, or both' },
  { id: 'say', keys: ['w'], shown: 'W', does: 'what is said in time' },
  { id: 'hide', keys: ['y'], shown: 'Y', does: 'say it yourself: hidden, then shown' },
  { id: 'count-in', keys: ['c'], shown: 'C', does: 'a bar of count-in, or none' },
  { id: 'dry', keys: ['m'], shown: 'M', does: 'minutes only, no scoring' },
  { id: 'stand', keys: ['z'], shown: 'Z', does: 'music stand: the line across the whole screen' },
  { id: 'lick', keys: ['l'], shown: 'L', does: 'make a lick of the drill' },
  { id: 'listen', keys: ['e'], shown: 'E', does: 'listen along, or stop listening' },
] as const satisfies readonly CommandInfo[];
