import { checkNumber, checkWhole, fail, shown } from '../errors';
import { checkInstrument, checkPlace, nutFret } from '../instrument';
import type { CostWord, FingeredStep, FingeringSchool, Hand, HandReach, Instrument, LineTiming, Place } from '../types';
import { tellStep } from './automaton';
import { holdsOf, usualModel, type HandModel } from './model';
import { SCHOOLS, SPAN_MM } from './schools';
import { bestPaths, runToEnd, type Path } from './search';
import { settled, stepsOf, timed } from './steps';

export { handModel, holdsOf, usualModel, type HandModel } from './model';
export { bestPath, bestPaths, runToEnd, type Path, type Task } from './search';
export { fingerPath, stepsOf, timed } from './steps';
export { noCosts, type Option, type State, type CostTally } from './states';
export { SCHOOLS, SPAN_MM, type CostRow, type HandCosts } from './schools';

/** A finger settled for the note at `index` of a line. */
export interface Pin {
  /** Which note of the line, from 0. */
  readonly index: number;
  /** The finger that is settled, 0 (open) to 4. */
  readonly finger: number;
}

/** How a line is fingered. */
export interface FingerOptions extends LineTiming {
  /** By which school. */
  readonly school: FingeringSchool;
  /** The player's hand; a medium one if left out. */
  readonly hand?: Hand;
  /** Fingers that are settled. */
  readonly pins?: readonly Pin[];
}

/** Checks a school and a hand; throws BAD_OPTION saying the choices or the range. */
export function checkHand(school: FingeringSchool, hand?: Hand): void {
  if (!Object.hasOwn(SCHOOLS, school))
    fail('BAD_OPTION', 'school', `school: "${shown(school)}" is none of ${Object.keys(SCHOOLS).join(', ')}.`);
  if (hand && !Object.hasOwn(SPAN_MM, hand.size))
    fail('BAD_OPTION', 'hand.size', `hand.size: "${shown(hand.size)}" is none of small, medium, large.`);
  if (hand?.reaches) checkReaches(hand.reaches);
}

const MOST_REACHES = 6;
const REACH = { least: 1, most: 9 };

function checkReaches(reaches: readonly HandReach[]): void {
  if (!Array.isArray(reaches) || reaches.length < 1 || reaches.length > MOST_REACHES)
    fail('BAD_OPTION', 'hand.reaches', `hand.reaches: give 1 to ${MOST_REACHES} frets at which the hand was measured.`);
  reaches.forEach((r, k) => {
    const at = `hand.reaches[${k}]`;
    checkWhole('BAD_OPTION', `${at}.fret`, r.fret, k ? reaches[k - 1]!.fret + 1 : 1, 24);
    checkNumber('BAD_OPTION', `${at}.most`, r.most, REACH.least, REACH.most);
    checkNumber('BAD_OPTION', `${at}.comfortable`, r.comfortable, REACH.least, r.most);
  });
}

/**
 * Fingers that can stop a place in a school, ascending; [0] for an open string. Throws BAD_PLACE, BAD_OPTION.
 * @example fingersFor(six, { string: 1, fret: 0 }, plain) // [0]
 */
export function fingersFor(i: Instrument, p: Place, o: FingerOptions): number[] {
  checkInstrument(i);
  checkHand(o.school, o.hand);
  checkPlace(i, p);
  return fingersAt(usualModel(i, o.school, o.hand), p);
}

const fingersAt = (m: HandModel, p: Place): number[] =>
  p.fret === m.nut ? [0] : [...new Set(holdsOf(m, p.string, p.fret).map((h) => h.finger))].sort();

/** Pins by note, after checking that each is a finger the hand has there; throws BAD_OPTION. */
function pinsOf(m: HandModel, places: readonly Place[], pins: readonly Pin[] = []): number[] {
  const byNote: number[] = [];
  pins.forEach(({ index, finger }, k) => {
    const p = places[index];
    if (!p) fail('BAD_OPTION', `pins[${k}].index`, `pins[${k}].index: ${index} is not a note of the line (0 to ${places.length - 1}).`);
    const can = fingersAt(m, p as Place);
    if (!can.includes(finger))
      fail(
        'BAD_OPTION',
        `pins[${k}].finger`,
        `Finger ${finger} cannot take string ${p?.string}, fret ${p?.fret}: choose ${can.join(', ')}.`,
      );
    byNote[index] = finger;
  });
  return byNote;
}

