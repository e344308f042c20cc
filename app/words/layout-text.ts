import type { Layout, Numbering, Reach } from '../../core';
import { countWord } from './tuning-text';

const REACHES: Record<Reach, string> = {
  index: 'first finger reaches',
  little: 'little finger reaches',
  nearer: 'shorter reach',
};
const NUMBERINGS: Record<Numbering, string> = {
  'minor-root': 'five boxes',
  'major-root': 'five patterns',
};
const plural = (n: number): string => `${countWord(n)} note${n === 1 ? '' : 's'} a string`;

/** How the sentence says a layout. */
const SAY: { [K in Layout['kind']]: (l: Extract<Layout, { kind: K }>) => string } = {
  window: (l) => `one finger per fret, ${REACHES[l.stretch ?? 'index']}`,
  box: (l) => NUMBERINGS[l.numbering ?? 'minor-root'],
  'per-string': (l) => plural(l.notes),
  'one-string': (l) => `string ${l.string} alone`,
  'string-set': (l) => `strings ${l.strings.join(' ')}, ${l.counts.join(' ')} notes`,
  diagonal: (l) => `a diagonal${l.counts ? ` of ${l.counts.join(' and ')}` : ''} from string ${l.root.string}, fret ${l.root.fret}`,
  split: (l) => `split runs, ${plural(l.notes ?? 3)}`,
  region: (l) => `a region, frets ${l.fromFret} to ${l.toFret}`,
  anchor: (l) => `${plural(l.notes)} from string ${l.root.string}, fret ${l.root.fret}`,
};

export const layoutWords = (layout: Layout): string => (SAY[layout.kind] as (l: Layout) => string)(layout);

export interface LayoutChoice {
  layout: Layout;
  title: string;
  detail: string;
}

const choice = (layout: Layout, detail: string): LayoutChoice => ({ layout, title: layoutWords(layout), detail });

/** Layouts that need nothing but themselves to be chosen. */
const CHOICES: LayoutChoice[] = [
  choice({ kind: 'box', numbering: 'minor-root' }, 'box 1 has the minor root lowest'),
  choice({ kind: 'box', numbering: 'major-root' }, 'pattern 1 has the major root lowest'),
  ...[3, 2, 4, 1, 5, 6].map((notes) =>
    choice({ kind: 'per-string', notes }, notes === 3 ? 'usual for seven notes' : notes === 2 ? 'usual for pentatonics' : ''),
  ),
  choice({ kind: 'window', stretch: 'index' }, 'hand stays; reach back'),
  choice({ kind: 'window', stretch: 'little' }, 'hand stays; reach forward'),
  choice({ kind: 'window', stretch: 'nearer' }, 'hand stays; whichever is narrower'),
];

/** Layouts for what was typed: every word must start a word of the title or its remark. */
export function matchLayouts(text: string): LayoutChoice[] {
  const digits = text.replace(/\b[1-6]\b/g, (d) => countWord(Number(d)));
  const words = digits.toLowerCase().split(/\s+/).filter(Boolean);
  return CHOICES.filter((c) => words.every((w) => `${c.title} ${c.detail}`.toLowerCase().split(/[\s,;]+/).some((p) => p.startsWith(w)))); // prettier-ignore
}
