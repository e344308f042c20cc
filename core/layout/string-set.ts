import { CoreError, checkWhole, fail } from '../errors';
import { stringsUpward } from '../instrument';
import { nameAgainst, neckNotes, scaledNeck, type ScaledNeck } from '../neck';
import type { Instrument, LayoutOf, Place, ScaleRef } from '../types';
import { pitchesFrom, scaleClasses, stepFrom, withFolds } from './climb';
import { nearest } from './reanchor';
import type { LayoutRule, Start } from './rule';
import { byPitch, type LayoutTask, type Draft } from './shape';
import { octavesWords } from './words';

/**
 * Chosen strings only, a count on each, from a chosen place on the lowest of them (common practice, no published source). Neighbouring strings
 * continue in pitch; after a skipped string the line goes on at the scale note nearest the previous first fret (docs/decisions.md).
 */
function layStringSet(task: LayoutTask, layout: LayoutOf<'string-set'>): Draft[] {
  const { neck } = task;
  const rows = checkedRows(neck, layout);
  const places = grow(neck, rows, layout.start);
  const names = rows.map((r) => r.string).join(' ');
  return withFolds(neck, places).map((p, k) => ({
    number: k + 1,
    label: `strings ${names}, from fret ${p[0]!.fret}`,
    places: byPitch(neck, p),
  }));
}

interface Row {
  /** The string. */
  readonly string: number;
  /** Notes on it. */
  readonly count: number;
}

function checkedRows(neck: ScaledNeck, layout: LayoutOf<'string-set'>): Row[] {
  const { strings, counts } = layout;
  if (!Array.isArray(strings) || strings.length < 1) fail('BAD_LAYOUT', 'layout.strings', 'layout.strings: choose at least one string.');
  if (new Set(strings).size !== strings.length) fail('BAD_LAYOUT', 'layout.strings', 'layout.strings: each string can be chosen once.');
  if (!Array.isArray(counts) || counts.length !== strings.length)
    fail('BAD_LAYOUT', 'layout.counts', 'layout.counts: give one count for each chosen string.');
  const rows = strings.map((s, k) => ({
    string: checkWhole('BAD_LAYOUT', `layout.strings[${k}]`, s, 1, neck.upward.length),
    count: checkWhole('BAD_LAYOUT', `layout.counts[${k}]`, counts[k], 1, 12),
  }));
  rows.sort((a, b) => neck.upward.indexOf(a.string) - neck.upward.indexOf(b.string));
  if (checkScalePlace(neck, layout.start, 'layout.start').string !== rows[0]!.string)
    fail('BAD_LAYOUT', 'layout.start', `layout.start: start on string ${rows[0]!.string}, the lowest of those chosen.`);
  return rows;
}

/** Throws BAD_PLACE off the neck, NOT_IN_SCALE where the place sounds no scale note. */
export function checkScalePlace(neck: ScaledNeck, p: Place, field: string): Place {
  checkWhole('BAD_PLACE', `${field}.string`, p?.string, 1, neck.upward.length);
  checkWhole('BAD_PLACE', `${field}.fret`, p.fret, neck.nut, neck.last);
  const midi = neck.open[p.string]! + p.fret;
  if (neck.toneOf[midi % 12]) return p;
  return fail(
    'NOT_IN_SCALE',
    field,
    `${field}: string ${p.string}, fret ${p.fret} is ${nameAgainst(neck.ref.tonic, midi).name}, which is not in the scale. Choose a scale note.`,
  );
}

function grow(neck: ScaledNeck, rows: Row[], start: Place): Place[] {
  const classes = scaleClasses(neck);
  let midi = neck.open[start.string]! + start.fret;
  let first = start.fret;
  return rows.flatMap(({ string, count }, k) => {
    if (k > 0 && skips(neck, rows[k - 1]!.string, string)) midi = nearestTone(classes, neck.open[string]! + first);
    const pitches = pitchesFrom(classes, midi, count);
    midi = stepFrom(classes, pitches[count - 1]!, 1);
    first = pitches[0]! - neck.open[string]!;
    return pitches.map((m) => ({ string, fret: m - neck.open[string]! }));
  });
}

