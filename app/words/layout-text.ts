import {
  stringsUpward,
  type Instrument,
  type Layout,
  type LayoutKind,
  type LayoutOf,
  type Numbering,
  type Place,
  type Reach,
} from '../../core';
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
const at = (p: Place): string => `string ${p.string}, fret ${p.fret}`;

/** How the sentence says a layout. */
const SAY: { [K in LayoutKind]: (l: LayoutOf<K>) => string } = {
  window: (l) => `one finger per fret, ${REACHES[l.stretch ?? 'index']}`,
  box: (l) => NUMBERINGS[l.numbering ?? 'minor-root'],
  'per-string': (l) => plural(l.notes),
  'one-string': (l) => `string ${l.string} alone`,
  'string-set': (l) => `strings ${l.strings.join(' ')}, ${l.counts.join(' ')} notes`,
  diagonal: (l) => `a diagonal${l.counts ? ` of ${l.counts.join(' and ')}` : ''} from ${at(l.root)}`,
  split: (l) => `split runs, ${plural(l.notes ?? 3)}`,
  region: (l) => `a region, frets ${l.fromFret} to ${l.toFret}`,
  anchor: (l) => `${plural(l.notes)}, grown from ${at(l.root)}`,
  places: (l) => `${l.places.length} kept ${l.places.length === 1 ? 'place' : 'places'}`,
};

export const layoutWords = (layout: Layout): string => (SAY[layout.kind] as (l: Layout) => string)(layout);

export interface LayoutChoice {
  layout: Layout;
  title: string;
  detail: string;
}

/** Where layouts that hang on a place or a string begin: at the root of the shape in hand. */
export interface Start {
  instrument: Instrument;
  root: Place;
}

/** The chosen strings from the one given up, every other one if `skip`. */
function stringsFrom(instrument: Instrument, string: number, skip: boolean): number[] {
  const upward = stringsUpward(instrument);
  const from = upward.indexOf(string);
  return upward.slice(from).filter((_, k) => !skip || k % 2 === 0).slice(0, skip ? 3 : 2); // prettier-ignore
}

const setFrom = ({ instrument, root }: Start, skip: boolean, count: number): Layout => {
  const strings = stringsFrom(instrument, root.string, skip);
  return { kind: 'string-set', strings, counts: strings.map(() => count), start: root };
};

/** The string of the root first, then every other one. */
const oneString = ({ instrument, root }: Start): LayoutOf<'one-string'>[] =>
  [root.string, ...stringsUpward(instrument).filter((s) => s !== root.string)].map((string) => ({ kind: 'one-string', string }));

/** Every layout as it would begin here. */
function choices(start: Start): LayoutChoice[] {
  const { instrument, root } = start;
  const choice = (layout: Layout, detail: string, title = layoutWords(layout)): LayoutChoice => ({ layout, title, detail });
  return [
    choice({ kind: 'box', numbering: 'minor-root' }, 'box 1 has the minor root lowest'),
    choice({ kind: 'box', numbering: 'major-root' }, 'pattern 1 has the major root lowest'),
    ...[3, 2, 4, 1, 5, 6].map((notes) =>
      choice({ kind: 'per-string', notes }, notes === 3 ? 'usual for seven notes' : notes === 2 ? 'usual for pentatonics' : ''),
    ),
    choice({ kind: 'window', stretch: 'index' }, 'hand stays; reach back'),
    choice({ kind: 'window', stretch: 'little' }, 'hand stays; reach forward'),
    choice({ kind: 'window', stretch: 'nearer' }, 'hand stays; whichever is narrower'),
    ...oneString(start).map((layout, k) => choice(layout, k ? '' : 'the formula along one string', `one string: string ${layout.string}`)),
    choice(setFrom(start, false, 4), 'neighbouring strings', 'a pair of strings, four notes each'),
    choice(setFrom(start, true, 3), 'skipping strings', 'every other string, three notes each'),
    choice({ kind: 'diagonal', root }, 'climbs the neck, two counts in turn'),
    choice({ kind: 'split', notes: 3 }, 'half of one shape, half of the next'),
    choice({ kind: 'region', fromFret: 0, toFret: Math.min(7, instrument.frets) }, 'everything between two frets'),
    choice({ kind: 'anchor', root, notes: 3 }, 'builds up from one root, string by string'),
  ];
}

/** How near a choice comes to what was typed: by its title's beginning, its title, its remark, or by single words alone. */
function nearness({ title, detail }: LayoutChoice, typed: string): number {
  if (title.toLowerCase().startsWith(typed)) return 0;
  if (title.toLowerCase().includes(typed)) return 1;
  return detail.toLowerCase().includes(typed) ? 2 : 3;
}

/** Layouts for what was typed, the nearest first: every word must start a word of the title or its remark. */
export function matchLayouts(text: string, start: Start): LayoutChoice[] {
  const typed = text.trim().toLowerCase();
  const spoken = typed.replace(/\b[1-6]\b/g, (d) => countWord(Number(d)));
  const [words, digits] = [spoken, typed].map((t) => t.split(/\s+/).filter(Boolean));
  const parts = (c: LayoutChoice): string[] => `${c.title} ${c.detail}`.toLowerCase().split(/[\s,;:]+/);
  const starts = (c: LayoutChoice, word: string): boolean => parts(c).some((p) => p.startsWith(word));
  return choices(start)
    .filter((c) => words.every((w, k) => starts(c, w) || starts(c, digits[k])))
    .sort((a, b) => nearness(a, spoken) - nearness(b, spoken));
}
