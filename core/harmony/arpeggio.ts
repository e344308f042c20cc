import { fail } from '../errors';
import { layOut } from '../layout';
import { chromaOf } from '../pitch';
import { checkDegree, degreesOf, mod12 } from '../scale';
import { openMidis } from '../instrument';
import type { DegreeName, FingeringSchool, Hand, Instrument, Layout, NoteName, ScaleRef, Shape } from '../types';
import { chordSounds } from './symbol';
import { chordScale, modeChords, rootOn, type StackSize } from './stack';

/** How an arpeggio is laid out. */
export interface ArpeggioOptions {
  /** Notes of the stack on the degree, 4 unless said; or another kind of chord on it, as what follows its root: sus2, sus4, 6, m6, add9. */
  readonly size?: StackSize;
  /** Which layout it is laid out by. */
  readonly kind?: string;
  /** Index of the rung of the layout, the first unless said. */
  readonly rung?: number;
  /** So many notes a string, in place of those of the position. */
  readonly perString?: 1 | 2 | 3;
  /** By which school it is fingered. */
  readonly school?: FingeringSchool;
  /** The player's hand; a medium one if left out. */
  readonly hand?: Hand;
}

/**
 * The chord on a degree of a scale: its stack (of other scales the first that can be spelled), or the kind asked for.
 * @example chordOn(dorian, '1', { size: 4 }) // 'Dm7'
 * @example chordOn(dorian, '4') // 'G7'
 */
export function chordOn(ref: ScaleRef, degree: DegreeName, o: { readonly size?: StackSize; readonly kind?: string } = {}): string {
  checkDegree(degree);
  if (!degreesOf(ref.scale).includes(degree)) fail('NOT_IN_SCALE', 'degree', `degree: ${degree} is not in this scale, which has ${degreesOf(ref.scale).join(' ')}.`); // prettier-ignore
  if (o.kind !== undefined) return rootOn(ref, degree) + o.kind;
  const chord = modeChords(ref, o.size ?? 4).chords.find((c) => c.degree === degree);
  return chord?.symbol ?? fail('BAD_OPTION', 'degree', `degree: no chord of ${o.size ?? 4} notes stands on ${degree} of this scale. Take another degree or size.`); // prettier-ignore
}

/**
 * The tones of a chord inside a shape of a scale, as a shape of its own, with the chord's degrees and roots and fingers by the one
 * search. Throws NO_SHAPE_FITS where the shape holds none of them.
 */
export function arpeggioIn(
  i: Instrument,
  symbol: string,
  within: Shape,
  o: { readonly school?: FingeringSchool; readonly hand?: Hand } = {},
): Shape {
  const sounds = new Set(chordSounds(symbol));
  const places = within.notes.filter((n) => sounds.has(n.midi % 12)).map(({ string, fret }) => ({ string, fret }));
  if (!places.length) return fail('NO_SHAPE_FITS', 'degree', `${within.label} holds no tone of ${symbol}.`);
  const shapes = layOut(i, chordScale(symbol), { kind: 'places', places }, o);
  const shape = shapes.find((s) => s.lowFret === Math.min(...places.map((p) => p.fret))) ?? shapes[0];
  return { ...shape!, label: `${symbol} in ${within.label}`, number: within.number };
}

/**
 * The arpeggio on a degree of a scale inside a rung of a layout; or, with `perString`, so many notes a string beginning nearest to
 * that rung. Degrees and roots are the chord's. Throws BAD_OPTION for a rung that the layout has not, and what layOut throws.
 * @example arpeggio(six, dorian, '1', boxes).notes.length // 9
 */
export function arpeggio(i: Instrument, ref: ScaleRef, degree: DegreeName, layout: Layout, o: ArpeggioOptions = {}): Shape {
  const rungs = layOut(i, ref, layout, o);
  const rung = rungs[o.rung ?? 0];
  if (!rung) return fail('BAD_OPTION', 'rung', `rung: this layout has ${rungs.length} rungs, numbered from 0.`);
  const symbol = chordOn(ref, degree, o);
  if (o.perString === undefined) return arpeggioIn(i, symbol, rung, o);
  const shapes = layOut(i, chordScale(symbol), { kind: 'per-string', notes: o.perString }, o);
  const far = (s: Shape): number => Math.abs(s.lowFret - rung.lowFret);
  const shape = [...shapes].sort((a, b) => far(a) - far(b))[0]!;
  return { ...shape, label: `${symbol}, ${o.perString} a string` };
}

/** Strings that one stroke crosses to be called a sweep. */
const SWEPT = 3;

/**
 * Runs of a shape's notes that one stroke can sweep: each on the string next to the one before, always on the same side; as indices into its notes.
 * @example sweepsIn(box) // []
 */
export function sweepsIn(shape: Shape): { readonly from: number; readonly to: number }[] {
  const sweeps: { readonly from: number; readonly to: number }[] = [];
  const step = (k: number): number => (shape.notes[k] ? shape.notes[k].string - shape.notes[k - 1]!.string : 0);
  let from = 0;
  for (let k = 1; k <= shape.notes.length; k++) {
    const goesOn = Math.abs(step(k)) === 1 && (k === from + 1 || step(k) === step(k - 1));
    if (goesOn) continue;
    if (k - from >= SWEPT) sweeps.push({ from, to: k - 1 });
    from = step(k) !== 0 && Math.abs(step(k)) === 1 ? k - 1 : k;
  }
  return sweeps;
}

/**
 * The place on the neck nearest to a fret that sounds a degree of a chord.
 * @example nearestTone(six, 'C', '3', 5) // { string: 2, fret: 5 }
 */
export function nearestTone(
  i: Instrument,
  symbol: string,
  degree: DegreeName,
  near: number,
): { readonly string: number; readonly fret: number } | null {
  const { tonic, scale } = chordScale(symbol);
  const at = (scale as DegreeName[]).indexOf(degree);
  if (at < 0) return null;
  const name: NoteName = rootOn({ tonic, scale }, degree);
  const chroma = chromaOf(name);
  const places = openMidis(i).flatMap((open, k) =>
    Array.from({ length: i.frets + 1 }, (_, fret) => ({ string: k + 1, fret })).filter((p) => p.fret >= (i.capo ?? 0) && mod12(open + p.fret - chroma) === 0),
  ); // prettier-ignore
  return places.sort((a, b) => Math.abs(a.fret - near) - Math.abs(b.fret - near) || a.string - b.string)[0] ?? null;
}
