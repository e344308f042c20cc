import { fretNumber, glyphs, nutFret, type Instrument, type Shape, type ShapeNote } from '../../core';
import { beakPath, rectPath, type Item } from './drawing';

export type Ink = 'black' | 'colour';
export type SheetLabels = 'degrees' | 'notes' | 'fingers' | 'frets' | 'blank';

interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  /** Distance of the strings. */
  readonly gap: number;
}

interface Plate {
  readonly fill: string | null;
  readonly stroke: string;
  readonly ink: string;
}

/** In black and white, fill and outline tell the roles: black root, white with a thick rim, white with a thin one. */
const PLATES: Record<Ink, Record<'root' | 'solid' | 'added' | 'passing', Plate>> = {
  black: {
    root: { fill: '#000000', stroke: '#000000', ink: '#ffffff' },
    solid: { fill: '#ffffff', stroke: '#000000', ink: '#000000' },
    added: { fill: '#ffffff', stroke: '#777777', ink: '#000000' },
    passing: { fill: '#ffffff', stroke: '#000000', ink: '#000000' },
  },
  colour: {
    root: { fill: '#c08a2b', stroke: '#7a5511', ink: '#1b1406' },
    solid: { fill: '#ece4d1', stroke: '#16181d', ink: '#16181d' },
    added: { fill: '#ffffff', stroke: '#1f5a63', ink: '#1f5a63' },
    passing: { fill: '#ffffff', stroke: '#a33f27', ink: '#a33f27' },
  },
};

const roleOf = (n: ShapeNote): keyof (typeof PLATES)['black'] =>
  n.role === 'root' ? 'root' : n.role === 'passing' ? 'passing' : n.added ? 'added' : 'solid';

const LABEL: Record<SheetLabels, (n: ShapeNote, i: Instrument) => string> = {
  degrees: (n) => glyphs(n.degree),
  notes: (n) => glyphs(n.name),
  fingers: (n) => String(n.finger ?? ''),
  frets: (n, i) => String(fretNumber(i, n.fret)),
  blank: () => '',
};

const text = (
  x: number,
  y: number,
  size: number,
  words: string,
  o: { readonly bold?: boolean; readonly anchor?: 'start' | 'middle' | 'end'; readonly colour?: string } = {},
): Item => ({
  kind: 'text',
  x,
  y,
  size,
  text: words,
  bold: o.bold ?? false,
  anchor: o.anchor ?? 'start',
  colour: o.colour ?? '#000000',
});

/** What a scale laid over a shape changes there: notes of the shape that it leaves out, and places that it adds. */
export interface Laid {
  readonly leavesOut: (n: ShapeNote) => boolean;
  readonly adds: readonly { readonly string: number; readonly fret: number; readonly label: string }[];
}

/** As it lies under a left hand: mirrored between two edges, words still to be read. */
function mirrored(item: Item, left: number, right: number): Item {
  const over = (x: number): number => left + right - x;
  if (item.kind === 'line') return { ...item, x1: over(item.x1), x2: over(item.x2) };
  if (item.kind === 'shape') return { ...item, x: over(item.x) };
  return { ...item, x: over(item.x), anchor: item.anchor === 'start' ? 'end' : item.anchor === 'end' ? 'start' : 'middle' };
}

/** Height in points of a diagram with its title and fret numbers. */
export const diagramHeight = (strings: number, gap: number): number => 20 + strings * gap + 12;

