import { nameShape, type Instrument, type Layout, type LayoutKind, type LayoutOf, type ScaleRef, type Shape } from '../../core';
import { foldedCopies, jogWords, stretchWords } from './shape-text';
import { countWord } from './tuning-text';

interface Given {
  instrument: Instrument;
  scale: ScaleRef;
  shapes: Shape[];
  shape: Shape;
}

const jogs = ({ shape }: Given): string =>
  shape.jogs.length ? shape.jogs.map(jogWords).join('; ') : 'all strings are a fourth apart, so nothing jogs';
const octaves = ({ shapes, shape }: Given): string => {
  const copies = foldedCopies(shapes, shape);
  return copies.length
    ? `It lies again twelve frets away, at fret ${copies.map((s) => s.lowFret).join(' and ')}.`
    : 'No whole copy twelve frets away fits.';
};
const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Spacings that come in runs of two are true of the shape that starts on the major root, with three a string (docs/decisions.md). */
function runsOfTwo({ shape }: Given): string {
  const steps = shape.cells.map((c) => c.steps.join('-'));
  const paired = steps.length === 6 && [0, 2, 4].every((k) => steps[k] === steps[k + 1]);
  return paired ? ` The spacings come in pairs: ${steps[0]}, ${steps[2]}, ${steps[4]}.` : '';
}

function becomes({ instrument, scale, shape }: Given): string {
  const known = nameShape(instrument, scale, shape.notes);
  return known ? ` It turned out to be ${known.label}.` : '';
}

const turns = (n: number, notes: number): string =>
  `The lower ${countWord(n)} strings of one shape, ${countWord(notes)} notes each, then one string back and up through the next shape.`;

/** Why a shape looks as it does, in a line. */
const WHY: { [K in LayoutKind]: (l: LayoutOf<K>, g: Given) => string } = {
  window: (_, g) =>
    g.shape.stretches.length
      ? `The hand owns four frets. Between strings a fourth apart one fret stays uncovered; where a scale note lies there a finger leaves the window: ${stretchWords(g.shape.stretches)}.`
      : 'The hand owns four frets and every note lies under it: this window is at rest.',
  box: (_, g) => `Two skeleton notes on every string; the other notes go where the hand stays narrower. ${upper(jogs(g))}.`,
  'per-string': (l, g) =>
    `${upper(countWord(l.notes))} on every string, so the shape drifts up the neck as it goes to the thin strings.${runsOfTwo(g)} ${upper(jogs(g))}.`,
  'one-string': (l) =>
    `The formula laid out along string ${l.string}. The hand shifts where the fingers begin again at 1. Twelve frets make the octave.`,
  'string-set': (l, g) =>
    `Only strings ${l.strings.join(', ')}. Neighbouring strings go on in pitch; after a skipped string the line goes on nearest to the last first fret. ${octaves(g)}`,
  diagonal: (_, g) => `Two counts take turns, so every pair of strings moves the hand up the neck. ${upper(jogs(g))}. ${octaves(g)}`,
  split: (l, g) => turns(Math.floor(g.instrument.strings.length / 2) + 1, l.notes ?? 3),
  region: (l) => `Every scale note from fret ${l.fromFret} to fret ${l.toFret}, unisons too. What lies here lies again twelve frets away.`,
  anchor: (_, g) => `Filled up and down from the root you chose, which is the lowest note of its string.${becomes(g)} ${octaves(g)}`,
  places: (_, g) => `A shape kept through a change of tuning: its places as they stand.${becomes(g)} ${octaves(g)}`,
};

/** The line under a layout: jogs, holes, reaches, folds, whichever made it so. */
export const whyWords = (layout: Layout, given: Given): string => (WHY[layout.kind] as (l: Layout, g: Given) => string)(layout, given);
