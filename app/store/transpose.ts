import { MOST_KEPT_NOTES, type KeptRoute, type Lick, type StudyBody, type StudyMove, type MoveLeft } from '../../contract';
import {
  CoreError,
  TICKS,
  anchoredLayout,
  bestTonic,
  defaultSchool,
  fingerNotes,
  layOut,
  lickPitches,
  mod12,
  modeShift,
  movedChord,
  movedKey,
  openMidis,
  pickStrokes,
  placeKey,
  plainDegree,
  plainPlace,
  soundJoins,
  struckNotes,
  toKey,
  toTuning,
  withPlaces,
  type FingeredStep,
  type FingeringSchool,
  type Hand,
  type Instrument,
  type Layout,
  type LickNote,
  type Place,
  type ScaleRef,
  type Shape,
} from '../../core';
import { neckOf, sameNeck } from './licks';
import { withPitches } from './lick-notes';
import { movedProgressions } from './progressions';
import { changeKey, idlePins, toRoot, withInstrument, withScale } from './moves';
import { rungOf } from './study';

/** The study after a move, and what could not follow. */
export interface Moved {
  readonly study: StudyBody;
  readonly left: MoveLeft[];
}

function attempt<T>(make: () => T): T | null {
  try {
    return make();
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

/** A line as it is moved: its notes, the neck and scale they are on, and the hand that plays it. */
interface Playing {
  readonly notes: readonly LickNote[];
  readonly neck: Instrument;
  readonly scale: ScaleRef;
  readonly school: FingeringSchool;
  readonly hand: Hand;
}

/** A line moved: its notes and the neck and scale they are then on; null where it does not fit. */
function movedLine(
  line: Playing,
  move: StudyMove,
): { readonly notes: LickNote[]; readonly neck: Instrument; readonly scale: ScaleRef } | null {
  const { neck, scale } = line;
  const notes = [...line.notes];
  const places = struckNotes(notes).map((s) => s.place);
  const repitched = (by: (midi: number) => number): LickNote[] | null =>
    attempt(() => withPitches(neck, notes, lickPitches(neck, notes).map(by), line)); // prettier-ignore
  switch (move.kind) {
    case 'root':
      return { notes, neck, scale };
    case 'key': {
      const fit = places.length ? attempt(() => toKey(neck, places, move.by))?.[0] : undefined;
      const moved = !places.length ? notes : fit ? withPlaces(notes, fit.places) : repitched((m) => m + move.by);
      return moved && { notes: moved, neck, scale: movedKey(scale, move.by) };
    }
    case 'mode': {
      if (move.how === 'relative') return { notes, neck, scale: move.scale };
      const shift = modeShift(scale, move.scale);
      const moved = repitched((m) => m + (shift.get(mod12(m)) ?? 0));
      return moved && { notes: moved, neck, scale: move.scale };
    }
    case 'tuning': {
      const found = attempt(() => toTuning(neck, move.instrument, places, move.keep === 'shape' ? 'shape' : 'sound'));
      if (!found?.places.every((p): p is Place => p !== null)) return null;
      const became = move.keep === 'shape' ? (found.scale ?? scale) : scale;
      return { notes: soundJoins(withPlaces(notes, found.places)), neck: move.instrument, scale: became };
    }
  }
}

const handOf = ({
  school,
  layout,
  hand,
}: Pick<StudyBody, 'school' | 'layout' | 'hand'>): { readonly school: FingeringSchool; readonly hand: Hand } => ({
  school: school ?? defaultSchool(layout),
  hand,
});

/** A lick by a move; one that does not fit stays on its neck and in its scale. */
function movedLick(body: StudyBody, to: Instrument, lick: Lick, move: StudyMove): { readonly lick: Lick; readonly fits: boolean } {
  const neck = neckOf(body, lick);
  const moved = movedLine({ notes: lick.notes, neck, scale: lick.stayed ?? body.scale, ...handOf(body) }, move);
  const on = moved?.neck ?? neck;
  const instrument = sameNeck(on, to) ? null : on;
  if (moved) return { lick: { ...lick, notes: moved.notes, instrument, stayed: lick.stayed && moved.scale }, fits: true };
  return { lick: { ...lick, instrument, stayed: move.kind === 'tuning' ? lick.stayed : (lick.stayed ?? body.scale) }, fits: false };
}

/** A kept route as notes of a line, all eighths. */
export const notesOf = ({ steps }: KeptRoute): LickNote[] => steps.map((s) => ({ place: plainPlace(s), ticks: TICKS / 2 }));

/** Fingers as they were, where every note goes the same way along its string and no open string comes or goes. */
function sameHand(steps: readonly FingeredStep[], places: readonly Place[]): FingeredStep[] | null {
  const by = places.length ? places[0]!.fret - steps[0]!.fret : 0;
  const alike = places.every(
    (p, k) => p.string === steps[k]!.string && p.fret - steps[k]!.fret === by && (by === 0 || steps[k]!.finger > 0),
  );
  const hands = steps.every((s) => s.handFret + by >= 0 && s.handFret + by <= 40);
  return alike && hands ? steps.map((s, k) => ({ ...s, ...plainPlace(places[k]!), handFret: s.handFret + by })) : null;
}

/** A kept route by a move: its own notes moved, its fingers too where the hand stays the same. Null where it does not fit. */
function movedRoute(route: KeptRoute, move: StudyMove): KeptRoute | null {
  const { on, asked } = route;
  const how = handOf(on);
  const moved = movedLine({ notes: notesOf(route), neck: on.instrument, scale: on.scale, ...how }, move);
  if (!moved) return null;
  const places = struckNotes(moved.notes).map((s) => s.place);
  const same = sameHand(route.steps, places);
  const steps = same ?? attempt(() => fingerNotes(moved.neck, places, how));
  const layout = attempt(() => anchoredLayout(moved.neck, moved.scale, on.layout));
  if (!steps || !layout || steps.length > MOST_KEPT_NOTES) return null;
  const by = places.length ? places[0]!.fret - route.steps[0]!.fret : 0;
  return {
    ...route,
    steps,
    strokes: same ? route.strokes : pickStrokes(moved.neck, steps, asked.picking),
    on: { ...on, instrument: moved.neck, scale: moved.scale, layout },
    asked: move.kind === 'key' && same ? movedQuestion(asked, by) : loosenedQuestion(asked),
  };
}

/** The question of a route whose notes all went the same number of frets. */
function movedQuestion(asked: KeptRoute['asked'], by: number): KeptRoute['asked'] {
  const on = <P extends Place>(p: P): P => ({ ...p, fret: Math.max(0, Math.min(36, p.fret + by)) });
  const rung = (r: KeptRoute['asked']['from']) => ({ ...r, fret: Math.max(-36, Math.min(72, r.fret + by)) });
  const { goal } = asked;
  return {
    ...asked,
    from: rung(asked.from),
    to: rung(asked.to),
    start: asked.start && on(asked.start),
    goal:
      goal &&
      ('pitch' in goal ? { pitch: goal.pitch + by } : 'string' in goal ? on(goal) : { fret: Math.max(1, Math.min(36, goal.fret + by)) }),
    pitches: asked.pitches.map((p) => p + by),
    held: asked.held.map(on),
  };
}

/** The question of a route whose notes went different ways: what was settled note by note is no longer its own. */
const loosenedQuestion = (asked: KeptRoute['asked']): KeptRoute['asked'] => ({
  ...asked,
  start: null,
  goal: null,
  within: null,
  held: [],
  fingers: [],
  choice: 0,
});

/** What the study itself becomes: scale, instrument, layout, rung, settled fingers. */
function movedFrame(body: StudyBody, shapes: Shape[], current: number, move: StudyMove): Partial<StudyBody> {
  if (move.kind === 'key') {
    const over = body.over && movedKey(body.over, move.by);
    const edit = changeKey(body, move.by);
    const to = edit.scale?.tonic ?? body.scale.tonic;
    const chord = body.chord && movedChord(body.chord, body.scale.tonic, to);
    return { ...edit, over, chord, progressions: movedProgressions(body, move.by) };
  }
  if (move.kind === 'root') return toRoot(body.layout, shapes, current, { string: move.string }) ?? {};
  const shape = shapes[current];
  if (move.kind === 'mode') {
    const edit = withScale(body, move.scale);
    return move.how === 'relative' && shape ? { ...edit, ...likest({ ...body, ...edit }, shape.notes) } : edit;
  }
  const edit = withInstrument(body, move.instrument);
  if (move.keep === 'layout' || !shape) return edit;
  const found = toTuning(body.instrument, move.instrument, shape.notes, move.keep);
  const places = found.places.filter((p): p is Place => p !== null);
  if (!places.length) return edit;
  const scale = move.keep === 'shape' ? (found.scale ?? soundedScale(move.instrument, places, rootThere(shape, found.places))) : null;
  const next = scale ? { ...edit, ...withScale({ ...body, ...edit }, scale) } : edit;
  return { ...next, ...exactly({ ...body, ...next }, places) };
}

const rootThere = (shape: Shape, places: (Place | null)[]): Place | null => {
  const at = shape.notes.findIndex((n, k) => n.role === 'root' && places[k]);
  return at < 0 ? null : places[at]!;
};

/** Degrees of what kept frets sound, where it is no scale with a name: counted from what was the root. Null for fewer than two notes. */
function soundedScale(i: Instrument, places: readonly Place[], root: Place | null): ScaleRef | null {
  const open = openMidis(i);
  const tonic = mod12(open[(root ?? places[0]!).string - 1]! + (root ?? places[0]!).fret);
  const steps = [...new Set(places.map((p) => mod12(open[p.string - 1]! + p.fret - tonic)))].sort((a, b) => a - b);
  return steps.length < 2 ? null : { tonic: bestTonic(tonic, 'ionian'), scale: steps.map(plainDegree) };
}

export const laidOut = (body: Pick<StudyBody, 'instrument' | 'scale' | 'layout'>): Shape[] =>
  attempt(() => layOut(body.instrument, body.scale, body.layout)) ?? [];
const keyOf = (places: readonly Place[]): string => [...new Set(places.map(placeKey))].sort().join();

/** The rung that has most of these places, the nearest of those that have as many. */
function likest(body: StudyBody, places: readonly Place[]): Partial<StudyBody> {
  const wanted = new Set(places.map(placeKey));
  const low = Math.min(...places.map((p) => p.fret));
  const score = (s: Shape): number => s.notes.filter((n) => wanted.has(placeKey(n))).length - Math.abs(s.lowFret - low) / 100;
  const [best] = laidOut(body).sort((a, b) => score(b) - score(a));
  return best ? { rung: rungOf(best) } : {};
}

/** The study's own layout where one of its rungs is exactly these places; else the places as they stand. */
function exactly(body: StudyBody, places: readonly Place[]): Partial<StudyBody> {
  const wanted = keyOf(places);
  const rung = laidOut(body).find((s) => keyOf(s.notes) === wanted);
  if (rung) return { rung: rungOf(rung) };
  const layout: Layout = { kind: 'places', places: places.map(plainPlace) };
  const [kept] = laidOut({ ...body, layout }).sort((a, b) => Number(keyOf(b.notes) === wanted) - Number(keyOf(a.notes) === wanted));
  return kept ? { layout, rung: rungOf(kept) } : {};
}

/**
 * The whole study by one move: its scale and shapes, licks, kept routes and settled fingers. This alone makes what is
 * committed, and what is shown before is read off it. What does not fit is named, and stays as it was.
 */
export function movedStudy(body: StudyBody, shapes: Shape[], current: number, move: StudyMove): Moved {
  const frame = { ...body, ...movedFrame(body, shapes, current, move) };
  if (move.kind === 'root') return { study: frame, left: [] };
  const licks = body.licks.map((l) => movedLick(body, frame.instrument, l, move));
  const routes = body.routes.map((r) => ({ was: r, moved: attempt(() => movedRoute(r, move)) }));
  const study: StudyBody = { ...frame, licks: licks.map((l) => l.lick), routes: routes.map(({ was, moved }) => moved ?? was) };
  const idle = body.pins.length ? idlePins(study, laidOut(study)).length - idlePins(body, shapes).length : 0;
  const named = (kind: 'lick' | 'route', { id, name }: Lick | KeptRoute): MoveLeft => ({ kind, id, name, count: 1 });
  return {
    study,
    left: [
      ...licks.filter((l) => !l.fits).map((l) => named('lick', l.lick)),
      ...routes.filter((r) => !r.moved).map((r) => named('route', r.was)),
      ...(idle > 0 ? [{ kind: 'pins' as const, id: '', name: '', count: idle }] : []),
    ],
  };
}