/** A shape with title, strings, frets around it, fret numbers and fingers beside each string; for a left-handed player from the right. */
export function diagram(i: Instrument, shape: Shape, frame: Frame, labels: SheetLabels, ink: Ink, laid?: Laid): Item[] {
  const left = i.handedness === 'left';
  const nut = nutFret(i);
  const from = shape.lowFret <= nut + 1 ? nut : shape.lowFret - 1;
  const to = Math.min(i.frets, Math.max(shape.highFret, from + 4));
  const start = frame.x + 28; // the name of a string, and an open note beside it
  const end = frame.x + frame.width - 44;
  const slot = (end - start) / (to - from);
  const top = frame.y + 18 + frame.gap / 2;
  const y = (string: number): number => top + (string - 1) * frame.gap;
  const x = (fret: number): number => (fret === from ? start - 9 : start + (fret - from - 0.5) * slot);
  const wires = Array.from({ length: to - from + 1 }, (_, k) => k);
  const bottom = y(i.strings.length);
  const head = [
    text(frame.x, frame.y + 10, 10, glyphs(shape.label), { bold: true }),
    text(frame.x + frame.width, frame.y + 10, 7.5, `${Math.round(shape.widthMm)} mm`, { anchor: 'end', colour: '#555555' }),
  ];
  const board = [
    ...i.strings.map((_, k): Item => ({
      kind: 'line',
      x1: start,
      y1: y(k + 1),
      x2: end,
      y2: y(k + 1),
      width: 0.5 + k * 0.12,
      colour: '#555555',
    })),
    ...wires.map((k): Item => ({
      kind: 'line',
      x1: start + k * slot,
      y1: top,
      x2: start + k * slot,
      y2: bottom,
      width: k === 0 && from === nut ? 2.4 : 0.6,
      colour: k === 0 && from === nut ? '#000000' : '#999999',
    })),
    ...wires.slice(1).map((k) =>
      text(start + (k - 0.5) * slot, bottom + frame.gap / 2 + 8, 7, String(fretNumber(i, from + k)), {
        anchor: 'middle',
        colour: '#555555',
      }),
    ),
    ...i.strings.map((s, k) => text(frame.x, y(k + 1) + 2.6, 7.5, glyphs(s.open.replace(/-?\d$/, '')), { colour: '#555555' })),
    ...shape.cells.map((c) => text(frame.x + frame.width, y(c.string) + 2.6, 7.5, c.fingers.join('-'), { anchor: 'end', bold: true })),
    ...shape.notes.flatMap((n) =>
      plate(n, x(n.fret), y(n.string), Math.min(slot * 0.8, frame.gap * 1.25), frame.gap * 0.84, LABEL[labels](n, i), ink, left),
    ),
    ...(laid ? laidOver(laid, shape, x, y, frame.gap, ink, (fret) => fret >= from && fret <= to) : []),
  ];
  return [...head, ...(left ? board.map((item) => mirrored(item, frame.x, frame.x + frame.width)) : board)];
}

/** A stroke through what the scale laid over leaves out, a diamond where it adds a note. */
function laidOver(
  { leavesOut, adds }: Laid,
  shape: Shape,
  x: (fret: number) => number,
  y: (string: number) => number,
  gap: number,
  ink: Ink,
  inSight: (fret: number) => boolean,
): Item[] {
  const half = gap * 0.42;
  const colour = ink === 'black' ? '#000000' : '#a33f27';
  const strokes = shape.notes.filter(leavesOut).map((n): Item => ({
    kind: 'line',
    x1: x(n.fret) - half,
    y1: y(n.string) + half,
    x2: x(n.fret) + half,
    y2: y(n.string) - half,
    width: 1.4,
    colour,
  }));
  const diamonds = adds
    .filter((p) => inSight(p.fret))
    .flatMap((p): Item[] => [
      {
        kind: 'shape',
        x: x(p.fret),
        y: y(p.string),
        path: `M0 ${-half}L${half} 0L0 ${half}L${-half} 0Z`,
        fill: '#ffffff',
        stroke: colour,
        width: 0.9,
      },
      text(x(p.fret), y(p.string) + half * 0.35, half * 0.95, p.label, { anchor: 'middle', colour }),
    ]);
  return [...strokes, ...diamonds];
}

function plate(n: ShapeNote, x: number, y: number, w: number, h: number, label: string, ink: Ink, left: boolean): Item[] {
  const role = roleOf(n);
  const { fill, stroke, ink: letters } = PLATES[ink][role];
  const width = Math.max(w, h * 1.05);
  const path = role === 'root' ? beakPath(width, h, left) : rectPath(width * 0.9, h, role === 'passing' ? h / 2.2 : 1.5);
  const size = h * (label.length > 2 ? 0.58 : 0.72);
  return [
    { kind: 'shape', x, y, path, fill, stroke, width: role === 'solid' ? 1.3 : 0.8, ...(role === 'passing' ? { dashed: true } : {}) },
    ...(label
      ? [text(x + (role === 'root' ? h * 0.08 : 0), y + size * 0.36, size, label, { anchor: 'middle', bold: true, colour: letters })]
      : []),
  ];
}

export const sheetText = text;
