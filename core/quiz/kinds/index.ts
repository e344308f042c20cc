import type { QuizRule } from '../types';
import { above } from './above';
import { degree } from './degree';
import { find } from './find';
import { fingers } from './fingers';
import { jog } from './jog';
import { relative, spell } from './keys';
import { change, ear, mode } from './modes';
import { name } from './name';
import { nextCell } from './next-cell';
import { octave } from './octave';
import { play } from './play';
import { put } from './put';
import { roots } from './roots';
import { shape } from './shape';
import { shared } from './shared';
import { under } from './under';
import { unison } from './unison';

/** Every kind of question there is, in the order in which a player meets them. */
export const QUIZ_RULES = {
  find,
  name,
  degree,
  roots,
  octave,
  unison,
  put,
  shape,
  jog,
  under,
  fingers,
  'next-cell': nextCell,
  above,
  shared,
  change,
  mode,
  ear,
  spell,
  relative,
  play,
} as const satisfies Readonly<Record<string, QuizRule>>;
