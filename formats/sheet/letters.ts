import { keysOf } from '../../core';
/** A part of the text font that ships, by the alphabet that it holds. */
export type Alphabet = 'latin' | 'latin-ext' | 'vietnamese' | 'greek' | 'cyrillic' | 'cyrillic-ext';

/** Code points of each part, from first to last: those of the package that the font ships in (its unicode.json; held against it in tests). */
const RANGES: Readonly<Record<Alphabet, string>> = {
  'latin': '0000-00FF,0131,0152-0153,02BB-02BC,02C6,02DA,02DC,0304,0308,0329,2000-206F,20AC,2122,2191,2193,2212,2215,FEFF,FFFD',
  'latin-ext': '0100-02BA,02BD-02C5,02C7-02CC,02CE-02D7,02DD-02FF,0304,0308,0329,1D00-1DBF,1E00-1E9F,1EF2-1EFF,2020,20A0-20AB,20AD-20C0,2113,2C60-2C7F,A720-A7FF',
  'vietnamese': '0102-0103,0110-0111,0128-0129,0168-0169,01A0-01A1,01AF-01B0,0300-0301,0303-0304,0308-0309,0323,0329,1EA0-1EF9,20AB',
  'greek': '0370-0377,037A-037F,0384-038A,038C,038E-03A1,03A3-03FF',
  'cyrillic': '0301,0400-045F,0490-0491,04B0-04B1,2116',
  'cyrillic-ext': '0460-052F,1C80-1C8A,20B4,2DE0-2DFF,A640-A69F,FE2E-FE2F',
}; // prettier-ignore
export const ALPHABETS = keysOf(RANGES);

const PARSED = ALPHABETS.map((name) => ({
  name,
  ranges: RANGES[name].split(',').map((r) => r.split('-').map((n) => parseInt(n, 16))),
}));

/** The part of the font that has a letter; null where none has. Accidentals and lengths are in the music font. */
export function alphabetOf(letter: string): Alphabet | null {
  const code = letter.codePointAt(0) ?? 0;
  return PARSED.find(({ ranges }) => ranges.some(([from, to = from]) => code >= from! && code <= to!))?.name ?? null;
}

const SIGN = /[♭♯♮\u{1D100}-\u{1D1FF}\p{Cc}]/u;

/** The parts of the font that a text needs; Latin always. */
export function alphabetsIn(text: string): Alphabet[] {
  const found = new Set<Alphabet>(['latin']);
  for (const letter of new Set(text)) {
    const alphabet = SIGN.test(letter) ? null : alphabetOf(letter);
    if (alphabet) found.add(alphabet);
  }
  return ALPHABETS.filter((a) => found.has(a));
}

/** Letters of a text that no font that ships has: they are printed as boxes, so they are said before. Each once, in order. */
export const missingLetters = (text: string): string[] => [...new Set(text)].filter((l) => !SIGN.test(l) && alphabetOf(l) === null);
