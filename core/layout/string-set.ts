import { checkWhole, fail } from '../errors';
import { nameAgainst, type ScaledNeck } from '../neck';
import type { LayoutOf, Place } from '../types';
import { pitchesFrom, scaleClasses, stepFrom, withFolds } from './climb';
import { byPitch, type Bench, type Draft } from './shape';

/**
 * Chosen strings only, a count on each, from a chosen place on the lowest of them (common practice, no published source). Neighbouring strings
 * continue in pitch; after a skipped string the line goes on at the scale note nearest the previous first fret (docs/decisions.md).
 */
export function layStringSet(bench: Bench, layout: LayoutOf<'string-set'>): Draft[] {
  const { neck } = bench;
  const rows = checkedRows(neck, layout);
  const places = grow(neck, rows, layout.start);
  const names = rows.map((r) => r.string).join(' ');
  return withFolds(neck, places).map((p, k) => ({
    number: k + 1,
    label: `strings ${names}, from fret ${p[0].fret}`,
    places: byPitch(neck, p),
  }));
}

interface Row {
  string: number;
  count: number;
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
  if (checkScalePlace(neck, layout.start, 'layout.start').string !== rows[0].string)
    fail('BAD_LAYOUT', 'layout.start', `layout.start: start on string ${rows[0].string}, the lowest of those chosen.`);
  return rows;
}

/** Throws BAD_PLACE off the neck, NOT_IN_SCALE where the place sounds no scale note. */
export function checkScalePlace(neck: ScaledNeck, p: Place, field: string): Place {
  checkWhole('BAD_PLACE', `${field}.string`, p?.string, 1, neck.upward.length);
  checkWhole('BAD_PLACE', `${field}.fret`, p.fret, neck.nut, neck.last);
  const midi = neck.open[p.string] + p.fret;
  if (neck.toneOf[midi % 12]) return p;
  return fail(
    'NOT_IN_SCALE',
    field,
    `${field}: string ${p.string}, fret ${p.fret} is ${nameAgainst(neck.ref.tonic, midi).name}, which is not in the scale. Choose a scale note.`,
  );
}

function grow(neck: ScaledNeck, rows: Row[], start: Place): Place[] {
  const classes = scaleClasses(neck);
  let midi = neck.open[start.string] + start.fret;
  let first = start.fret;
  return rows.flatMap(({ string, count }, k) => {
    if (k > 0 && skips(neck, rows[k - 1].string, string)) midi = nearestTone(classes, neck.open[string] + first);
    const pitches = pitchesFrom(classes, midi, count);
    midi = stepFrom(classes, pitches[count - 1], 1);
    first = pitches[0] - neck.open[string];
    return pitches.map((m) => ({ string, fret: m - neck.open[string] }));
  });
}

const skips = (neck: ScaledNeck, below: number, above: number): boolean => neck.upward.indexOf(above) - neck.upward.indexOf(below) > 1;

/** The scale pitch nearest to `midi`; of two as near, the lower. */
function nearestTone(classes: number[], midi: number): number {
  const up = stepFrom(classes, midi - 1, 1);
  const down = stepFrom(classes, midi + 1, -1);
  return up - midi < midi - down ? up : down;
}
