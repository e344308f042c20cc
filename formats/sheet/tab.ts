import {
  barTicks,
  fingerLick,
  firstCounted,
  fretNumber,
  fretSign,
  glyphs,
  midiOn,
  nameAgainst,
  noteAt,
  noteValue,
  placeKey,
  scaleTitle,
  scaledNeck,
  spellTuning,
  startsOf,
  widestMm,
  writtenParts,
  type FingeredStep,
  type FingeringSchool,
  type Hand,
  type Instrument,
  type LickNote,
  type NoteType,
  type ScaleRef,
  type Shape,
  type ShapeNote,
} from '../../core';
import { flow, itemsOf, type Block } from './blocks';
import { diagram, diagramHeight, sheetText } from './diagram';
import { pageSize, type Drawing, type Item, type Paper, type Turn } from './drawing';

/** A lick on paper. Plain data, so that it can be handed to a worker. */
export interface TabSheetRequest {
  readonly name: string;
  readonly instrument: Instrument;
  readonly scale: ScaleRef;
  readonly notes: LickNote[];
  readonly tempo: number;
  readonly meter: [number, number];
  readonly school: FingeringSchool;
  readonly hand: Hand;
  readonly paper: Paper;
  readonly turn: Turn;
}

const MARGIN = 42;
const HEAD = 64;
const GAP = 11;
const LABEL = 16;
const COLUMN = 25;
/** Width of a letter on a string at 9 points. */
const SIGN = 5.2;
const BLACK = '#000000';
const GREY = '#555555';

/** Lengths of notes in the music font: heads, stem and flags one after another. */
export const NOTE_SIGNS: Record<NoteType, string> = {
  whole: '𝅝',
  half: '𝅗𝅥',
  quarter: '𝅘𝅥',
  eighth: '𝅘𝅥𝅮',
  '16th': '𝅘𝅥𝅯',
  '32nd': '𝅘𝅥𝅰',
  '64th': '𝅘𝅥𝅱',
};
/** Lengths of rests in the music font. */
export const REST_SIGNS: Record<NoteType, string> = {
  whole: '𝄻',
  half: '𝄼',
  quarter: '𝄽',
  eighth: '𝄾',
  '16th': '𝄿',
  '32nd': '𝅀',
  '64th': '𝅁',
};

/** The sign of a length in the music font; a length of more than one sign shows the longest of them and a plus. */
export function lengthSign(ticks: number, rest = false): string {
  const parts = writtenParts(ticks);
  const [first] = parts;
  if (!first) return '?';
  return `${(rest ? REST_SIGNS : NOTE_SIGNS)[first.type]}${'.'.repeat(first.dots)}${parts.length > 1 ? '+' : ''}`;
}

interface System {
  readonly y: number;
  readonly from: number;
  readonly to: number;
}

const line = (x1: number, y1: number, x2: number, y2: number, width: number, colour = BLACK): Item => ({
  kind: 'line',
  x1,
  y1,
  x2,
  y2,
  width,
  colour,
});

function heading(r: TabSheetRequest, width: number): Item[] {
  const capo = r.instrument.capo ? `, capo at ${r.instrument.capo}${firstCounted(r.instrument) ? ', frets from the capo' : ''}` : '';
  return [
    sheetText(MARGIN, MARGIN + 14, 18, glyphs(r.name), { bold: true }),
    sheetText(width - MARGIN, MARGIN + 14, 9, glyphs(`${spellTuning(r.instrument)}${capo}`), { anchor: 'end', colour: GREY }),
    sheetText(MARGIN, MARGIN + 30, 9, glyphs(`${r.scale.tonic} ${scaleTitle(r.scale.scale)}   ·   ${r.meter.join('/')}   ·   ${r.tempo} quarters a minute`), { colour: GREY }), // prettier-ignore
    sheetText(MARGIN, MARGIN + 43, 9, 'Fingers below: 1 index to 4 little, 0 open. Stop a stretch that hurts.', { colour: GREY }),
    line(MARGIN, MARGIN + 50, width - MARGIN, MARGIN + 50, 0.8),
  ];
}

/** Down: a frame open below; up: a wedge. */
const strokeSign = (stroke: 'down' | 'up', x: number, y: number): Item => ({
  kind: 'shape',
  x,
  y,
  path: stroke === 'down' ? 'M-2.6 2.8V-2.8H2.6V2.8' : 'M-2.4 -2.8L0 2.8L2.4 -2.8',
  fill: null,
  stroke: GREY,
  width: 0.8,
});

