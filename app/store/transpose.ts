import type { KeptRoute, Lick, StudyBody } from '../../contract';
import {
  chromaOf,
  compareScales,
  CoreError,
  defaultSchool,
  fingerNotes,
  layOut,
  lickPitches,
  mod12,
  nutFret,
  semitonesOf,
  bestTonic,
  struckNotes,
  TICKS,
  toKey,
  toTuning,
  withPlaces,
  type Instrument,
  type LickNote,
  type Place,
  type ScaleRef,
  type Shape,
} from '../../core';
import { movedKey } from '../words/scale-text';
import { neckOf, openLick, sameNeck, withPitches } from './licks';
import { changeKey, leadRoot, toRoot, withInstrument, withScale } from './moves';
import { rungIndex, rungOf } from './study';

export type Keep = 'sound' | 'shape' | 'layout';

/** The four moves, never mixed up. */
export type StudyMove =
  /** Half steps, folds included. */
  | { kind: 'key'; by: number }
  | { kind: 'root'; string: number }
  /** Parallel: the root stays and notes change. Relative: the notes stay and the root changes. */
  | { kind: 'mode'; scale: ScaleRef; how: 'parallel' | 'relative' }
  | { kind: 'tuning'; instrument: Instrument; keep: Keep };

export interface MovedLine {
  notes: LickNote[];
  instrument: Instrument;
  scale: ScaleRef;
}

const handOf = (body: StudyBody) => ({ school: body.school ?? defaultSchool(body.layout), hand: { size: body.hand } });

