import type { CommandInfo } from './keys';

/** What works on every view. */
export const SHELL_COMMANDS = [
  { id: 'commands', keys: ['mod+k'], shown: 'Ctrl K', does: 'command line: type what you want' },
  { id: 'undo', keys: ['mod+z'], shown: 'Ctrl Z', does: 'undo' },
  { id: 'redo', keys: ['mod+shift+z', 'mod+y'], shown: 'Ctrl Shift Z', does: 'redo' },
  { id: 'legend', keys: ['i'], shown: 'I', does: 'what the marks mean' },
  { id: 'theme', keys: ['d'], shown: 'D', does: 'light or dark' },
  { id: 'keys', keys: ['?'], shown: '?', does: 'all keys' },
  { id: 'words', keys: [], shown: '', does: 'list of words' },
  { id: 'handout', keys: [], shown: '', does: 'handout for a pupil: a booklet of this study and others' },
  { id: 'devices', keys: [], shown: '', does: 'other devices: a tablet or phone on the music stand' },
  { id: 'settings', keys: [], shown: '', does: 'settings: names of notes, size, keys' },
] as const satisfies readonly CommandInfo[];
