import type { Connection, Way } from '../../contract';
import {
  countWord,
  fretDistanceMm,
  handPlaces,
  midiOf,
  pitchName,
  samePlace,
  type CostWord,
  type FingeredStep,
  type Instrument,
  type Move,
  type Place,
  type Route,
  type RouteGoal,
  type RouteWeights,
  type Shape,
  type Stroke,
} from '../../core';
import { counted } from './count-text';
import { FAR_REACH_MM, WIDE_CELL_MM } from './shape-text';

/** Each way as a chip says it, as the sentence says it, and what it does. */
export const WAY_WORDS: Record<Way, { readonly chip: string; readonly by: string; readonly does: string }> = {
  seam: { chip: 'Seam', by: 'changing hands on a seam', does: 'The hand changes on a note that two rungs share.' },
  'one-string': { chip: 'One string', by: 'going along one string', does: 'One string carries the line from the first rung to the last.' },
  'string-pair': {
    chip: 'String pair',
    by: 'stepping up a pair of strings',
    does: 'Two strings, rung by rung, with a touch of the root at each.',
  },
  diagonal: { chip: 'Diagonal', by: 'climbing a diagonal', does: 'Alternating sets of notes climb the neck from a root.' },
  split: { chip: 'Split', by: 'splitting the rungs', does: 'The lower strings of one rung, then one string back and on in the next.' },
  region: { chip: 'Leap', by: 'leaping to the other region', does: 'The hand leaves for the last rung in one move.' },
  'merge-skip': {
    chip: 'Merge',
    by: 'merging rungs on skipped strings',
    does: 'Two neighbours become one line of three notes on every other string.',
  },
  best: { chip: 'Best route', by: 'the best route', does: 'The least effort of all places and fingers, from any note to any goal.' },
};

export const placeWords = (p: Place): string => `string ${p.string}, fret ${p.fret}`;

export const goalWords = (goal: RouteGoal): string =>
  'string' in goal ? placeWords(goal) : 'pitch' in goal ? pitchName(goal.pitch) : `the hand at fret ${goal.fret}`;

