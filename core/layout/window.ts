import { keysOf } from '../typed';
import { checkOneOf } from '../errors';
import { fingerPath } from '../fingering';
import { fretsWithScale, type ScaledNeck } from '../neck';
import type { LayoutOf, Place, Reach, Stretch } from '../types';
import type { LayoutRule } from './rule';
import { byPitch, type LayoutTask, type Draft, type FixedHand } from './shape';
import { stretchWords } from './words';

/** Frets the hand owns: from the index finger (or the nut, in the open position) to the little finger. */
interface Window {
  /** Fret of the index finger. */
  readonly index: number;
  /** The lowest fret. */
  readonly from: number;
  /** The highest fret. */
  readonly to: number;
  /** Whether open strings belong to it. */
  readonly open: boolean;
}
interface Filled {
  /** The window. */
  readonly window: Window;
  /** Frets by string, ascending. */
  readonly frets: Map<number, number[]>;
  /** Notes beyond it that are reached for. */
  readonly reaches: Place[];
}

/**
 * One finger per fret: the hand owns frets p..p+3 and every scale note there; holes between strings are filled by the
 * shorter reach (docs/decisions.md). The open position comes first; windows with the same places count once.
 */
function layWindows(task: LayoutTask, layout: LayoutOf<'window'>): Draft[] {
  const school = layout.stretch ?? 'index';
  checkOneOf('BAD_LAYOUT', 'layout.stretch', school, ['index', 'little', 'nearer']);
  const filled = windowsOn(task.neck).map((w) => fill(task, w, school));
  return distinct(
    task.neck,
    filled.filter((f) => f.frets.size > 0),
  ).map((f) => draftOf(task, f));
}

function windowsOn(neck: ScaledNeck): Window[] {
  const windows: Window[] = [{ index: neck.nut + 1, from: neck.nut, to: neck.nut + 4, open: true }];
  for (let p = neck.nut + 1; p <= neck.last - 3; p++) windows.push({ index: p, from: p, to: p + 3, open: false });
  return windows;
}

function fill(task: LayoutTask, window: Window, school: Reach): Filled {
  const { neck } = task;
  const frets = new Map(ownFrets(neck, window));
  const reaches: Place[] = [];
  neck.upward.slice(1).forEach((above, k) => {
    for (const p of reachesBetween(task, window, school, frets, neck.upward[k]!, above)) {
      reaches.push(p);
      frets.set(
        p.string,
        [...(frets.get(p.string) ?? []), p.fret].sort((a, b) => a - b),
      );
    }
  });
  return { window, frets, reaches };
}

/** The window's own notes, each pitch once: on its open string if it has one, otherwise on the lower string. */
function ownFrets(neck: ScaledNeck, w: Window): [number, number[]][] {
  const taken = new Set(w.open ? neck.upward.map((s) => neck.open[s]! + neck.nut) : []);
  return neck.upward.flatMap((string): [number, number[]][] => {
    const frets = fretsWithScale(neck, string, w.from, w.to).filter((f) => {
      const midi = neck.open[string]! + f;
      const free = !taken.has(midi) || (w.open && f === neck.nut && firstOpen(neck, string));
      taken.add(midi);
      return free;
    });
    return frets.length ? [[string, frets]] : [];
  });
}

/** Of strings tuned to the same pitch, the lowest carries the open note. */
const firstOpen = (neck: ScaledNeck, string: number): boolean => neck.upward.find((s) => neck.open[s] === neck.open[string]) === string;

/** Scale notes that neither window of two neighbouring strings holds, each given to the string that reaches for it. */
function reachesBetween(task: LayoutTask, w: Window, school: Reach, frets: Map<number, number[]>, below: number, above: number): Place[] {
  const { neck } = task;
  const reaches: Place[] = [];
  for (let midi = neck.open[below]! + w.to + 1; midi < neck.open[above]! + w.from; midi++) {
    if (!neck.toneOf[midi % 12]) continue;
    const forward = { string: below, fret: midi - neck.open[below]! };
    const back = { string: above, fret: midi - neck.open[above]! };
    const chosen = chooseReach(task, w, school, frets, back, forward);
    if (chosen) reaches.push(chosen);
  }
  return reaches;
}

/** The shorter reach in frets; the school decides ties; a place off the neck never wins. */
function chooseReach(
  task: LayoutTask,
  w: Window,
  school: Reach,
  frets: Map<number, number[]>,
  back: Place,
  forward: Place,
): Place | undefined {
  const { neck } = task;
  if (back.fret < neck.nut + (w.open ? 0 : 1)) return forward.fret <= neck.last ? forward : undefined;
  if (forward.fret > neck.last) return back;
  const difference = w.from - back.fret - (forward.fret - w.to);
  if (difference !== 0) return difference < 0 ? back : forward;
  if (school === 'nearer') return cellMm(task, frets, back) <= cellMm(task, frets, forward) ? back : forward;
  return school === 'index' ? back : forward;
}

