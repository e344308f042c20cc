import { ruleOf, type Instrument, type LayoutKind, type Shape } from '../../core';
import { cutWords } from './shape-text';

/** A word of our own: what it means in one line, and what players usually call it, where there is such a word. */
export interface OwnWord {
  readonly word: string;
  readonly usual?: string;
  readonly says: string;
}

export const OWN_WORDS: readonly OwnWord[] = [
  {
    word: 'rung',
    usual: 'position',
    says: 'One shape of the scale in one place under the hand. The rungs lie under the neck, from the nut up.',
  },
  { word: 'ladder', usual: 'all positions', says: 'All rungs of the way in which the neck is cut.' },
  {
    word: 'layout',
    usual: 'fingering system',
    says: 'How the neck is cut into rungs: five boxes, three notes a string, one finger per fret, …',
  },
  {
    word: 'seam',
    usual: 'shared notes',
    says: 'Where two neighbouring rungs meet: the places that both have, and where the hand can change over.',
  },
  {
    word: 'jog',
    says: 'Where two neighbouring strings are not a fourth apart: from there on, everything sits some frets higher or lower than the pattern would have it.',
  },
  {
    word: 'reach',
    usual: 'stretch',
    says: 'A note outside the four frets of the hand. The finger goes there and comes back; the hand stays.',
  },
  { word: 'at rest', says: 'A position of four frets that needs no reach: every note lies under its finger.' },
  { word: 'grown', says: 'A shape filled from one root up and down, string by string, a fixed number of notes on each.' },
  { word: 'cut', says: 'A shape that does not fit whole at the nut or the last fret: it is shown without the notes that are not there.' },
  { word: 'skeleton', usual: 'pentatonic', says: 'The five notes that a scale of seven is built round; the others are added to it.' },
  { word: 'passing', usual: 'chromatic', says: 'A note to be touched on the way, not to be rested on.' },
  { word: 'mend', says: 'In the check of a line: puts the likely intended note in place of one that is probably wrong.' },
  { word: 'effort', says: 'What a line asks of the hand, in millimetres of its way: shifts, reaches, string changes. Less is easier.' },
  { word: 'loose leaf', says: 'A page that belongs to no study. Look around; keep it as a study if you want it.' },
];

/** Own words that are seen with a shape and its ladder, those met first first. */
export function wordsIn(shape: Shape, shapes: readonly Shape[], kind: LayoutKind, instrument: Instrument): string[] {
  const seen: [string, boolean][] = [
    ['rung', true],
    ['seam', shapes.length > 1],
    ['jog', shape.jogs.length > 0],
    ['reach', shape.stretches.length > 0],
    ['at rest', ruleOf(kind).still === true && shapes.some((s) => s.stretches.length === 0)],
    ['grown', ruleOf(kind).grows === true],
    ['cut', cutWords(shape, instrument) !== null],
  ];
  return seen.filter(([, on]) => on).map(([word]) => word);
}

/** A word by itself; undefined where the list has none such. */
export const lineOf = (word: string): OwnWord | undefined => OWN_WORDS.find((w) => w.word === word);