function systemItems(r: TabSheetRequest, s: System, steps: (FingeredStep | null)[], bars: boolean[], width: number): Item[] {
  const column = columnOf(r);
  const strings = r.instrument.strings;
  const stringY = (n: number): number => s.y + (n - 1) * GAP;
  const x = (k: number): number => MARGIN + LABEL + (k - s.from + 0.5) * column;
  const bottom = stringY(strings.length);
  const right = Math.min(width - MARGIN, x(s.to - 1) + column / 2);
  const rows = strings.flatMap((string, k): Item[] => [
    line(MARGIN + LABEL - 4, stringY(k + 1), right, stringY(k + 1), 0.5, GREY),
    sheetText(MARGIN + 4, stringY(k + 1) + 2.6, 7.5, glyphs(string.open.replace(/-?\d$/, '')), { anchor: 'middle', colour: GREY }),
  ]);
  const notes = r.notes.slice(s.from, s.to).flatMap((n, offset): Item[] => {
    const k = s.from + offset;
    const bar = bars[k] && offset > 0 ? [line(x(k) - column / 2, stringY(1), x(k) - column / 2, bottom, 0.8)] : [];
    const triplet = noteValue(n.ticks)?.triplet ? [sheetText(x(k) + 6, s.y - 18, 6, '3', { colour: GREY })] : [];
    const muted = n.muted ? [sheetText(x(k), s.y - 26, 5.5, 'PM', { anchor: 'middle', colour: GREY })] : [];
    const length = sheetText(x(k), s.y - 9, 11, lengthSign(n.ticks, !n.place), { anchor: 'middle' });
    if (!n.place) return [...bar, ...triplet, length];
    const text = signOf(r, k);
    const y = stringY(n.place.string);
    const half = 2.6 * text.length + 1;
    const gap: Item = { kind: 'shape', x: x(k), y, path: `M${-half} -4.5H${half}V4.5H${-half}Z`, fill: '#ffffff', stroke: null, width: 0 };
    const step = steps[k];
    const finger = step
      ? [sheetText(x(k), bottom + 13, 8, n.join === 'tap' ? 'T' : String(step.finger), { anchor: 'middle', colour: GREY })]
      : [];
    const stroke = n.stroke ? [strokeSign(n.stroke, x(k) - 8, bottom + 10)] : [];
    return [
      ...bar,
      ...triplet,
      ...muted,
      ...stroke,
      length,
      gap,
      sheetText(x(k), y + 3.2, 9, text, { anchor: 'middle', bold: true }),
      ...finger,
    ];
  });
  return [...rows, line(right, stringY(1), right, bottom, s.to === r.notes.length ? 1.6 : 0.8), ...notes];
}

/** What stands on the string, frets counted as the instrument counts them. */
const signOf = ({ instrument, notes }: TabSheetRequest, k: number): string =>
  fretSign(notes[k]!, notes[k - 1], (f) => fretNumber(instrument, f));

/** Width of a column: the longest sign of the line has room in it. */
const columnOf = (r: TabSheetRequest): number => Math.max(COLUMN, ...r.notes.map((_, k) => SIGN * signOf(r, k).length + 8));

const NECK_GAP = 15;

/** The line's places as one shape, each with the fingers that take it, so that it can be drawn like one. */
function neckShape({ instrument, scale }: TabSheetRequest, steps: (FingeredStep | null)[]): Shape | null {
  const neck = scaledNeck(instrument, scale);
  const played = steps.filter((s) => s !== null);
  if (!played.length) return null;
  const places = [...new Map(played.map((s) => [placeKey(s), s])).values()];
  const notes = places.map(({ string, fret, finger }): ShapeNote => {
    const midi = midiOn(neck.open, { string, fret });
    const known = noteAt(neck, string, fret) ?? {
      string,
      fret,
      midi,
      ...nameAgainst(scale.tonic, midi),
      role: 'outside' as const,
      added: false,
    };
    return { ...known, finger };
  });
  const frets = notes.map((n) => n.fret);
  const [lowFret, highFret] = [Math.min(...frets), Math.max(...frets)];
  const strings = [...new Set(notes.map((n) => n.string))];
  return {
    id: 'line',
    number: 1,
    label: `Frets ${lowFret} to ${highFret}`,
    notes,
    cells: strings.map((string) => ({ string, frets: [], steps: [], fingers: [] })),
    lowFret,
    highFret,
    widthMm: widestMm(instrument, strings, lowFret, highFret),
    roots: [],
    jogs: [],
    stretches: [],
    handFret: played[0]!.handFret,
    hands: [],
  };
}

/** A line on paper: its neck, then its systems, each a block. */
export function tabBlocks(r: TabSheetRequest): Block[] {
  const { width } = pageSize(r.paper, r.turn);
  const fit = Math.max(4, Math.floor((width - 2 * MARGIN - LABEL) / columnOf(r)));
  const height = (r.instrument.strings.length - 1) * GAP + 66;
  const steps = r.notes.length ? fingerLick(r.instrument, r.notes, { school: r.school, hand: r.hand }) : [];
  const perBar = barTicks(r.meter);
  const starts = startsOf(r.notes);
  const bars = starts.map((at, k) => k > 0 && Math.floor(at / perBar) > Math.floor(starts[k - 1]! / perBar));
  const shape = neckShape(r, steps);
  const neck: Block[] = shape ? [{
    height: diagramHeight(r.instrument.strings.length, NECK_GAP) + 14,
    at: (y) => diagram(r.instrument, shape, { x: MARGIN, y, width: width - 2 * MARGIN, gap: NECK_GAP }, 'fingers', 'black'),
  }] : []; // prettier-ignore
  const systems = Array.from({ length: Math.ceil(r.notes.length / fit) }, (_, k): Block => {
    const [from, to] = [k * fit, Math.min(r.notes.length, (k + 1) * fit)];
    return { height, at: (y) => systemItems(r, { y: y + 30, from, to }, steps, bars, width) };
  });
  return [...neck, ...systems];
}

/** The pages of a line: as many blocks as fit, one under the other. */
export function* tabPages(r: TabSheetRequest): Generator<Drawing> {
  const { width, height } = pageSize(r.paper, r.turn);
  const pages = flow(tabBlocks(r), { top: MARGIN + HEAD, bottom: height - MARGIN });
  for (const page of pages.length ? pages : [[]]) yield { width, height, items: [...heading(r, width), ...itemsOf(page)] };
}
