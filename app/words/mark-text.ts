import { keysOf } from '../../core';
import type { MarkLook, NeckMark } from '../neck/marks';

/** What a mark of the neck means: one thing each, on every view. */
export const MARK_WORDS: Readonly<Record<Exclude<MarkLook, 'root-stud'> | 'bar' | 'aside', string>> = Object.freeze({
  root: 'root; the beak points to the nut',
  'twin-root': 'root of the relative major or minor',
  solid: 'note of the skeleton',
  outlined: 'note added to the skeleton',
  dashed: 'passing note: touch it, do not rest',
  off: 'not in the scale',
  bar: 'tone of the chosen chord',
  aside: 'smaller: not in the chord, or in one of two positions only',
  gone: 'left out by the scale laid over',
  new: 'brought in by the other scale: the one laid over, or of the next chord',
  faint: 'of this shape, not among the notes shown',
  stud: 'in the scale, outside this shape',
});
export type MarkWord = keyof typeof MARK_WORDS;

const ORDER = keysOf(MARK_WORDS);

/** What of the legend is seen on a neck now, in the order in which it is told. */
export function markWordsOn(marks: readonly Pick<NeckMark, 'look' | 'bar' | 'aside'>[]): MarkWord[] {
  const seen = new Set<MarkWord>();
  for (const { look, bar, aside } of marks) {
    seen.add(look === 'root-stud' ? 'stud' : look);
    if (bar) seen.add('bar');
    if (aside) seen.add('aside');
  }
  return ORDER.filter((w) => seen.has(w));
}
