import { checkOneOf, fail } from '../errors';
import { fingerNotes, pinsThatHold } from '../fingering';
import { placeIndex } from '../place';
import { TICKS } from '../lick';
import type { LickNote } from '../lick/types';
import type { FingeringSchool, Hand, Instrument, Place } from '../types';
import { ARTICULATIONS, joinsOf, strokesOf } from './articulation';
import { DRILL_ACCENTS, DRILL_RHYTHMS, drillTicks, loudNotes } from './rhythm';
import type { DrillAccent, DrillArticulation, DrillLine, DrillRhythm } from './types';

/** How the notes of a drill are played. */
export interface DrillManner {
  /** Note values. */
  readonly rhythm: DrillRhythm;
  /** Which notes are loud. */
  readonly accent: DrillAccent;
  /** Picked, hammered or slid. */
  readonly articulation: DrillArticulation;
  /** By which school it is fingered. */
  readonly school: FingeringSchool;
  /** The player's hand; a medium one if left out. */
  readonly hand?: Hand;
}

/** Notes that one drill holds at most: an hour of sixteenths at 60. */
export const MOST_DRILL_NOTES = 14_400;

/**
 * A drill as it is played. Fingers come from the one search; notes that carry a finger (those of a shape) keep it, so that
 * a drill is fingered as its shape is on the neck. Throws BAD_OPTION, BAD_PLACE.
 * @example drillLine(six, box.notes, { rhythm: 'eighths', accent: 'beat', articulation: 'alternate', school: 'finger-per-fret' }).strokes.slice(0, 2) // ['down', 'up']
 */
export function drillLine(i: Instrument, notes: readonly (Place & { readonly finger?: number })[], o: DrillManner): DrillLine {
  checkOneOf('BAD_OPTION', 'rhythm', o.rhythm, DRILL_RHYTHMS);
  checkOneOf('BAD_OPTION', 'accent', o.accent, DRILL_ACCENTS);
  checkOneOf('BAD_OPTION', 'articulation', o.articulation, ARTICULATIONS);
  if (!notes.length) fail('BAD_OPTION', 'notes', 'notes: this drill has none.');
  if (notes.length > MOST_DRILL_NOTES)
    fail(
      'BAD_OPTION',
      'notes',
      `notes: ${notes.length} are more than ${MOST_DRILL_NOTES}, an hour of sixteenths. Choose fewer rungs or strings.`,
    );
  const ticks = drillTicks(notes.length, o.rhythm);
  const joins = joinsOf(notes, o.articulation);
  const fixed = pinsThatHold(i, eachOnce(notes), o).map((p) => [placeIndex(p), p.finger] as const);
  const fingers = new Map(fixed);
  const pins = notes.flatMap((n, index) => {
    const finger = n.finger && fingers.get(placeIndex(n)) === n.finger ? n.finger : undefined;
    return finger ? [{ index, finger }] : [];
  });
  const places = notes.map(({ string, fret }) => ({ string, fret }));
  const steps = fingerNotes(i, places, { school: o.school, hand: o.hand, joins, pins });
  return {
    steps,
    ticks,
    joins,
    strokes: strokesOf(i, steps, joins, o.articulation),
    loud: loudNotes(notes.length, o.rhythm, o.accent),
    beats: ticks.reduce((a, b) => a + b, 0) / TICKS,
  };
}

/** Each place with a finger once. */
function eachOnce(notes: readonly (Place & { readonly finger?: number })[]): (Place & { readonly finger: number })[] {
  const found = new Map<number, Place & { readonly finger: number }>();
  for (const { string, fret, finger } of notes) if (finger) found.set(placeIndex({ string, fret }), { string, fret, finger });
  return [...found.values()];
}

/**
 * Seconds that one pass takes at so many beats a minute.
 * @example drillSeconds({ beats: 8 }, 120) // 4
 */
export const drillSeconds = (line: Pick<DrillLine, 'beats'>, tempo: number): number => (line.beats * 60) / tempo;

/** A drill as a lick: the same places, lengths, joins and fingers. */
export const drillLick = ({ steps, ticks, joins }: DrillLine): LickNote[] =>
  steps.map(({ string, fret, finger }, k) => ({
    place: { string, fret },
    ticks: ticks[k]!,
    ...(joins[k] ? { join: joins[k] } : {}),
    ...(finger ? { finger } : {}),
  }));