const skips = (neck: ScaledNeck, below: number, above: number): boolean => neck.upward.indexOf(above) - neck.upward.indexOf(below) > 1;

/** The scale pitch nearest to `midi`; of two as near, the lower. */
function nearestTone(classes: number[], midi: number): number {
  const up = stepFrom(classes, midi - 1, 1);
  const down = stepFrom(classes, midi + 1, -1);
  return up - midi < midi - down ? up : down;
}

/** Strings and counts that the instrument has; the lowest remaining one carries the start, at the nearest scale note. */
function trimmed(i: Instrument, scale: ScaleRef, layout: LayoutOf<'string-set'>): LayoutOf<'string-set'> {
  try {
    checkedRows(scaledNeck(i, scale), layout);
    return layout;
  } catch (e) {
    if (!(e instanceof CoreError) || !['NOT_IN_SCALE', 'BAD_PLACE', 'BAD_LAYOUT'].includes(e.code)) throw e;
    const keep = layout.strings.map((s, k) => ({ s, n: layout.counts[k] })).filter(({ s }) => s <= i.strings.length);
    const rows = keep.length ? keep : [{ s: i.strings.length, n: layout.counts[0] }];
    const string = rows[0]!.s;
    const onString = neckNotes(i, scale).filter((n) => n.string === string);
    return {
      ...layout,
      strings: rows.map((r) => r.s),
      counts: rows.map((r) => r.n!),
      start: nearest(onString, { string, fret: layout.start.fret }),
    };
  }
}

/** Strings on from the root's, every other one if `skip`, with so many notes each. */
function setFrom({ instrument, root }: Start, skip: boolean, count: number): LayoutOf<'string-set'> {
  const upward = stringsUpward(instrument);
  const onward = upward.slice(upward.indexOf(root.string));
  const strings = skip ? onward.filter((_, k) => k % 2 === 0).slice(0, 3) : onward.slice(0, 2);
  return { kind: 'string-set', strings, counts: strings.map(() => count), start: root };
}

/** The set with other strings: each new one with the first one's count, the start on the lowest of them at a root. */
export function withStrings(layout: LayoutOf<'string-set'>, strings: readonly number[], roots: readonly Place[]): LayoutOf<'string-set'> {
  const count = (s: number): number => layout.counts[layout.strings.indexOf(s)] ?? layout.counts[0]!;
  const string = strings[0]!;
  const start =
    string === layout.start.string ? layout.start : (roots.find((p) => p.string === string) ?? { string, fret: layout.start.fret });
  return { ...layout, strings: [...strings], counts: strings.map(count), start };
}

/** The scale on a set of strings that need not be neighbours. */
export const stringSets: LayoutRule<'string-set'> = {
  fields: {
    strings: { is: 'strings', label: 'Strings' },
    counts: { is: 'counts', label: 'Notes on string', from: 1, to: 12 },
    start: { is: 'start', label: 'Root place' },
  },
  lay: layStringSet,
  school: () => 'stretch',
  reanchor: trimmed,
  says: (l) => `strings ${l.strings.join(' ')}, ${l.counts.join(' ')} notes`,
  why: (l, { shape, shapes }) =>
    `Only strings ${l.strings.join(', ')}. Neighbouring strings go on in pitch; after a skipped string the line goes on nearest to the last first fret. ${octavesWords(shapes, shape)}`,
  offers: (start) => [
    { layout: setFrom(start, false, 4), detail: 'neighbouring strings', title: 'a pair of strings, four notes each' },
    { layout: setFrom(start, true, 3), detail: 'skipping strings', title: 'every other string, three notes each' },
  ],
};
