import { CoreError, parseGrip, type Instrument, isOneOf } from '../../core';
import { gripText } from '../words/grip-sign';
import { HARMONY_PAGES, type Harmony } from './harmony';

const unless = (text: string, usual: string): string | null => (text === usual ? null : text);

/** A choice of Harmony, which is no part of the study: how it is written, null where it is usual, and how it is read; a string says what is wrong. */
const CHOICES: {
  readonly name: string;
  readonly write: (h: Harmony, i: Instrument) => string | null;
  readonly read: (text: string, i: Instrument) => Partial<Harmony> | string;
}[] = [
  {
    name: 'page',
    write: (h) => unless(h.page, 'chords'),
    read: (text) => (isOneOf(HARMONY_PAGES, text) ? { page: text } : `write one of ${HARMONY_PAGES.join(', ')}`),
  },
  {
    name: 'size',
    write: (h) => unless(String(h.size), '4'),
    read: (text) => (/^[345]$/.test(text) ? { size: Number(text) as Harmony['size'] } : 'write 3 for triads, 4 for sevenths, 5 for ninths'),
  },
  {
    name: 'grip',
    write: (h, i) => (h.grip.length ? gripText(i, h.grip) : null),
    read: (text, i) => {
      try {
        return { grip: parseGrip(text, i) };
      } catch (e) {
        if (e instanceof CoreError) return e.message;
        throw e;
      }
    },
  },
];

/** What Harmony looks at as parts of an address. */
export const harmonyTexts = (h: Harmony, i: Instrument): [string, string][] =>
  CHOICES.flatMap(({ name, write }): [string, string][] => {
    const text = write(h, i);
    return text === null ? [] : [[name, text]];
  });

/** The same, read; what does not hold is left out and said. */
export function readHarmony(params: URLSearchParams, i: Instrument): { readonly harmony: Partial<Harmony>; readonly problems: string[] } {
  const problems: string[] = [];
  let harmony: Partial<Harmony> = {};
  for (const { name, read } of CHOICES) {
    const text = params.get(name);
    const found = text === null ? {} : read(text, i);
    if (typeof found === 'string') problems.push(`${name} “${(text ?? '').slice(0, 60)}”: ${found}`);
    else harmony = { ...harmony, ...found };
  }
  return { harmony, problems };
}
