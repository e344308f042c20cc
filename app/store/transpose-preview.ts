import type { Lick, StudyBody, StudyMove, MovePreview } from '../../contract';
import { openMidis, placeKey, placesOf, plainPlace, struckNotes, type Instrument, type Place, type ScaleRef, type Shape } from '../../core';
import { neckOf, openLick } from './licks';
import { leadRoot } from './moves';
import { rungIndex } from './study';
import { laidOut, notesOf, type Moved } from './transpose';

/** Places whose pitch has no place on a neck. */
function ceasing(from: Instrument, to: Instrument, places: readonly Place[]): Place[] {
  const open = openMidis(from);
  return places.filter((p) => !placesOf(to, Math.max(0, Math.min(163, open[p.string - 1]! + p.fret))).length).map(plainPlace);
}

const became = (move: StudyMove, scale: ScaleRef): Pick<MovePreview, 'became'> =>
  move.kind === 'tuning' && move.keep === 'shape' ? { became: Array.isArray(scale.scale) ? null : scale } : {};

/** The chosen shape before and after, read off the moved study. */
export function previewShape(body: StudyBody, shapes: Shape[], current: number, move: StudyMove, { study }: Moved): MovePreview {
  const shape = shapes[current]!;
  const before = { instrument: body.instrument, scale: body.scale, places: shape.notes.map(plainPlace) };
  const laid = laidOut(study);
  const there = laid[rungIndex(laid, study.rung)];
  const still = move.kind === 'root' && (!there || leadRoot(there)?.string !== move.string);
  if (!there || still) return { before, after: null, gone: before.places };
  const after = { instrument: study.instrument, scale: study.scale, places: there.notes.map(plainPlace) };
  if (move.kind !== 'tuning') return { before, after, gone: [] };
  const gone =
    move.keep === 'shape'
      ? before.places.filter((p) => !after.places.some((q) => placeKey(q) === placeKey(p)))
      : ceasing(body.instrument, study.instrument, before.places);
  return { before, after, gone, ...became(move, study.scale) };
}

/** A line of a study that can be moved: a lick, or a kept route. */
export interface Line {
  readonly key: string;
  readonly kind: 'lick' | 'route';
  readonly id: string;
  readonly name: string;
  readonly neck: Instrument;
  readonly places: Place[];
}

/** Lines that can be moved by themselves: every lick, the open one first, and every kept route. */
export function linesOf(body: StudyBody): Line[] {
  const open = openLick(body);
  const licks = [...(open ? [open] : []), ...body.licks.filter((l) => l !== open)].filter((l) => l.notes.some((n) => n.place));
  return [
    ...licks.map((l) => ({ key: `lick ${l.id}`, kind: 'lick' as const, id: l.id, name: l.name, neck: neckOf(body, l), places: struckNotes(l.notes).map((s) => plainPlace(s.place)) })), // prettier-ignore
    ...body.routes.map((r) => ({ key: `route ${r.id}`, kind: 'route' as const, id: r.id, name: r.name, neck: r.on.instrument, places: r.steps.map(plainPlace) })), // prettier-ignore
  ];
}

/** One line before and after, read off the moved study. */
export function previewLine(body: StudyBody, line: Line, move: StudyMove, { study, left }: Moved): MovePreview {
  const route = study.routes.find((r) => r.id === line.id);
  const lick = study.licks.find((l) => l.id === line.id);
  const was = line.kind === 'lick' ? body.licks.find((l) => l.id === line.id)?.stayed : body.routes.find((r) => r.id === line.id)?.on.scale;
  const before = { instrument: line.neck, scale: was ?? body.scale, places: line.places };
  if (left.some((l) => l.kind === line.kind && l.id === line.id))
    return { before, after: null, gone: move.kind === 'tuning' ? ceasing(line.neck, move.instrument, line.places) : line.places };
  const after =
    line.kind === 'route' && route
      ? { instrument: route.on.instrument, scale: route.on.scale, places: route.steps.map(plainPlace) }
      : { instrument: lick ? neckOf(study, lick) : line.neck, scale: lick?.stayed ?? study.scale, places: struckNotes(lick?.notes ?? []).map((s) => plainPlace(s.place)) }; // prettier-ignore
  return { before, after, gone: [], ...became(move, after.scale) };
}

/** A moved line as a lick of its own. */
export function asLick(study: StudyBody, line: Line, fresh: Lick): Lick | null {
  const lick = line.kind === 'lick' ? study.licks.find((l) => l.id === line.id) : undefined;
  const route = line.kind === 'route' ? study.routes.find((r) => r.id === line.id) : undefined;
  if (lick) return { ...fresh, tempo: lick.tempo, meter: lick.meter, tags: lick.tags, notes: lick.notes, instrument: neckOf(study, lick) };
  return route ? { ...fresh, notes: notesOf(route), instrument: route.on.instrument } : null;
}

/** Strings on which some rung has its lowest root, thickest first. */
export const rootStrings = (shapes: Shape[]): number[] =>
  [...new Set(shapes.flatMap((s) => leadRoot(s)?.string ?? []))].sort((a, b) => b - a);
