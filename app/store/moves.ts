import type { RungRef, StudyBody } from '../../contract';
import {
  anchoredLayout,
  CoreError,
  isScale,
  layOut,
  nutFret,
  type Instrument,
  type Layout,
  type Place,
  type ScaleRef,
  type Shape,
} from '../../core';
import { movedKey } from '../words/scale-text';
import { loosened } from './connection';
import { licksStay } from './licks';
import { rungIndex, rungOf } from './study';

/** The player's moves, each as the fields it changes. */
type Edit = Partial<StudyBody>;

/** One rung up or down; null at the end of the ladder. */
export function stepRung(shapes: Shape[], current: number, by: 1 | -1): Edit | null {
  const shape = shapes[current + by];
  return shape ? { rung: rungOf(shape) } : null;
}

/** Moved by 12 until it lies between nut and last fret. */
export function foldFret(fret: number, nut: number, last: number): number {
  let f = fret;
  while (f < nut && f + 12 <= last) f += 12;
  while (f > last && f - 12 >= nut) f -= 12;
  return f;
}

/** The same shape in a key some half steps away: the hand goes with it, folded to stay on the neck. */
export function changeKey(body: StudyBody, by: number): Edit {
  return { ...withScale(body, movedKey(body.scale, by)), rung: movedRung(body, by) };
}

/** Windows are numbered by their fret, so their number moves too. */
function movedRung({ instrument, layout, rung }: StudyBody, by: number): RungRef {
  const fret = foldFret(rung.fret + by, nutFret(instrument), instrument.frets - 2);
  return { number: layout.kind === 'window' ? fret : rung.number, fret };
}

/** What was settled note by note belongs to the scale and the neck it was settled on. */
const afresh = (body: StudyBody): Edit => ({ pins: [], connection: loosened(body.connection) });

/** Places that a layout hangs on move with the scale, so that they stay in it. */
export function withScale(body: StudyBody, scale: ScaleRef): Edit {
  return { scale, layout: anchoredLayout(body.instrument, scale, body.layout), ...afresh(body) };
}

export const withInstrument = (body: StudyBody, instrument: Instrument, instrumentId: string | null = null): Edit => ({
  instrument,
  instrumentId,
  ...afresh(body),
  licks: licksStay(body, instrument),
  layout: isScale(body.scale.scale) ? anchoredLayout(instrument, body.scale, body.layout) : body.layout,
});

/** The root of a shape that the sentence names: its lowest-sounding one. */
export const leadRoot = (shape: Shape | null): Place | null => shape?.roots[0] ?? null;

/** The rung nearest the hand whose lowest root lies on this string, or at this very place. */
export function toRoot(shapes: Shape[], current: number, wanted: { string: number; fret?: number }): Edit | null {
  const here = shapes[current]?.handFret ?? 0;
  const fits = (s: Shape, lead: boolean): boolean =>
    (lead ? s.roots.slice(0, 1) : s.roots).some((r) => r.string === wanted.string && (wanted.fret === undefined || r.fret === wanted.fret));
  const nearest = (lead: boolean): Shape | undefined =>
    shapes.filter((s) => fits(s, lead)).sort((a, b) => Math.abs(a.handFret - here) - Math.abs(b.handFret - here))[0];
  const found = nearest(true) ?? nearest(false);
  return found ? { rung: rungOf(found) } : null;
}

/** A new layout keeps the hand where it is. */
export function withLayout(body: StudyBody, layout: Layout, current: Shape | null): Edit {
  const fret = current?.handFret ?? body.rung.fret;
  return { layout, rung: nearestRung(body, layout, fret), ...afresh(body) };
}

function nearestRung(body: StudyBody, layout: Layout, fret: number): RungRef {
  try {
    const shapes = layOut(body.instrument, body.scale, layout);
    const near = shapes.reduce((a, b) => (Math.abs(b.handFret - fret) < Math.abs(a.handFret - fret) ? b : a));
    return rungOf(shapes[rungIndex(shapes, rungOf(near))]);
  } catch (e) {
    if (e instanceof CoreError) return { number: 1, fret };
    throw e;
  }
}

/** A grown shape begins with its root's string and gets one more at a time; after the last it stands whole again. */
export function buildNext({ layout, instrument, built }: StudyBody): Edit | null {
  if (layout.kind !== 'anchor') return null;
  const next = (built ?? 0) + 1;
  return { built: next >= instrument.strings.length ? null : next };
}

/** A finger settled for a place, or free again. */
export function withPin(body: StudyBody, place: Place, finger: number | null): Edit {
  const others = body.pins.filter((p) => p.string !== place.string || p.fret !== place.fret);
  return { pins: finger === null ? others : [...others, { string: place.string, fret: place.fret, finger }] };
}