function fingered(
  i: Instrument,
  places: readonly Place[],
  o: FingerOptions,
  count: number,
): { readonly m: HandModel; readonly paths: Path[] } {
  checkInstrument(i);
  checkHand(o.school, o.hand);
  places.forEach((p, k) => checkPlace(i, p, `places[${k}]`));
  const m = usualModel(i, o.school, o.hand);
  return { m, paths: runToEnd(bestPaths(timed(settled(m, places, pinsOf(m, places, o.pins)), o), count)) };
}

/** How many ways are looked through for one whose moves fall elsewhere. */
const OTHERS = 16;

/**
 * Fingers for a line of places in playing order: the least effort over the whole line, round the pins. With
 * `alternatives`, the other way: the cheapest whose hand moves fall between other notes (where a two-note cell is
 * followed by a shift, reaching instead of moving, or moving earlier or later), or the next best where there is none.
 * Throws BAD_PLACE, BAD_OPTION.
 * @example fingerNotes(six, [{ string: 6, fret: 5 }, { string: 6, fret: 8 }], plain).map((s) => s.finger) // [1, 4]
 */
export function fingerNotes(i: Instrument, places: Place[], o: FingerOptions & { readonly alternatives?: boolean }): FingeredStep[] {
  if (!places.length) return [];
  const ways = waysToFinger(i, places, o, o.alternatives ? OTHERS : 1);
  if (!o.alternatives) return ways[0]!;
  return ways.find((w) => movesAt(w) !== movesAt(ways[0]!)) ?? ways[1] ?? ways[0]!;
}

/** The best ways to finger a line, cheapest first, each with another succession of hand places; at most `count`. Throws as fingerNotes. */
export function waysToFinger(i: Instrument, places: readonly Place[], o: FingerOptions, count: number): FingeredStep[][] {
  const { m, paths } = fingered(i, places, o, count);
  return paths.map((p) => stepsOf(m, p));
}

const movesAt = (steps: FingeredStep[]): string => steps.map((s) => (s.move === 'shift' || s.move === 'slide' ? '1' : '0')).join('');

/** What a step costs, part by part in mm of effort, and how much more the line would cost with another finger there. */
export interface Why {
  /** The note with its finger. */
  readonly step: FingeredStep;
  /** What its cost is made of, in mm of travel. */
  readonly parts: { readonly word: CostWord; readonly mm: number }[];
  /** Other fingers for it, and what the whole line would then cost more. */
  readonly others: { readonly finger: number; readonly moreMm: number }[];
}

/**
 * Why this finger: the note at `index` of a line. Throws what fingerNotes throws, BAD_OPTION for an index off the line.
 * @example whyFinger(six, box.notes, 0, plain).step.finger // 0
 */
export function whyFinger(i: Instrument, places: Place[], index: number, o: FingerOptions): Why {
  const { m, paths } = fingered(i, places, o, 1);
  if (!places[index]) fail('BAD_OPTION', 'index', `index: ${index} is not a note of the line (0 to ${places.length - 1}).`);
  const [path] = paths;
  const step = stepsOf(m, path!)[index]!;
  const rest = (o.pins ?? []).filter((p) => p.index !== index);
  const others = fingersAt(m, places[index]!).filter((f) => f !== step.finger);
  return {
    step,
    parts: partsOf(path!, index),
    others: others.map((finger) => {
      const [other] = fingered(i, places, { ...o, pins: [...rest, { index, finger }] }, 1).paths;
      return { finger, moreMm: other!.cost - path!.cost };
    }),
  };
}

/** What the note at `index` of a way adds to its cost, word by word. */
export function partsOf(path: Path, index: number): Why['parts'] {
  const parts = new Map<CostWord, number>();
  tellStep(path.machine, path.nodes, index, (word, mm) => void (mm && parts.set(word, (parts.get(word) ?? 0) + mm)));
  return [...parts].map(([word, mm]) => ({ word, mm }));
}

/** Pins by place that a hand can do here; the others are let go. */
export function pinsThatHold<P extends Place & { readonly finger: number }>(i: Instrument, pins: readonly P[], o: FingerOptions): P[] {
  const onNeck = (p: Place): boolean => p.string <= i.strings.length && p.fret >= nutFret(i) && p.fret <= i.frets;
  return pins.filter((p) => onNeck(p) && fingersFor(i, p, o).includes(p.finger));
}
