import type { CommandInfo } from '../../shell/keys';

/** Everything Connect does from the keyboard, in the order the list of keys shows it. */
export const CONNECT_COMMANDS = [
  { id: 'way-1', keys: ['1'], shown: '1', does: 'the first of the ways offered' },
  { id: 'way-2', keys: ['2'], shown: '2', does: 'the second of the ways offered' },
  { id: 'way-3', keys: ['3'], shown: '3', does: 'the third of the ways offered' },
  { id: 'way-4', keys: ['4'], shown: '4', does: 'the fourth of the ways offered' },
  { id: 'next', keys: ['ArrowRight'], shown: '→', does: 'next note of the line' },
  { id: 'before', keys: ['ArrowLeft'], shown: '←', does: 'note before' },
  { id: 'place-up', keys: ['ArrowUp'], shown: '↑', does: 'this note on its next place up the neck' },
  { id: 'place-down', keys: ['ArrowDown'], shown: '↓', does: 'this note on its next place down the neck' },
  { id: 'goal-up', keys: [']'], shown: ']', does: 'goal one rung up' },
  { id: 'goal-down', keys: ['['], shown: '[', does: 'goal one rung down' },
  { id: 'start-up', keys: ['}'], shown: '}', does: 'start one rung up' },
  { id: 'start-down', keys: ['{'], shown: '{', does: 'start one rung down' },
  { id: 'turn', keys: ['v'], shown: 'V', does: 'turn round: back the way it came' },
  { id: 'hear', keys: [' '], shown: 'Space', does: 'hear it, or stop' },
  { id: 'stand', keys: ['z'], shown: 'Z', does: 'music stand: the tab across the whole screen' },
  { id: 'keep', keys: ['k'], shown: 'K', does: 'keep this route with the study' },
  { id: 'from', keys: ['f'], shown: 'F', does: 'choose where it begins' },
  { id: 'to', keys: ['t'], shown: 'T', does: 'choose where it goes' },
  { id: 'way', keys: ['w'], shown: 'W', does: 'choose the way' },
  { id: 'counts', keys: ['c'], shown: 'C', does: 'what counts' },
] as const satisfies readonly CommandInfo[];

/** The same for a kept route, shown as it was kept. */
export const KEPT_COMMANDS = [
  { id: 'next', keys: ['ArrowRight'], shown: '→', does: 'next note of the line' },
  { id: 'before', keys: ['ArrowLeft'], shown: '←', does: 'note before' },
  { id: 'hear', keys: [' '], shown: 'Space', does: 'hear it, or stop' },
  { id: 'stand', keys: ['z'], shown: 'Z', does: 'music stand: the tab across the whole screen' },
  { id: 'again', keys: ['s'], shown: 'S', does: 'solve its question again, on the study as it is now' },
  { id: 'back', keys: ['Escape'], shown: 'Esc', does: 'back to what Connect is asked' },
] as const satisfies readonly CommandInfo[];
