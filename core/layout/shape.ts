import { fingerPath, pinsThatHold, usualModel, type HandModel } from '../fingering';
import { noteAt, widestMm, type ScaledNeck } from '../neck';
import { midiOn, placeIndex, placeKey, samePlace } from '../place';
import { stepLetters } from '../scale';
import type {
  Cell,
  FingeredStep,
  FingeringSchool,
  Hand,
  Jog,
  LayoutKind,
  Place,
  PlacePin,
  Shape,
  ShapeNote,
  ShapeRef,
  Stretch,
} from '../types';
import { pinsIn } from './pins';

/** What a layout decides: which places, in playing order, under which number and name. */
export interface Draft {
  /** The shape's number, from 1; of windows the fret of the index finger. */
  readonly number: number;
  /** What players call it. */
  readonly label: string;
  /** Places in playing order. */
  readonly places: Place[];
  /** Notes of the whole shape that the neck has no room for. */
  readonly missing?: number;
  /** The label is that of a known shape. */
  readonly known?: true;
  /** Fingers that the layout prefers, note by note, for the search to find the hand to. */
  readonly fingers?: number[];
  /** Where the layout itself fixes the hand (windows); otherwise the fingering search decides. Asked when the shape is filled in. */
  readonly hand?: () => FixedHand;
}

/** A hand that a layout fixes. */
export type FixedHand = Pick<Held, 'fret' | 'fingers' | 'stretches'>;

/** What every layout is given. */
export interface LayoutTask {
  /** The neck with its scale. */
  readonly neck: ScaledNeck;
  /** The hand. */
  readonly model: HandModel;
  /** Fingers that the player has settled. */
  readonly pins: readonly PlacePin[];
  /** The school and hand that the model was made of. */
  readonly by: { readonly school: FingeringSchool; readonly hand?: Hand };
  /** Hands found before for the same places, neck, school and hand. */
  readonly known: HandMemory;
}

/** Hands by the places that they play: scales that share places share them. For one neck, school and hand. */
export type HandMemory = Map<string, Held>;

/** Fourths: the interval at which a shape runs on without a jog. */
const FOURTH = 5;

/** What a layout works with: the neck with its scale, and the hand. */
export const layoutTask = (
  neck: ScaledNeck,
  school: FingeringSchool,
  hand?: Hand,
  pins: readonly PlacePin[] = [],
  known: HandMemory = new Map(),
): LayoutTask => ({
  neck,
  model: usualModel(neck.instrument, school, hand),
  pins,
  by: { school, ...(hand ? { hand } : {}) },
  known,
});

/** Fills a draft with everything a shape reports. */
export function shapeOf(task: LayoutTask, kind: LayoutKind, draft: Draft): Shape {
  const { neck } = task;
  const frets = draft.places.map((p) => p.fret);
  const lowFret = Math.min(...frets);
  const highFret = Math.max(...frets);
  const pins = pinsOn(task, { kind, number: draft.number, lowFret }, draft.places);
  const fixed = pins ? undefined : draft.hand?.();
  const hold = fixed ? { ...fixed, hands: [{ fret: fixed.fret, notes: draft.places.length }] } : searchedHand(task, draft.places, settledOver(draft.fingers, pins)); // prettier-ignore
  const notes = draft.places.map((p, k) => fingered(noteAt(neck, p.string, p.fret)!, hold.fingers[k]!));
  const cells = cellsOf(neck, notes);
  return {
    id: `${kind}:${draft.number}@${placeKey(notes[0]!)}-${lowFret}`,
    number: draft.number,
    label: draft.label,
    notes,
    cells,
    lowFret,
    highFret,
    widthMm: widthOf(neck, cells),
    roots: rootsOf(notes),
    jogs: jogsOf(neck, cells.map((c) => c.string)), // prettier-ignore

    stretches: hold.stretches,
    handFret: hold.fret,
    hands: hold.hands,
    ...(draft.known ? { known: true } : {}),
    ...(draft.missing ? { missing: draft.missing } : {}),
  };
}

/** The note is fresh from noteAt, so it is written to rather than copied. */
const fingered = (note: ShapeNote, finger: number): ShapeNote => {
  note.finger = finger;
  return note;
};

/** Settled fingers by note, or undefined where none of them is in this shape. */
function pinsOn({ pins, neck, by }: LayoutTask, shape: ShapeRef, places: Place[]): number[] | undefined {
  if (!pins.length) return undefined;
  const here = pinsThatHold(neck.instrument, pinsIn(pins, shape, places), by);
  return here.length ? places.map((p) => here.find((pin) => samePlace(p, pin))?.finger ?? 0) : undefined;
}

/** The layout's own fingers, but for those that the player has settled. */
const settledOver = (own?: number[], pins?: number[]): number[] | undefined =>
  own && pins ? own.map((f, k) => pins[k] || f) : (pins ?? own);

interface Held {
  /** Fret under the index finger. */
  readonly fret: number;
  /** The finger of each note. */
  readonly fingers: number[];
  /** Where the hand stretches. */
  readonly stretches: Stretch[];
  /** Places of the hand, where it moves. */
  readonly hands: Shape['hands'];
}

