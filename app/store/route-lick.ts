import { MOST_KEPT, MOST_KEPT_NOTES, MOST_LICK_NOTES, type Connection, type KeptRoute, type Lick, type StudyBody } from '../../contract';
import {
  defaultSchool,
  fingerLick,
  midiOf,
  pickStrokes,
  sameScale,
  struckNotes,
  TICKS,
  type FingeredStep,
  type Instrument,
  type Join,
  type LickNote,
  type ScaleRef,
  type Stroke,
} from '../../core';
import { settled } from './connection';
import { usualQuestion } from './question';
import { addLick, freshLick, neckOf, newId, sameNeck } from './licks';

/** A line as Connect has it, found just now or kept. */
export interface RouteLine {
  readonly name: string;
  readonly steps: readonly FingeredStep[];
  readonly strokes: readonly Stroke[];
  readonly instrument: Instrument;
  readonly scale: ScaleRef;
}

/** What a stroke and a join have in common. */
type Slur = Stroke & Join;
const slurOf = (word: Stroke | Join | undefined): Slur | undefined =>
  word === 'hammer' || word === 'pull' || word === 'slide' ? word : undefined;

/** One note of a route as a note of a lick: an eighth, with its finger settled. */
function noteOf({ string, fret, finger }: FingeredStep, stroke: Stroke | undefined, first: boolean): LickNote {
  const join = first ? undefined : slurOf(stroke);
  return { place: { string, fret }, ticks: TICKS / 2, ...(join ? { join } : {}), ...(finger > 0 ? { finger } : {}) };
}

/** A route as notes of a lick: eighths with their fingers settled and their slurs. */
export const notesOfRoute = ({ steps, strokes }: Pick<RouteLine, 'steps' | 'strokes'>): LickNote[] =>
  steps.map((s, k) => noteOf(s, strokes[k], k === 0));

/** A route as a lick in eighths, opened: its places, fingers and slurs as they are. Null where the study has no room. */
export function lickOfRoute(body: StudyBody, { name, steps, strokes, instrument, scale }: RouteLine): Partial<StudyBody> | null {
  if (!steps.length || steps.length > MOST_LICK_NOTES) return null;
  return addLick(body, {
    ...freshLick(body, name.slice(0, 120)),
    notes: notesOfRoute({ steps, strokes }),
    instrument: sameNeck(instrument, body.instrument) ? null : instrument,
    stayed: sameScale(scale, body.scale) ? null : scale,
  });
}

/** Taps belong to the other hand: a route is what one hand plays. */
export const hasTaps = ({ notes }: Lick): boolean => notes.some((n) => n.join === 'tap');

/**
 * A lick's notes as a kept route, opened in Connect: its places and its fingers as the lick shows them; the question is the
 * lick's pitches on these places. Null where it has no notes or the study no room, or notes are tapped.
 */
export function routeOfLick(body: StudyBody, lick: Lick): Partial<StudyBody> | null {
  const struck = struckNotes(lick.notes);
  if (!struck.length || struck.length > MOST_KEPT_NOTES || body.routes.length >= MOST_KEPT || hasTaps(lick)) return null;
  const { layout, hand } = body;
  const instrument = neckOf(body, lick);
  const school = body.school ?? defaultSchool(layout);
  const notes = struck.map((s) => lick.notes[s.index]);
  const places = struck.map((s) => s.place);
  const fingered = fingerLick(instrument, lick.notes, { school, hand });
  const steps = fingered.filter((s) => s !== null).map(settled);
  const asked: Connection = {
    ...usualQuestion(body),
    way: 'best',
    motion: 'given',
    pitches: places.map((p) => midiOf(instrument.strings[p.string - 1]!.open) + p.fret),
    held: places.map((p, index) => ({ index, ...p })),
    fingers: steps.flatMap(({ finger }, index) => (finger > 0 && notes[index]!.finger === finger ? [{ index, finger }] : [])),
  };
  const strokes = pickStrokes(instrument, steps, asked.picking).map((stroke, k) => slurOf(notes[k]!.join) ?? stroke);
  const scale = lick.stayed ?? body.scale;
  const kept: KeptRoute = {
    id: newId(),
    name: lick.name,
    steps,
    strokes,
    asked,
    on: { instrument, scale, layout, school: body.school, hand },
  };
  return { routes: [...body.routes, kept], route: kept.id };
}
