import { semitonesOf } from '../scale';
import type { DegreeName, NoteName } from '../types';

/** What kind of chord some tones make: what follows the root's name, how the numeral is written, and the words for it. */
export interface Kind {
  /** What follows the root in the symbol. */
  readonly suffix: string;
  /** The roman numeral of such a chord. */
  readonly roman: (numeral: string) => string;
  /** In words. */
  readonly quality: string;
}

const upper = (tail: string) => (n: string) => n + tail;
const lower = (tail: string) => (n: string) => n.toLowerCase() + tail;

/** By semitones above the root, in the order of the stack. */
const KINDS: Record<string, Kind> = {
  '0,4,7': { suffix: '', roman: upper(''), quality: 'major' },
  '0,3,7': { suffix: 'm', roman: lower(''), quality: 'minor' },
  '0,3,6': { suffix: 'dim', roman: lower('°'), quality: 'diminished' },
  '0,4,8': { suffix: 'aug', roman: upper('+'), quality: 'augmented' },
  '0,4,6': { suffix: 'Mb5', roman: upper('(b5)'), quality: 'major with a flat fifth' },
  '0,2,7': { suffix: 'sus2', roman: upper('sus2'), quality: 'suspended second' },
  '0,5,7': { suffix: 'sus4', roman: upper('sus4'), quality: 'suspended fourth' },
  '0,4,7,11': { suffix: 'maj7', roman: upper('maj7'), quality: 'major seventh' },
  '0,4,7,10': { suffix: '7', roman: upper('7'), quality: 'dominant seventh' },
  '0,3,7,10': { suffix: 'm7', roman: lower('7'), quality: 'minor seventh' },
  '0,3,7,11': { suffix: 'mM7', roman: lower('maj7'), quality: 'minor with a major seventh' },
  '0,3,6,10': { suffix: 'm7b5', roman: lower('ø7'), quality: 'half-diminished' },
  '0,3,6,9': { suffix: 'dim7', roman: lower('°7'), quality: 'diminished seventh' },
  '0,3,6,11': { suffix: 'dimM7', roman: lower('°maj7'), quality: 'diminished with a major seventh' },
  '0,4,8,11': { suffix: 'maj7#5', roman: upper('+maj7'), quality: 'augmented major seventh' },
  '0,4,8,10': { suffix: '7#5', roman: upper('+7'), quality: 'augmented seventh' },
  '0,4,6,10': { suffix: '7b5', roman: upper('7b5'), quality: 'seventh with a flat fifth' },
  '0,4,6,11': { suffix: 'maj7b5', roman: upper('maj7b5'), quality: 'major seventh with a flat fifth' },
  '0,5,7,10': { suffix: '7sus4', roman: upper('7sus4'), quality: 'suspended seventh' },
  '0,4,7,9': { suffix: '6', roman: upper('6'), quality: 'major sixth' },
  '0,3,7,9': { suffix: 'm6', roman: lower('6'), quality: 'minor sixth' },
};

/** What a ninth does to the symbol of a seventh: a plain one takes the seventh's place, an altered one stands behind. */
const NINTHS: Readonly<Record<number, string>> = { 1: 'b9', 2: '9', 3: '#9' };

function withNinth(kind: Kind, ninth: number): Kind | null {
  const sign = NINTHS[ninth];
  if (!sign) return null;
  const plain = ninth === 2 && !kind.suffix.startsWith('dim');
  if (ninth === 2 && kind.suffix.endsWith('6'))
    return { suffix: `${kind.suffix}9`, roman: (n) => `${kind.roman(n)}9`, quality: `${kind.quality} and a ninth` };
  const on = (text: string): string => (plain ? text.replace('7', '9') : `${text}${sign === '9' ? 'add9' : sign}`);
  const words = { 1: 'and a flat ninth', 2: 'and a ninth', 3: 'and a sharp ninth' }[ninth];
  return { suffix: on(kind.suffix), roman: (n) => on(kind.roman(n)), quality: `${kind.quality} ${words}` };
}

/** The kind of a stack: three to five degrees against the root, in its order; null where no usual symbol says it. */
export function kindOf(degrees: readonly DegreeName[]): Kind | null {
  const sounds = degrees.map(semitonesOf);
  const base = KINDS[sounds.slice(0, 4).join()];
  if (!base) return null;
  return sounds.length === 5 ? withNinth(base, sounds[4]!) : base;
}

/**
 * The symbol of a chord on a root by its degrees, root first: the usual one, else its degrees in brackets, C(1,b3,b4). Whatever it
 * writes, parseChord reads. A major triad is the bare root.
 * @example chordSymbol('C', ['1', 'b3', 'b5', 'b7']) // 'Cm7b5'
 */
export function chordSymbol(root: NoteName, degrees: readonly DegreeName[]): string {
  const kind = kindOf(degrees);
  return kind ? root + kind.suffix : `${root}(${degrees.join(',')})`;
}

const NUMERALS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];
/** The numeral of a degree. Example: b3 is bIII. */
export const numeral = (degree: DegreeName): string => degree.slice(0, -1) + NUMERALS[Number(degree.slice(-1)) - 1];