function searchedHand(task: LayoutTask, places: Place[], pins?: number[]): Held {
  const key = `${places.map(placeIndex).join()} ${pins?.join() ?? ''}`;
  const known = task.known.get(key);
  if (known) return known;
  const held = searched(task, places, pins);
  task.known.set(key, held);
  return held;
}

function searched(task: LayoutTask, places: Place[], pins?: number[]): Held {
  const steps = fingerPath(task.model, places, pins);
  const mm = task.model.mm;
  const reach = (s: (typeof steps)[number]): number => s.fret - (s.handFret + s.finger - 1);
  const stretched = steps.filter((s) => s.finger > 0 && reach(s) !== 0);
  return {
    fret: commonest(steps.filter((s) => s.finger > 0).map((s) => s.handFret)) ?? task.neck.nut + 1,
    fingers: steps.map((s) => s.finger),
    hands: handsOf(steps),
    stretches: stretched.map((s) => ({
      string: s.string,
      fret: s.fret,
      finger: s.finger,
      mm: Math.abs(mm[s.string]![s.fret]! - mm[s.string]![s.fret - reach(s)]!),
    })),
  };
}

/** Runs of notes that one hand place plays. */
function handsOf(steps: readonly FingeredStep[]): Shape['hands'] {
  const hands: Shape['hands'] = [];
  for (const { handFret: fret } of steps) {
    const last = hands[hands.length - 1];
    if (last?.fret === fret) last.notes++;
    else hands.push({ fret, notes: 1 });
  }
  return hands;
}

/** The value that stands most often; the lowest of those that tie. */
function commonest(values: number[]): number | undefined {
  const counts = new Map<number, number>();
  for (const v of values) counts.set(v, (counts.get(v) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]?.[0];
}

/** Notes gathered by string, lowest-sounding string first; a place that a run touches twice counts once. */
function cellsOf(neck: ScaledNeck, notes: ShapeNote[]): Cell[] {
  const byString: Cell[] = [];
  for (const n of notes) addToCell((byString[n.string] ??= { string: n.string, frets: [], steps: [], fingers: [] }), n);
  const cells = neck.upward.flatMap((string) => byString[string] ?? []);
  for (const cell of cells) cell.steps = stepsBetween(cell.frets);
  return cells;
}

/** Keeps the cell's frets ascending; notes mostly come so. */
function addToCell(cell: Cell, n: ShapeNote): void {
  const { frets, fingers } = cell;
  let at = frets.length;
  while (at > 0 && frets[at - 1]! > n.fret) at--;
  if (at > 0 && frets[at - 1] === n.fret) return;
  if (at === frets.length) {
    frets.push(n.fret);
    fingers.push(n.finger ?? 0);
  } else {
    frets.splice(at, 0, n.fret);
    fingers.splice(at, 0, n.finger ?? 0);
  }
}

/** Steps of one string's frets. Example: [5, 6, 8] gives H W. */
const stepsBetween = (frets: number[]): string[] => frets.slice(1).map((f, k) => stepLetters(f - frets[k]!));

function widthOf(neck: ScaledNeck, cells: Cell[]): number {
  let low = Infinity;
  let high = -Infinity;
  for (const { frets } of cells) {
    const first = frets[0]! > neck.nut ? frets[0] : frets[1];
    if (first === undefined) continue;
    low = Math.min(low, first);
    high = Math.max(high, frets[frets.length - 1]!);
  }
  return high < low ? 0 : widestMm(neck.instrument, cells.map((c) => c.string), low, high); // prettier-ignore
}

function rootsOf(notes: ShapeNote[]): Place[] {
  const roots = notes.filter((n) => n.role === 'root');
  return roots.filter((r, k) => roots.findIndex((o) => samePlace(o, r)) === k).map(({ string, fret }) => ({ string, fret }));
}

/**
 * Pairs of neighbouring strings that are not a fourth apart, and by how many frets everything beyond them is moved.
 * Strings that a shape skips are crossed all the same. Derived from the tuning, never stored. Example: strings 3 and 2 of E A D G B E, a major third: one fret up.
 */
export function jogsOf(neck: ScaledNeck, strings: number[]): Jog[] {
  const crossed = neck.upward.slice(neck.upward.indexOf(strings[0]!), neck.upward.indexOf(strings[strings.length - 1]!) + 1);
  return crossed.slice(1).flatMap((above, k) => {
    const below = crossed[k]!;
    const semitones = neck.open[above]! - neck.open[below]!;
    return semitones === FOURTH ? [] : [{ below, above, semitones, frets: FOURTH - semitones }];
  });
}

/** Place by ascending pitch; on a unison the lower string first. */
export const byPitch = (neck: ScaledNeck, places: Place[]): Place[] => {
  return [...places].sort(
    (a, b) => midiOn(neck.open, a) - midiOn(neck.open, b) || neck.upward.indexOf(a.string) - neck.upward.indexOf(b.string),
  );
};
