import { keysOf } from '../typed';
import { checkOneOf } from '../errors';
import type { NoteName, ScaleRef } from '../types';
import { movedProgression } from './parse';

/** A form to start from, written in C. */
interface Form {
  /** Its bars as they are typed. */
  readonly text: string;
  /** The scale that is home over it. */
  readonly scale: string;
}

const vamp = (scale: string, text: string): Form => ({ scale, text });

/** Forms that players know (common practice, no published source). */
const FORMS = {
  'twelve bars, major': { scale: 'mixolydian', text: '| C7 | % | % | % |\n| F7 | % | C7 | % |\n| G7 | F7 | C7 | G7 |' },
  'twelve bars, quick change': { scale: 'mixolydian', text: '| C7 | F7 | C7 | % |\n| F7 | % | C7 | % |\n| G7 | F7 | C7 | G7 |' },
  'twelve bars, minor': { scale: 'aeolian', text: '| Cm7 | % | % | % |\n| Fm7 | % | Cm7 | % |\n| Ab7 | G7 | Cm7 | G7 |' },
  'eight bars': { scale: 'mixolydian', text: '| C7 | G7 | F7 | % |\n| C7 | G7 | C7 F7 | C7 G7 |' },
  'two five one, major': { scale: 'ionian', text: '| Dm7 | G7 | Cmaj7 | % |' },
  'two five one, minor': { scale: 'harmonic minor', text: '| Dm7b5 | G7b9 | Cm7 | % |' },
  turnaround: { scale: 'ionian', text: '| Cmaj7 Am7 | Dm7 G7 |' },
  'turnaround of dominants': { scale: 'ionian', text: '| Cmaj7 A7 | D7 G7 |' },
  'turnaround by half steps': { scale: 'ionian', text: '| Cmaj7 Eb7 | Abmaj7 Db7 |' },
  'vamp, ionian': vamp('ionian', '| Cmaj7 | Fmaj7 |'),
  'vamp, dorian': vamp('dorian', '| Cm7 | F7 |'),
  'vamp, phrygian': vamp('phrygian', '| Cm7 | Dbmaj7 |'),
  'vamp, lydian': vamp('lydian', '| Cmaj7 | D/C |'),
  'vamp, mixolydian': vamp('mixolydian', '| C7 | Bb/C |'),
  'vamp, aeolian': vamp('aeolian', '| Cm7 | Abmaj7 Bb |'),
  'vamp, locrian': vamp('locrian', '| Cm7b5 | Dbmaj7 |'),
  'vamp, phrygian dominant': vamp('phrygian dominant', '| C | Db |'),
  'vamp, lydian dominant': vamp('lydian dominant', '| C7#11 | D/C |'),
  'minor loop': { scale: 'aeolian', text: '| Cm | Ab | Eb | Bb |' },
  'minor loop, falling': { scale: 'harmonic minor', text: '| Cm | Bb | Ab | G7 |' },
  'minor loop, three chords': { scale: 'aeolian', text: '| Cm7 | % | Fm7 | Gm7 |' },
  'one chord, minor': { scale: 'dorian', text: '| Cm7 | % | % | % |' },
  'one chord, dominant': { scale: 'mixolydian', text: '| C7 | % | % | % |' },
  'one chord, open fifth': { scale: 'phrygian', text: '| C5 | % | % | % |' },
} as const satisfies Record<string, Form>;

/** A form to start from, by name. */
export type FormName = keyof typeof FORMS;
/** Forms to start from, as they are offered. */
export const FORM_NAMES = keysOf(FORMS);

const WRITTEN_IN = 'C';

/** A form to start from in a key: its text, spelled in it, and the scale that is home. Throws BAD_OPTION, BAD_NOTE. */
export function formIn(name: FormName, tonic: NoteName): { readonly text: string; readonly home: ScaleRef } {
  checkOneOf('BAD_OPTION', 'form', name, FORM_NAMES);
  const { text, scale } = FORMS[name];
  return { text: movedProgression(text, WRITTEN_IN, tonic), home: { tonic, scale } };
}
