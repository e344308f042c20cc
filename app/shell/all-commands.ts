import { CONNECT_COMMANDS } from '../views/connect/connect-commands';
import { HARMONY_COMMANDS } from '../views/harmony/harmony-commands';
import { LICK_COMMANDS } from '../views/licks/lick-commands';
import { MAP_COMMANDS } from '../views/map/map-commands';
import { NOTEBOOK_COMMANDS } from '../views/notebook/notebook-commands';
import { PRACTISE_COMMANDS } from '../views/practise/practise-commands';
import { PROGRESSION_COMMANDS } from '../views/progression/progression-commands';
import { QUIZ_COMMANDS } from '../views/quiz/quiz-commands';
import { TRANSPOSE_COMMANDS } from '../views/transpose/transpose-commands';
import { SHELL, type CommandInfo } from './keys';
import { SHELL_COMMANDS } from './shell-commands';

/** Every command of every view: what the command line offers and the list of keys shows. */
export const ALL_COMMANDS: readonly { readonly view: string; readonly infos: readonly CommandInfo[] }[] = [
  { view: 'map', infos: MAP_COMMANDS },
  { view: 'connect', infos: CONNECT_COMMANDS },
  { view: 'transpose', infos: TRANSPOSE_COMMANDS },
  { view: 'licks', infos: LICK_COMMANDS },
  { view: 'harmony', infos: HARMONY_COMMANDS },
  { view: 'progression', infos: PROGRESSION_COMMANDS },
  { view: 'practise', infos: PRACTISE_COMMANDS },
  { view: 'quiz', infos: QUIZ_COMMANDS },
  { view: 'notebook', infos: NOTEBOOK_COMMANDS },
  { view: SHELL, infos: SHELL_COMMANDS },
];
