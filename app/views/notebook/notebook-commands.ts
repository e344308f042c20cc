import type { CommandInfo } from '../../shell/keys';

export const NOTEBOOK_COMMANDS = [
  { id: 'search', keys: ['/'], shown: '/', does: 'search the Notebook' },
  { id: 'new', keys: ['n'], shown: 'N', does: 'new study' },
] as const satisfies readonly CommandInfo[];
