import { checkWhole } from '../errors';
import type { ScaledNeck } from '../neck';
import { relatedModes, scaleTitle } from '../scale';
import type { FingeringSchool, LayoutOf, Place } from '../types';
import { capital, countWord } from '../words';
import { climb, isWhole, scaleClasses, startsOn } from './climb';
import type { LayoutRule, Shown } from './rule';
import type { LayoutTask, Draft } from './shape';
import { jogsWords, notesAString } from './words';

/** One whole n-per-string shape, string by string, and the scale note it starts on (0 is the root). */
export interface Tier {
  /** Which degree it begins with, from 0. */
  readonly index: number;
  /** Its notes, string by string. */
  readonly cells: Place[][];
}

/** All whole n-per-string shapes up the neck. Throws BAD_LAYOUT unless n is 1 to 6. */
export function tiersOf(neck: ScaledNeck, notes: number): Tier[] {
  checkWhole('BAD_LAYOUT', 'layout.notes', notes, 1, 6);
  const classes = scaleClasses(neck);
  const counts = neck.upward.map(() => notes);
  return startsOn(neck, classes, neck.upward[0]!)
    .map(({ midi, index }) => ({ index, cells: climb(neck, classes, midi, neck.upward, counts) }))
    .filter((t) => isWhole(neck, t.cells));
}

/** The mode that starts on each scale note, where the scale is a mode of a catalogue family; else "shape 1", "shape 2" ... */
export function startNames(neck: ScaledNeck): string[] {
  const modes = relatedModes(neck.ref);
  const known = modes.every((m) => scaleTitle(m.scale) !== m.scale || !/^1 /.test(m.scale));
  return modes.map((m, k) => (known ? `${m.tonic} ${scaleTitle(m.scale)}` : `shape ${k + 1}`));
}

/** n notes on every string, a shape for each scale note the lowest string can start on (common practice, no published source). */
function layPerString(task: LayoutTask, layout: LayoutOf<'per-string'>): Draft[] {
  const tiers = tiersOf(task.neck, layout.notes);
  const names = startNames(task.neck);
  return tiers.map((t) => ({ number: t.index + 1, label: names[t.index]!, places: t.cells.flat() }));
}

/** Spacings that come in runs of two are true of the shape that starts on the major root, with three a string (docs/decisions.md). */
function runsOfTwo({ shape }: Shown): string {
  const steps = shape.cells.map((c) => c.steps.join('-'));
  const paired = steps.length === 6 && steps[0] !== '' && [0, 2, 4].every((k) => steps[k] === steps[k + 1]);
  return paired ? ` The spacings come in pairs: ${steps[0]}, ${steps[2]}, ${steps[4]}.` : '';
}

const USUAL: Record<number, string> = { 2: 'usual for pentatonics', 3: 'usual for seven notes' };
const OFFERED = [3, 2, 4, 1, 5, 6];

/** The usual hand for so many notes a string. */
export const schoolFor = (notes: number): FingeringSchool => (notes >= 3 ? 'stretch' : 'finger-per-fret');
/** How many notes of a scale lie on a string. */
export const NOTES_A_STRING = { is: 'whole', label: 'Notes a string', from: 1, to: 6 } as const;

/** So many notes on every string, from every degree on the lowest one. */
export const perString: LayoutRule<'per-string'> = {
  fields: { notes: { ...NOTES_A_STRING, byName: true } },
  lay: layPerString,
  school: (l) => schoolFor(l.notes),
  says: (l) => notesAString(l.notes),
  why: (l, shown) =>
    `${capital(countWord(l.notes))} on every string, so the shape drifts up the neck as it goes to the thin strings.${runsOfTwo(shown)} ${capital(jogsWords(shown.shape))}.`,
  offers: () => OFFERED.map((notes) => ({ layout: { kind: 'per-string', notes }, detail: USUAL[notes] ?? '' })),
  known: [2, 3, 4, 1, 5, 6].map((notes) => ({ kind: 'per-string', notes })),
  size: (l, strings) => l.notes * strings,
  opensBy: 'start',
};
