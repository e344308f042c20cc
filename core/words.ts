const COUNT = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
/**
 * A count in words up to twelve, in digits beyond. Example: 3 is "three".
 * @example countWord(3) // 'three'
 */
export const countWord = (n: number): string => COUNT[n] ?? String(n);
/**
 * Example: many(1, 'fret') is "one fret", many(2, 'fret') "two frets".
 * @example many(1, 'note') // 'one note'
 * @example many(2, 'note') // 'two notes'
 */
export const many = (n: number, one: string): string => `${countWord(n)} ${one}${n === 1 ? '' : 's'}`;
/**
 * The same text with its first letter large.
 * @example capital('seam') // 'Seam'
 */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const INTERVALS = [
  'a unison',
  'a half step',
  'a whole step',
  'a minor third',
  'a major third',
  'a fourth',
  'a tritone',
  'a fifth',
  'a minor sixth',
  'a major sixth',
  'a minor seventh',
  'a major seventh',
  'an octave',
];
/**
 * An interval of 0 to 12 half steps by its name; wider ones by their half steps.
 * @example intervalWords(7) // 'a fifth'
 */
export const intervalWords = (semitones: number): string => INTERVALS[semitones] ?? `${semitones} half steps`;
