import { handPlaces, placeIndex, type FingeredStep, type Instrument, type NeckNote, type Place, type Seam, type Shape } from '../../core';
import { fretX, lanesOf, stringY, wireX, type NeckGeometry } from './geometry';
import { degreeText, type MarkLook, type Naming, type NeckMark } from './marks';

/** Fingers of a place that a line takes more than once, in the order they come, each once: "1/3"; T where the other hand taps it. */
function fingersByPlace(steps: readonly FingeredStep[], nut: number): Map<number, string> {
  const fingers = new Map<number, Set<number | 'T'>>();
  for (const s of steps)
    fingers.set(placeIndex(s), (fingers.get(placeIndex(s)) ?? new Set()).add(s.finger === 0 && s.fret > nut ? 'T' : s.finger));
  return new Map([...fingers].map(([k, set]) => [k, [...set].join('/')]));
}

const lookOf = (n: NeckNote | undefined): MarkLook => {
  if (!n) return 'off';
  if (n.role === 'root') return 'root';
  return n.role === 'passing' ? 'dashed' : n.added ? 'outlined' : 'solid';
};

/** Some places in full, each with its text; the rest of the scale as studs. A place off the scale looks so. */
export function placesMarked(notes: readonly NeckNote[], texts: Map<number, string>): NeckMark[] {
  const known = new Map(notes.map((n) => [placeIndex(n), n]));
  const rest = notes.filter((n) => !texts.has(placeIndex(n)));
  const studs = rest.map((n): NeckMark => ({ string: n.string, fret: n.fret, look: n.role === 'root' ? 'root-stud' : 'stud', text: '' }));
  const line = [...texts].map(([k, text]): NeckMark => ({ string: k >> 6, fret: k % 64, look: lookOf(known.get(k)), text }));
  return [...studs, ...line];
}

/** The notes of a line in full, with their fingers. */
export const pathMarks = (notes: readonly NeckNote[], steps: readonly FingeredStep[], nut: number): NeckMark[] =>
  placesMarked(notes, fingersByPlace(steps, nut));

/** Places by their degrees; those in `gone` are crossed out. */
export function degreeMarks(
  notes: readonly NeckNote[],
  places: readonly Place[],
  gone: readonly Place[] = [],
  naming?: Naming,
): NeckMark[] {
  const degrees = new Map(notes.map((n) => [placeIndex(n), degreeText(n.degree, naming)]));
  const lost = new Set(gone.map(placeIndex));
  const marks = placesMarked(notes, new Map(places.map((p) => [placeIndex(p), degrees.get(placeIndex(p)) ?? '']))); // prettier-ignore
  return marks.map((m) => (lost.has(placeIndex(m)) ? { ...m, look: 'gone' as const } : m));
}

/** A line from note to note, as an SVG path. */
export const pathLine = (g: NeckGeometry, steps: readonly Place[]): string =>
  steps.map((s, k) => `${k ? 'L' : 'M'}${fretX(g, s.fret).toFixed(1)} ${stringY(g, s.string)}`).join('');

/** Steps at which the hand has moved. */
export const shiftsAt = (steps: readonly FingeredStep[]): number[] =>
  steps.flatMap((s, k) => (k > 0 && s.handFret !== steps[k - 1]!.handFret ? [k] : []));

/** One place of the hand, under the neck: which stays of the hand it stands for, and where it lies. */
export interface HandSpan {
  readonly fret: number;
  /** Counted from 1 along the line. */
  readonly stays: number[];
  readonly from: number;
  readonly to: number;
  readonly lane: number;
}

/** Frets under the four fingers at rest. */
const HAND = 3;

/** Where the hand lies along a line: a span a hand fret, spread over lanes, in the order they are first taken. */
export function handSpans(
  g: NeckGeometry,
  i: Instrument,
  steps: readonly FingeredStep[],
  labelPx: (stays: number[]) => number,
): HandSpan[] {
  const byFret = new Map<number, number[]>();
  handPlaces(steps).forEach((h, k) => byFret.set(h.fret, [...(byFret.get(h.fret) ?? []), k + 1]));
  return spansOf(g, i, byFret, labelPx);
}

/** Spans for hand frets, each with the stays it stands for. */
export function spansOf(g: NeckGeometry, i: Instrument, byFret: Map<number, number[]>, labelPx: (stays: number[]) => number): HandSpan[] {
  const spans = [...byFret].map(([fret, stays]) => {
    const ends = [wireX(g, Math.max(0, fret - 1)), wireX(g, Math.min(i.frets, fret + HAND))].sort((a, b) => a - b);
    return { fret, stays, from: ends[0]! + 3, to: ends[1]! - 3 };
  });
  const lanes = lanesOf(
    spans.map(({ from, to, stays }) => {
      const more = Math.max(0, labelPx(stays) - (to - from)) / 2;
      return { from: from - more - 2, to: to + more + 2 };
    }),
  );
  return spans.map((s, k) => ({ ...s, lane: lanes[k]! }));
}

/** Two neighbouring rungs at once: what they share with both fingers, "3/1", lower hand first; what one has, smaller, with its own. */
export function seamMarks(notes: readonly NeckNote[], below: Shape, above: Shape, seam: Seam): NeckMark[] {
  const both = new Map(seam.shared.map((s) => [placeIndex(s.place), `${s.fingerBelow}/${s.fingerAbove}`]));
  const one = new Map([...below.notes, ...above.notes].map((n) => [placeIndex(n), String(n.finger ?? '')]));
  return notes.map((n): NeckMark => {
    const [shared, own] = [both.get(placeIndex(n)), one.get(placeIndex(n))];
    const { string, fret } = n;
    const root = n.role === 'root';
    if (shared !== undefined) return { string, fret, look: lookOf(n), text: shared };
    if (own !== undefined) return { string, fret, look: lookOf(n), text: own, aside: true };
    return { string, fret, look: root ? 'root-stud' : 'stud', text: '' };
  });
}
