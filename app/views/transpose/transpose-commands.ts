import type { CommandInfo } from '../../shell/keys';

/** Everything Transpose does from the keyboard, in the order the list of keys shows it. */
export const TRANSPOSE_COMMANDS = [
  { id: 'key', keys: ['1'], shown: '1', does: 'another key' },
  { id: 'root', keys: ['2'], shown: '2', does: 'another root string' },
  { id: 'mode', keys: ['3'], shown: '3', does: 'another mode' },
  { id: 'tuning', keys: ['4'], shown: '4', does: 'another tuning' },
  { id: 'up', keys: [']'], shown: ']', does: 'a half step up' },
  { id: 'down', keys: ['['], shown: '[', does: 'a half step down' },
] as const satisfies readonly CommandInfo[];
