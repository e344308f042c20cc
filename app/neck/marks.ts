import type { Labels } from '../../contract';
import { fretNumber, noteIn, placeIndex, syllableOf, type DegreeName, type Instrument, type NeckNote, type NoteLanguage, type Shape } from '../../core'; // prettier-ignore

/**
 * How a mark looks: by role, and by shape and fill as well as colour. `gone` is crossed out, `new` is a diamond:
 * what a second scale laid over the first leaves out and brings in. `twin-root` is the relative root, `off` no note of the scale.
 */
export type MarkLook = 'root' | 'twin-root' | 'solid' | 'outlined' | 'dashed' | 'off' | 'gone' | 'new' | 'faint' | 'stud' | 'root-stud';

export interface NeckMark {
  readonly string: number;
  readonly fret: number;
  readonly look: MarkLook;
  readonly text: string;
  /** A tone of the chosen chord: a bar under the plate. */
  readonly bar?: boolean;
  /** Not what was asked for (no tone of the chord, in one of two rungs only): smaller. */
  readonly aside?: boolean;
}

/** How this player reads degrees and notes. */
export interface Naming {
  readonly degrees: 'numbers' | 'syllables';
  readonly names: NoteLanguage;
}

/** A degree, or a note, as this player reads it. */
export const degreeText = (degree: string, naming?: Naming): string => (naming?.degrees === 'syllables' ? syllableOf(degree) : degree);
export const noteText = (name: string, naming?: Naming): string => noteIn(name, naming?.names ?? 'letters');

export interface MarkOptions {
  readonly labels: Labels;
  /** Notes of a second scale; what it shares with the first is kept. */
  readonly over?: NeckNote[] | null;
  /** Degrees that stand out; empty: all. */
  readonly focus?: readonly DegreeName[];
  /** Strings shown so far, or null for all. */
  readonly strings?: readonly number[] | null;
  /** Pitch classes of the chosen chord. */
  readonly chord?: ReadonlySet<number> | null;
  readonly naming?: Naming;
  /** Where its numbers are counted from. */
  readonly on?: Instrument;
  /** The relative major or minor root. */
  readonly twin?: DegreeName | null;
}

type Labelled = NeckNote & { readonly finger?: number };

function lookOf(n: NeckNote, o: MarkOptions): MarkLook {
  if (n.role === 'root') return 'root';
  if (n.role === 'passing') return 'dashed';
  if (n.degree === o.twin) return 'twin-root';
  return n.added ? 'outlined' : 'solid';
}

const textOf = (n: Labelled, { labels, on, naming }: MarkOptions): string => {
  if (labels === 'degrees') return degreeText(n.degree, naming);
  if (labels === 'notes') return noteText(n.name, naming);
  if (labels === 'frets') return String(on ? fretNumber(on, n.fret) : n.fret);
  return labels === 'fingers' ? String(n.finger ?? '') : '';
};

const focused = (n: NeckNote, o: MarkOptions): boolean => !o.focus?.length || o.focus.includes(n.degree);
const shown = (n: NeckNote, o: MarkOptions): boolean => !o.strings || o.strings.includes(n.string);

/** Whether a note belongs to the chosen chord, if there is one. */
const ofChord = (n: NeckNote, { chord }: MarkOptions): Pick<NeckMark, 'bar' | 'aside'> =>
  !chord ? {} : chord.has(n.midi % 12) ? { bar: true } : { aside: true };

/** The shape in full, what a second scale changes in its place, and small studs for the rest of the scale. */
export function marksOf(notes: NeckNote[], shape: Shape | null, o: MarkOptions): NeckMark[] {
  const inside = new Map<number, Labelled>((shape?.notes ?? []).filter((n) => shown(n, o)).map((n) => [placeIndex(n), n]));
  const over = o.over ? new Set(o.over.map(placeIndex)) : null;
  const own = notes.map((n): NeckMark => {
    const mine = inside.get(placeIndex(n));
    const place = { string: n.string, fret: n.fret };
    if (mine && focused(n, o))
      return { ...place, look: over && !over.has(placeIndex(n)) ? 'gone' : lookOf(mine, o), text: textOf(mine, o), ...ofChord(n, o) };
    if (mine) return { ...place, look: 'faint', text: '' };
    return { ...place, look: n.role === 'root' && focused(n, o) ? 'root-stud' : 'stud', text: '' };
  });
  return o.over && shape ? [...own, ...newcomers(notes, shape, o)] : own;
}

/**
 * Notes that only the second scale has, one fret beyond each string's own at most, each pitch once: where a note of the
 * first scale was crossed out beside it if there is such a place, so that the eye sees one move to the other.
 */
function newcomers(notes: NeckNote[], shape: Shape, o: MarkOptions): NeckMark[] {
  const known = new Set(notes.map(placeIndex));
  const there = new Set((o.over ?? []).map(placeIndex));
  const gone = new Set(shape.notes.map(placeIndex).filter((k) => !there.has(k)));
  const cells = new Map(shape.cells.map((c) => [c.string, c.frets]));
  const near = (n: NeckNote): boolean => {
    const frets = cells.get(n.string);
    return !!frets && n.fret >= frets[0]! - 1 && n.fret <= frets[frets.length - 1]! + 1 && shown(n, o);
  };
  const beside = (n: NeckNote): number => (gone.has(placeIndex(n) - 1) || gone.has(placeIndex(n) + 1) ? 0 : 1);
  const fresh = (o.over ?? []).filter((n) => !known.has(placeIndex(n)) && near(n)).sort((a, b) => beside(a) - beside(b));
  return fresh
    .filter((n, k) => fresh.findIndex((other) => other.midi === n.midi) === k)
    .map((n) => ({ string: n.string, fret: n.fret, look: 'new', text: o.labels === 'fingers' ? '' : textOf(n, o) }));
}

/** Strings of a shape that grows from a root: its own string first, then upward, then downward. */
export function builtStrings(upward: number[], root: number, count: number | null): number[] | null {
  if (count === null) return null;
  const at = upward.indexOf(root);
  return [root, ...upward.slice(at + 1), ...upward.slice(0, at).reverse()].slice(0, count);
}
