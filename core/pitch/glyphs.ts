/** Longest first, so that a double sign is one glyph. */
const SIGNS: [RegExp, string][] = [
  [/##/g, '𝄪'],
  [/bb/g, '𝄫'],
  [/#/g, '♯'],
  [/b/g, '♭'],
];
const swap = (signs: string): string => SIGNS.reduce((text, [from, to]) => text.replace(from, to), signs);

/**
 * ASCII accidentals to the signs that screens and sheets show, in note names, degrees and chord symbols,
 * wherever they stand in a sentence. Example: glyphs('Bb Mixolydian, b7 of F##, bIII') is 'B♭ Mixolydian, ♭7 of F𝄪, ♭III'.
 * @example glyphs('Bb') // 'B♭'
 */
export const glyphs = (text: string): string =>
  text
    .replace(/(?<![A-Za-z])([A-G])(#{1,4}|b{1,4}(?![a-ln-z]))/g, (_, letter: string, signs: string) => letter + swap(signs))
    .replace(/(?<![A-Za-z])([#b]{1,2})(?=\d|(?:VII|VI|V|IV|I{1,3}|vii|vi|v|iv|i{1,3})(?=maj|[^A-Za-z]|$))/g, (signs) => swap(signs));

/**
 * The other way round, for what people type: 'F♯' and 'Fs' stay as they are typed except for the signs.
 * @example ascii('B♭') // 'Bb'
 */
export const ascii = (text: string): string =>
  text.replace(/𝄪/gu, '##').replace(/𝄫/gu, 'bb').replace(/♯/g, '#').replace(/♭/g, 'b').replace(/♮/g, '');
