import type { LickNote } from './types';

const LETTERS = { hammer: 'h', pull: 'p', tap: 't' } as const;

/**
 * What stands on the string of a tab: how the note is joined to the one before, its fret, the fret whose pitch a bend goes to, r where it is let go.
 * `number` is how frets are counted. Examples: "7", "h9", "/12", "(7)" tied on, "7b9", "7b9r" (common practice, no published source).
 */
export function fretSign(n: LickNote, before: LickNote | undefined, number: (fret: number) => number = (f) => f): string {
  const at = n.place?.fret ?? 0;
  const fret = number(at);
  if (n.join === 'tie') return `(${fret})`;
  const joined = n.join === 'slide' ? ((before?.place?.fret ?? 0) < at ? '/' : '\\') : n.join ? LETTERS[n.join] : '';
  return `${joined}${fret}${n.bend ? `b${fret + n.bend}` : ''}${n.release ? 'r' : ''}`;
}