/** Width in millimetres of the cell that a reach would make. */
function cellMm(task: LayoutTask, frets: Map<number, number[]>, p: Place): number {
  const cell = [...(frets.get(p.string) ?? []), p.fret];
  const mm = task.model.mm[p.string]!;
  return mm[Math.max(...cell)]! - mm[Math.min(...cell)]!;
}

/** Windows with identical places are one: the fewest reaches, then the lowest index fret. */
function distinct(neck: ScaledNeck, all: Filled[]): Filled[] {
  const best = new Map<string, Filled>();
  for (const f of all) {
    const key = neck.upward.map((string) => f.frets.get(string)?.join() ?? '').join(' ');
    const held = best.get(key);
    if (!held || f.reaches.length < held.reaches.length) best.set(key, f);
  }
  const kept = new Set(best.values());
  return all.filter((f) => kept.has(f));
}

function draftOf(task: LayoutTask, f: Filled): Draft {
  const places = byPitch(task.neck, [...f.frets].flatMap(([string, frets]) => frets.map((fret) => ({ string, fret })))); // prettier-ignore
  return {
    number: f.window.open ? task.neck.nut : f.window.index,
    label: f.window.open ? 'open position' : `position ${f.window.index}`,
    places,
    hand: () => handOf(task, f, places),
  };
}

/** The hand that the window itself fixes. */
function handOf(task: LayoutTask, f: Filled, places: readonly Place[]): FixedHand {
  const fingers: number[][] = [];
  for (const [string, frets] of f.frets) fingers[string] = cellFingers(task, f.window, string, frets);
  const fingerOf = (p: Place): number => fingers[p.string]![f.frets.get(p.string)?.indexOf(p.fret) ?? 0]!;
  const mm = task.model.mm;
  const edge = (p: Place): number => (p.fret < f.window.from ? f.window.from : f.window.to);
  const stretches = f.reaches.map((p): Stretch => ({
    string: p.string,
    fret: p.fret,
    finger: fingerOf(p),
    mm: Math.abs(mm[p.string]![p.fret]! - mm[p.string]![edge(p)]!),
  }));
  return { fret: f.window.index, fingers: places.map(fingerOf), stretches };
}

/** The index fret fixes the fingers; a cell that would put one finger on two frets is fingered on its own. */
function cellFingers(task: LayoutTask, w: Window, string: number, frets: number[]): number[] {
  const fixed = frets.map((fret) => (fret === task.neck.nut ? 0 : Math.min(4, Math.max(1, fret - w.index + 1))));
  const clash = fixed.some((finger, k) => k > 0 && finger === fixed[k - 1]);
  return clash ? fingerPath(task.model, frets.map((fret) => ({ string, fret }))).map((s) => s.finger) : fixed; // prettier-ignore
}

const REACHES: Record<Reach, { readonly says: string; readonly detail: string }> = {
  index: { says: 'first finger reaches', detail: 'hand stays; reach back' },
  little: { says: 'little finger reaches', detail: 'hand stays; reach forward' },
  nearer: { says: 'shorter reach', detail: 'hand stays; whichever is narrower' },
};
const SCHOOLS = keysOf(REACHES);

/** Windows of a hand's span, one for each place of the index finger. */
export const windows: LayoutRule<'window'> = {
  fields: {
    stretch: {
      is: 'choice',
      label: 'Reach',
      byName: true,
      usual: 'index',
      of: SCHOOLS.map((value) => ({ value, label: REACHES[value].says })),
    },
  },
  lay: layWindows,
  school: () => 'finger-per-fret',
  says: (l) => `one finger per fret, ${REACHES[l.stretch ?? 'index'].says}`,
  why: (_, { shape }) =>
    shape.stretches.length
      ? `The hand owns four frets. Between strings a fourth apart one fret stays uncovered; where a scale note lies there a finger leaves the window: ${stretchWords(shape.stretches)}.`
      : 'The hand owns four frets and every note lies under it: this window is at rest.',
  offers: () => SCHOOLS.map((stretch) => ({ layout: { kind: 'window', stretch }, detail: REACHES[stretch].detail })),
  known: SCHOOLS.map((stretch) => ({ kind: 'window', stretch })),
  opensBy: 'index',
  still: true,
};
