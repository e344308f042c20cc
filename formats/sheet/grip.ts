import { firstCounted, fretNumber, glyphs, nutFret, type Instrument, type Place } from '../../core';
import { rectPath, type Item } from './drawing';
import { sheetText } from './diagram';

/** A grip to be drawn: places with their fingers (0 open) and what stands under each string. */
export interface DrawnGrip {
  readonly title: string;
  readonly places: readonly Place[];
  readonly fingers: readonly number[];
  /** One a place; empty: nothing stands there. */
  readonly degrees: readonly string[];
  readonly barre?: { readonly finger: number; readonly fret: number; readonly strings: number[] };
}

/** Colours of a grip: on paper black on white, on the screen those of the page. */
export interface GripInk {
  readonly line: string;
  readonly dot: string;
  readonly finger: string;
  readonly text: string;
}
export const PAPER_INK: GripInk = { line: '#444444', dot: '#000000', finger: '#ffffff', text: '#000000' };

/** Frets that a box shows at least. */
const FEWEST = 4;
const HEAD = 30;
const FOOT = 16;

export interface GripFrame {
  readonly x: number;
  readonly y: number;
  /** Between strings, and between frets. */
  readonly gap: number;
  readonly fret: number;
}

const rowsOf = (i: Instrument, places: readonly Place[]): { readonly from: number; readonly rows: number } => {
  const nut = nutFret(i);
  const stopped = places.map((p) => p.fret).filter((f) => f > nut);
  const low = stopped.length ? Math.min(...stopped) : nut + 1;
  const high = Math.max(low, ...stopped);
  const from = high - nut <= FEWEST ? nut : low - 1;
  return { from, rows: Math.max(FEWEST, high - from) };
};

/** Width and height of a box with its title, its signs over the strings and its degrees below. */
export function gripSize(
  i: Instrument,
  grip: DrawnGrip,
  { gap, fret }: Pick<GripFrame, 'gap' | 'fret'>,
): { readonly width: number; readonly height: number } {
  return { width: gap * (i.strings.length - 1) + 34, height: HEAD + rowsOf(i, grip.places).rows * fret + FOOT };
}

/**
 * A grip as a box: strings upright, the thickest at the left (for a left-handed player at the right), frets across, fingers in their
 * dots, barres as bars, o for an open string, x for one that is damped, the number of the first fret beside it where it is not the nut's.
 */
export function gripItems(i: Instrument, grip: DrawnGrip, frame: GripFrame, ink: GripInk = PAPER_INK): Item[] {
  const count = i.strings.length;
  const nut = nutFret(i);
  const { from, rows } = rowsOf(i, grip.places);
  const left = frame.x + 20;
  const top = frame.y + HEAD;
  const width = frame.gap * (count - 1);
  const x = (string: number): number => left + (i.handedness === 'left' ? string - 1 : count - string) * frame.gap;
  const y = (fret: number): number => top + (fret - from - 0.5) * frame.fret;
  const at = new Map(grip.places.map((p, k) => [p.string, { ...p, finger: grip.fingers[k] ?? 0, degree: grip.degrees[k] ?? '' }]));
  const size = Math.min(frame.gap * 0.84, frame.fret * 0.8);
  const open = from === nut;
  const wires = Array.from({ length: rows + 1 }, (_, k): Item => ({ kind: 'line', x1: left, y1: top + k * frame.fret, x2: left + width, y2: top + k * frame.fret, width: k === 0 && open ? 2.6 : 0.8, colour: ink.line })); // prettier-ignore
  const strings = i.strings.map((_, k): Item => ({ kind: 'line', x1: x(k + 1), y1: top, x2: x(k + 1), y2: top + rows * frame.fret, width: 0.6 + k * 0.14, colour: ink.line })); // prettier-ignore
  const over = i.strings.flatMap((_, k): Item[] => {
    const p = at.get(k + 1);
    if (p && p.fret > nut) return [];
    return [sheetText(x(k + 1), top - 5, size * 0.85, p ? 'o' : 'x', { anchor: 'middle', colour: ink.text })];
  });
  const bar = barreItem(grip, x, y, size, ink.dot);
  const dots = [...at.values()].filter((p) => p.fret > nut).flatMap((p): Item[] => [
    { kind: 'shape', x: x(p.string), y: y(p.fret), path: rectPath(size, size, size * 0.3), fill: ink.dot, stroke: null, width: 0 },
    ...(p.finger ? [sheetText(x(p.string), y(p.fret) + size * 0.27, size * 0.76, String(p.finger), { anchor: 'middle', bold: true, colour: ink.finger })] : []),
  ]); // prettier-ignore
  const under = [...at.values()].filter((p) => p.degree).map((p) => sheetText(x(p.string), top + rows * frame.fret + size * 0.95, size * 0.72, glyphs(p.degree), { anchor: 'middle', colour: ink.text })); // prettier-ignore
  const number = open ? [] : [sheetText(left - 7, y(from + 1) + size * 0.28, size * 0.8, String(fretNumber(i, from + 1)), { anchor: 'end', colour: ink.text })]; // prettier-ignore
  const title = sheetText(left + width / 2, frame.y + 11, 11, glyphs(grip.title), { anchor: 'middle', bold: true, colour: ink.text });
  const capo = open && firstCounted(i) === 0 && nut > 0 ? [sheetText(left - 7, top + 3, size * 0.6, String(nut), { anchor: 'end', colour: ink.text })] : []; // prettier-ignore
  return [title, ...strings, ...wires, ...over, ...bar, ...dots, ...under, ...number, ...capo];
}

/** The finger that lies flat, behind its dots. */
function barreItem({ barre }: DrawnGrip, x: (s: number) => number, y: (f: number) => number, size: number, colour: string): Item[] {
  if (!barre) return [];
  const [a, b] = [x(barre.strings[0]!), x(barre.strings[barre.strings.length - 1]!)];
  const width = Math.abs(b - a) + size * 0.7;
  return [{ kind: 'shape', x: (a + b) / 2, y: y(barre.fret), path: rectPath(width, size * 0.5, size * 0.22), fill: colour, stroke: null, width: 0 }]; // prettier-ignore
}