const list = (items: (string | number)[]): string =>
  items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${String(items[items.length - 1])}`;
const plural = (n: number, one: string): string => `${countWord(n)} ${one}${n === 1 ? '' : 's'}`;
const stringsWord = (strings: number[]): string => `string${strings.length === 1 ? '' : 's'} ${list(strings)}`;
const firstUp = (text: string): string => text[0]!.toUpperCase() + text.slice(1);

/** Indices of the steps that begin another rung, or the stretch between rungs. */
const turns = ({ rungs = [] }: Route): number[] => [...rungs.keys()].slice(1).filter((k) => rungs[k] !== rungs[k - 1]);
const distinct = (values: number[]): number[] => [...new Set(values)];

/** What tells one way there from the others of its kind. */
export function routeTitle(way: Way, r: Route): string {
  const at = turns(r).map((k) => r.steps[k - 1]);
  const between = r.steps.filter((_, k) => r.rungs?.[k] === -1);
  switch (way) {
    case 'seam':
      return `${firstUp(plural(at.length, 'seam'))}, ${stringsWord(at.map((s) => s!.string))}`;
    case 'one-string':
      return `Along string ${between[0]?.string ?? ''}, frets ${Math.min(...between.map((s) => s.fret))} to ${Math.max(...between.map((s) => s.fret))}`;
    case 'string-pair':
    case 'merge-skip':
      return firstUp(stringsWord(distinct(r.steps.map((s) => s.string)).sort((a, b) => b - a)));
    case 'diagonal':
      return `${firstUp(plural(between.length, 'note'))} up the diagonal`;
    case 'split':
      return `Back a string on ${stringsWord(turns(r).map((k) => r.steps[k]!.string))}`;
    case 'region':
      return at.length ? `Leap from ${placeWords(at[0]!)}` : 'Leap';
    case 'best':
      return `Hand at ${list(handPlaces(r.steps).map((h) => h.fret))}`;
  }
}

/** Titles of ways side by side; those that would read alike say where they first part. */
export function routeTitles(way: Way, routes: readonly Route[]): string[] {
  const titles = routes.map((r) => routeTitle(way, r));
  return titles.map((title, k) => {
    const twin = titles.indexOf(title);
    if (twin === k) return title;
    const { steps } = routes[k]!;
    const parts = (same: (s: FingeredStep, t: FingeredStep) => boolean): number => steps.findIndex((s, n) => !routes[twin]!.steps[n] || !same(s, routes[twin]!.steps[n])); // prettier-ignore
    const at = parts(samePlace);
    if (at >= 0) return `${title}, note ${at + 1} on string ${steps[at]!.string}`;
    const hand = parts((s, t) => s.handFret === t.handFret);
    return hand < 0 ? title : `${title}, note ${hand + 1} with the hand at ${steps[hand]!.handFret}`;
  });
}

const mm = (n: number): string => `${Math.round(n)} mm`;

export const shiftWords = (r: Route): string => `${r.shifts} ${r.shifts === 1 ? 'shift' : 'shifts'}`;
export const effortWords = (r: Route): string => `effort ${Math.round(r.cost)}`;
export function travelWords(r: Route): string {
  const slides = r.steps.filter((s) => s.move === 'slide').length;
  return `travel ${mm(r.travelMm)}, widest ${mm(r.widestMm)}, ${slides ? plural(slides, 'slide') : 'no slides'}`;
}

/** "21 notes, two octaves and 7 frets' worth": how far the line goes. */
export function lineWords(i: Instrument, r: Route): string {
  const pitches = r.steps.map((s) => midiOf(i.strings[s.string - 1]!.open) + s.fret);
  const span = Math.max(...pitches) - Math.min(...pitches);
  const octaves = Math.floor(span / 12);
  const rest = span % 12;
  const words = [octaves ? plural(octaves, 'octave') : '', rest ? plural(rest, 'half step') : ''].filter(Boolean);
  return `${counted(r.steps.length, 'note')} over ${words.join(' and ') || 'one pitch'}`;
}

/** Whether a route asks for a reach that can hurt: in one place of the hand, or of one finger out of its place. */
export function routeNeedsCare(i: Instrument, r: Route): boolean {
  const reach = (s: FingeredStep): number => {
    const rest = Math.min(i.frets, s.handFret + s.finger - 1);
    return s.finger ? fretDistanceMm(i, s.string, Math.min(rest, s.fret), Math.max(rest, s.fret)) : 0;
  };
  return r.widestMm > WIDE_CELL_MM || r.steps.some((s) => reach(s) > FAR_REACH_MM);
}

export const MOVE_WORDS: Record<Move, string> = {
  start: 'begins the line',
  stay: 'under the hand',
  stretch: 'a reach, the hand stays',
  shift: 'the hand moves',
  slide: 'the finger slides',
  roll: 'the finger rolls over',
};

export const COST_WORDS: Record<CostWord, string> = {
  finger: 'the school spares this finger',
  reach: 'a reach out of the hand’s rest',
  pair: 'two fingers that hamper each other',
  shift: 'moving the hand',
  travel: 'how far it moves',
  landing: 'where the shift lands',
  slide: 'starting a slide',
  roll: 'rolling one finger to the next string',
  hop: 'one finger hopping to another string',
  change: 'changing fingers on one place',
  string: 'changing strings',
  against: 'a string against the direction',
  bend: 'bending with this finger',
  thick: 'a thick string high up',
  open: 'an open string',
  tone: 'the tone you asked for',
  region: 'crossing the border fret',
};

export const FINGER_WORDS = ['open', 'index', 'middle', 'ring', 'little'];

/** The weights as a player would say them, with what less and more of each means. */
export const WEIGHT_WORDS: {
  readonly key: keyof RouteWeights;
  readonly name: string;
  readonly less: string;
  readonly more: string;
  readonly min: number;
  readonly max: number;
}[] = [
  { key: 'travel', name: 'Travel', less: 'go anywhere', more: 'stay near', min: 0, max: 4 },
  { key: 'shifts', name: 'Shifts', less: 'move often', more: 'move seldom', min: 0, max: 4 },
  { key: 'stretch', name: 'Stretch', less: 'reach freely', more: 'keep at rest', min: 0, max: 4 },
  { key: 'stringChanges', name: 'String changes', less: 'cross freely', more: 'stay on a string', min: 0, max: 4 },
  { key: 'openStrings', name: 'Open strings', less: 'liked', more: 'avoid', min: -1, max: 4 },
  { key: 'tone', name: 'Tone', less: 'warm', more: 'bright', min: -1, max: 1 },
  { key: 'region', name: 'Region', less: 'cross fret 7 freely', more: 'stay on one side', min: 0, max: 4 },
];

export const STROKE_WORDS: Record<Stroke, string> = { down: 'down', up: 'up', hammer: 'hammered', pull: 'pulled off', slide: 'slid' };

/** One note for those who hear the tab: "note 3, A2, string 5, fret 0, index, picked down, the hand moves to fret 4". */
export function stepWords(s: FingeredStep, index: number, pitch: string, stroke: Stroke): string {
  const moved = s.move === 'shift' || s.move === 'slide' ? `, the hand moves to fret ${s.handFret}` : '';
  const finger = s.finger ? `${FINGER_WORDS[s.finger]} finger` : 'open string';
  return `note ${index + 1}, ${pitch}, ${placeWords(s)}, ${finger}, ${STROKE_WORDS[stroke]}${moved}`;
}

/** The rung as the sentence names it, with the note the line begins or ends on. */
export const endWords = (shape: Shape, at: RouteGoal): string => `${shape.label}, ${goalWords(at)}`;

/** The name a route gets when it is kept. */
export const keptName = (asked: Connection, from: Shape, to: Shape): string =>
  `${from.label} to ${to.label}, ${WAY_WORDS[asked.way].chip.toLowerCase()}`;