function attempt<T>(make: () => T): T | null {
  try {
    return make();
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

/** How far each pitch class goes from one mode to another on the same tonic. */
function modeShift(from: ScaleRef, to: ScaleRef): Map<number, number> {
  const tonic = chromaOf(from.tonic);
  return new Map(
    compareScales(from, to).changed.map((c) => {
      const by = semitonesOf(c.to) - semitonesOf(c.from);
      return [mod12(tonic + semitonesOf(c.from)), by > 6 ? by - 12 : by < -6 ? by + 12 : by];
    }),
  );
}

/** A line moved: its notes and the neck and scale they are then on; null where it does not fit. */
export function movedLine(body: StudyBody, neck: Instrument, notes: readonly LickNote[], move: StudyMove): MovedLine | null {
  const places = struckNotes(notes).map((s) => s.place);
  const stays: MovedLine = { notes: [...notes], instrument: neck, scale: body.scale };
  if (move.kind === 'root' || !places.length) return move.kind === 'key' ? { ...stays, scale: movedKey(body.scale, move.by) } : stays;
  if (move.kind === 'key') {
    const [fit] = toKey(neck, places, move.by);
    const moved = fit ? withPlaces(notes, fit.places) : attempt(() => withPitches(neck, notes, lickPitches(neck, notes).map((m) => m + move.by), handOf(body))); // prettier-ignore
    return moved && { ...stays, notes: moved, scale: movedKey(body.scale, move.by) };
  }
  if (move.kind === 'mode') {
    if (move.how === 'relative') return { ...stays, scale: move.scale };
    const shift = modeShift(body.scale, move.scale);
    const pitches = lickPitches(neck, notes).map((m) => m + (shift.get(mod12(m)) ?? 0));
    const moved = attempt(() => withPitches(neck, notes, pitches, handOf(body)));
    return moved && { ...stays, notes: moved, scale: move.scale };
  }
  const { places: found, scale } = toTuning(neck, move.instrument, places, move.keep === 'shape' ? 'shape' : 'sound');
  if (!found.every((p): p is Place => p !== null)) return null;
  return {
    notes: withPlaces(notes, found),
    instrument: move.instrument,
    scale: move.keep === 'shape' ? (scale ?? body.scale) : body.scale,
  };
}

function movedLicks(body: StudyBody, move: StudyMove, lost: string[]): Lick[] {
  return body.licks.map((lick) => {
    const neck = neckOf(body, lick);
    const to = move.kind === 'tuning' ? move.instrument : body.instrument;
    const moved = movedLine(body, neck, lick.notes, move);
    if (!moved) lost.push(`The lick “${lick.name}” does not fit there and stays as it is.`);
    const on = moved && move.kind === 'tuning' ? move.instrument : neck;
    return { ...lick, notes: moved?.notes ?? lick.notes, instrument: sameNeck(on, to) ? null : on };
  });
}

/** A line that can be moved by itself: a lick, or a kept route as eighth notes. */
export interface Line {
  name: string;
  tempo: number;
  meter: [number, number];
  tags: string[];
  neck: Instrument;
  notes: LickNote[];
}

const notesOf = (route: KeptRoute): LickNote[] => route.steps.map(({ string, fret }) => ({ place: { string, fret }, ticks: TICKS / 2 }));

/** Lines of a study that can be moved: the open lick, and the kept routes whose places are on its neck. */
export function linesOf(body: StudyBody): (Line & { key: string; kind: 'lick' | 'route' })[] {
  const lick = openLick(body);
  const { instrument, tempo } = body;
  const onNeck = (r: KeptRoute): boolean =>
    r.steps.every((s) => s.string <= instrument.strings.length && s.fret <= instrument.frets && s.fret >= nutFret(instrument));
  return [
    ...(lick?.notes.length ? [{ ...lick, key: `lick ${lick.id}`, kind: 'lick' as const, neck: neckOf(body, lick) }] : []),
    ...body.routes.filter(onNeck).map((r, k) => ({
      key: `route ${k}`,
      kind: 'route' as const,
      name: r.name,
      tempo,
      meter: [4, 4] as [number, number],
      tags: [],
      neck: instrument,
      notes: notesOf(r),
    })),
  ];
}

/** A kept route by the same move; what was settled note by note goes. Null where it does not fit. */
function movedRoute(body: StudyBody, move: StudyMove, route: KeptRoute): KeptRoute | null {
  const moved = movedLine(body, body.instrument, notesOf(route), move);
  if (!moved) return null;
  const places = struckNotes(moved.notes).map((s) => s.place);
  const by = move.kind === 'key' ? move.by : 0;
  const { asked } = route;
  const on = (p: Place | null): Place | null => (p && move.kind === 'key' ? (toKey(body.instrument, [p], by)[0]?.places[0] ?? null) : null);
  const goal =
    asked.goal && 'pitch' in asked.goal ? { pitch: asked.goal.pitch + by } : asked.goal && 'string' in asked.goal ? on(asked.goal) : null;
  return {
    ...route,
    steps: fingerNotes(moved.instrument, places, handOf(body)),
    asked: {
      ...asked,
      from: { ...asked.from, fret: asked.from.fret + by },
      to: { ...asked.to, fret: asked.to.fret + by },
      start: on(asked.start),
      goal,
      pitches: asked.pitches.map((p) => Math.max(0, Math.min(163, p + by))),
      within: null,
      held: [],
      fingers: [],
      choice: 0,
    },
  };
}

/** A chord's root moved with the key; null stays. "B7" up two half steps is "C#7". */
export function movedChord(chord: string | null, by: number): string | null {
  const m = chord ? /^([A-G](?:##|bb|#|b)?)(.*)$/.exec(chord) : null;
  return m ? `${bestTonic(chromaOf(m[1]) + by, 'ionian')}${m[2]}` : chord;
}

/** What the study itself becomes: scale, instrument, layout, rung. */
function movedFrame(body: StudyBody, shapes: Shape[], current: number, move: StudyMove): Partial<StudyBody> {
  if (move.kind === 'key') {
    const over = body.over && movedKey(body.over, move.by);
    return { ...changeKey(body, move.by), over, chord: movedChord(body.chord, move.by) };
  }
  if (move.kind === 'root') return toRoot(shapes, current, { string: move.string }) ?? {};
  if (move.kind === 'mode') return withScale(body, move.scale);
  const edit = withInstrument(body, move.instrument);
  const shape = shapes[current] as Shape | undefined;
  const became = move.keep === 'shape' && shape ? toTuning(body.instrument, move.instrument, shape.notes, 'shape').scale : null;
  return became ? { ...edit, ...withScale({ ...body, ...edit }, became) } : edit;
}

/** The whole study by one move: the scale and the shapes, the licks and the kept routes. Says what could not follow. */
export function movedStudy(
  body: StudyBody,
  shapes: Shape[],
  current: number,
  move: StudyMove,
): { edit: Partial<StudyBody>; lost: string[] } {
  const lost: string[] = [];
  const frame = movedFrame(body, shapes, current, move);
  if (move.kind === 'root') return { edit: frame, lost };
  const licks = movedLicks(body, move, lost);
  const routes = body.routes.flatMap((r) => {
    const moved = movedRoute(body, move, r);
    if (!moved) lost.push(`The route “${r.name}” does not fit there and is left out.`);
    return moved ? [moved] : [];
  });
  return { edit: { ...frame, licks, routes }, lost };
}

/** What a move makes of one shape: places before and after, each with its neck and scale. */
export interface Preview {
  before: { instrument: Instrument; scale: ScaleRef; places: Place[] };
  after: { instrument: Instrument; scale: ScaleRef; places: Place[] } | null;
  /** Places before that have none after. */
  gone: Place[];
  /** Scale that kept frets sound now; null for none, undefined where it is not asked. */
  became?: ScaleRef | null;
}

const plain = (places: readonly Place[]): Place[] => places.map(({ string, fret }) => ({ string, fret }));

/** The rung of another layout, scale or neck that lies nearest to a hand. */
function nearestShape(body: StudyBody, instrument: Instrument, scale: ScaleRef, hand: Shape, number: number): Shape | null {
  const shapes = attempt(() => layOut(instrument, scale, withScale({ ...body, instrument }, scale).layout ?? body.layout));
  return shapes?.[rungIndex(shapes, { ...rungOf(hand), number })] ?? null;
}

/** One shape by one move. */
export function previewShape(body: StudyBody, shapes: Shape[], current: number, move: StudyMove): Preview {
  const shape = shapes[current];
  const before = { instrument: body.instrument, scale: body.scale, places: plain(shape.notes) };
  const done = (places: readonly Place[], to: Partial<Preview['before']> = {}): Preview => ({
    before,
    gone: [],
    after: { ...before, ...to, places: plain(places) },
  });
  const none: Preview = { before, after: null, gone: before.places };
  if (move.kind === 'key') {
    const fit = toKey(body.instrument, before.places, move.by).find((f) => f.places[0].fret - before.places[0].fret === move.by);
    return fit ? done(fit.places, { scale: movedKey(body.scale, move.by) }) : none;
  }
  if (move.kind === 'root') {
    const to = toRoot(shapes, current, { string: move.string })?.rung;
    return to ? done(shapes[rungIndex(shapes, to)].notes) : none;
  }
  if (move.kind === 'mode') {
    if (move.how === 'relative') return done(before.places, { scale: move.scale });
    const there = nearestShape(body, body.instrument, move.scale, shape, shape.number);
    return there ? done(there.notes, { scale: move.scale }) : none;
  }
  const { instrument, keep } = move;
  if (keep === 'layout') {
    const there = nearestShape(body, instrument, body.scale, shape, shape.number);
    return there ? done(there.notes, { instrument }) : none;
  }
  const { places, scale } = toTuning(body.instrument, instrument, before.places, keep);
  const kept = places.filter((p): p is Place => p !== null);
  return {
    before,
    after: { instrument, scale: keep === 'shape' ? (scale ?? body.scale) : body.scale, places: kept },
    gone: before.places.filter((_, k) => !places[k]),
    ...(keep === 'shape' ? { became: scale ?? null } : {}),
  };
}

/** One line by one move. */
export function previewLine(body: StudyBody, { neck, notes }: Line, move: StudyMove): Preview {
  const places = struckNotes(notes).map((s) => s.place);
  const before = { instrument: neck, scale: body.scale, places: plain(places) };
  const moved = movedLine(body, neck, notes, move);
  if (moved) {
    const after = { instrument: moved.instrument, scale: moved.scale, places: plain(struckNotes(moved.notes).map((s) => s.place)) };
    const became =
      move.kind === 'tuning' && move.keep === 'shape' ? (toTuning(neck, move.instrument, places, 'shape').scale ?? null) : undefined;
    return { before, after, gone: [], ...(became === undefined ? {} : { became }) };
  }
  const gone = move.kind === 'tuning' ? places.filter((_, k) => !toTuning(neck, move.instrument, places, move.keep === 'shape' ? 'shape' : 'sound').places[k]) : places; // prettier-ignore
  return { before, after: null, gone: plain(gone) };
}

/** Strings on which some rung has its lowest root, thickest first. */
export const rootStrings = (shapes: Shape[]): number[] =>
  [...new Set(shapes.flatMap((s) => leadRoot(s)?.string ?? []))].sort((a, b) => b - a);
