import type { CommandInfo } from '../../shell/keys';

/** Everything the quiz does from the keyboard, in the order the list of keys shows it. */
export const QUIZ_COMMANDS = [
  { id: 'done', keys: [' '], shown: 'Space', does: 'start a round; done; next question' },
  { id: 'choose', keys: ['1', '2', '3', '4', '5', '6', '7', '8', '9'], shown: '1–9', does: 'the answer with this number' },
  { id: 'up', keys: ['ArrowUp'], shown: '↑', does: 'the place on the next thinner string' },
  { id: 'down', keys: ['ArrowDown'], shown: '↓', does: 'the place on the next thicker string' },
  { id: 'right', keys: ['ArrowRight'], shown: '→', does: 'the place a fret to the right' },
  { id: 'left', keys: ['ArrowLeft'], shown: '←', does: 'the place a fret to the left' },
  { id: 'mark', keys: ['Enter'], shown: 'Enter', does: 'mark the place, or let it go' },
  { id: 'no-idea', keys: ['n'], shown: 'N', does: 'I don’t know: show it' },
  { id: 'hear', keys: ['h'], shown: 'H', does: 'hear the question again' },
  { id: 'kinds', keys: ['k'], shown: 'K', does: 'choose what is asked' },
  { id: 'level', keys: ['l'], shown: 'L', does: 'choose the level' },
  { id: 'frets', keys: ['f'], shown: 'F', does: 'choose the frets' },
  { id: 'listen', keys: ['e'], shown: 'E', does: 'listen along, or stop listening' },
  { id: 'stop', keys: ['Escape'], shown: 'Esc', does: 'end the round; what was answered is kept' },
] as const satisfies readonly CommandInfo[];
