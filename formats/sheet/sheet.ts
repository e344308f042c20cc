import {
  anchoredLayout,
  bestTonic,
  chromaOf,
  glyphs,
  layOut,
  movedKey,
  neckNotes,
  onceEach,
  placeKey,
  scaleNotes,
  scaleSteps,
  scaleTitle,
  spellTuning,
  type FingeringSchool,
  type Hand,
  type Instrument,
  type Layout,
  type ScaleRef,
  type Shape,
} from '../../core';
import { flow, inRows, itemsOf, type Block } from './blocks';
import { diagram, diagramHeight, sheetText, type Ink, type Laid, type SheetLabels } from './diagram';
import { pageSize, type Drawing, type Item, type Paper, type Turn } from './drawing';

/** What goes on paper. Plain data, so that it can be handed to a worker. */
export interface SheetRequest {
  readonly instrument: Instrument;
  readonly scale: ScaleRef;
  readonly layout: Layout;
  /** The layout in words. */
  readonly layoutWords: string;
  readonly school: FingeringSchool | null;
  readonly hand: Hand;
  readonly labels: SheetLabels;
  /** A second scale laid over the first. */
  readonly over: ScaleRef | null;
  /** The chosen shape alone, all rungs, or all rungs in each of the twelve keys. */
  readonly what: 'shape' | 'rungs' | 'keys';
  /** Copies twelve frets away too; else each shape once. */
  readonly copies: boolean;
  /** Id of the chosen shape. */
  readonly shapeId: string;
  /** These shapes in place of those of the layout: arpeggios inside its rungs. */
  readonly given?: Shape[];
  readonly paper: Paper;
  readonly turn: Turn;
  readonly ink: Ink;
}

const MARGIN = 42;
const HEAD = 58;
const SPACE = 14;

/** Layouts that hang on a place move to the nearest one that the key has. */
const shapesFor = (r: SheetRequest, scale: ScaleRef): Shape[] =>
  layOut(r.instrument, scale, anchoredLayout(r.instrument, scale, r.layout), {
    ...(r.school ? { school: r.school } : {}),
    hand: r.hand,
  });

function heading(r: SheetRequest, scale: ScaleRef, width: number): Item[] {
  const notes = scaleNotes(scale);
  const tuning = `${spellTuning(r.instrument)}${r.instrument.capo ? `, capo at ${r.instrument.capo}` : ''}`;
  const formula = [notes.map((n) => n.name).join(' '), notes.map((n) => n.degree).join(' '), scaleSteps(scale.scale).join(' ')].join(
    '   ·   ',
  );
  return [
    sheetText(MARGIN, MARGIN + 14, 18, glyphs(`${scale.tonic} ${scaleTitle(scale.scale)}`), { bold: true }),
    sheetText(width - MARGIN, MARGIN + 14, 9, glyphs(tuning), { anchor: 'end', colour: '#444444' }),
    sheetText(MARGIN, MARGIN + 29, 9, glyphs(formula), { colour: '#444444' }),
    sheetText(
      MARGIN,
      MARGIN + 42,
      9,
      `Laid out as ${r.layoutWords}. Fingers beside the strings: 1 index to 4 little, 0 open. Stop a stretch that hurts.`,
      { colour: '#444444' },
    ),
    ...(r.over ? [sheetText(width - MARGIN, MARGIN + 29, 9, glyphs(`Over it: ${scaleTitle(r.over.scale)}; crossed out: left out, diamond: new`), { anchor: 'end', colour: '#444444' })] : []), // prettier-ignore
    { kind: 'line', x1: MARGIN, y1: MARGIN + 50, x2: width - MARGIN, y2: MARGIN + 50, width: 0.8, colour: '#000000' },
  ];
}

/** The scale laid over, in the key of the page: what it leaves out of a shape, and what it adds between its frets. */
function laidOn(r: SheetRequest, scale: ScaleRef, shape: Shape): Laid | undefined {
  const over = r.over && { ...r.over, tonic: movedKey(r.over, chromaOf(scale.tonic) - chromaOf(r.scale.tonic)).tonic };
  if (!over) return undefined;
  const there = new Map(neckNotes(r.instrument, over).map((n) => [placeKey(n), n]));
  const known = new Set(neckNotes(r.instrument, scale).map(placeKey));
  const near = (fret: number): boolean => fret >= shape.lowFret && fret <= shape.highFret;
  const adds = [...there.values()].filter((n) => near(n.fret) && !known.has(placeKey(n)));
  return {
    leavesOut: (n) => !there.has(placeKey(n)),
    adds: adds.map(({ string, fret, degree }) => ({ string, fret, label: glyphs(degree) })),
  };
}

/** Shapes in rows of one or more columns, each row a block. */
function rowsOf(r: SheetRequest, scale: ScaleRef, shapes: Shape[]): Block[] {
  const { width } = pageSize(r.paper, r.turn);
  const single = shapes.length === 1;
  const columns = single ? 1 : r.turn === 'landscape' ? 3 : 2;
  const gap = single ? 34 : 13;
  const column = (width - 2 * MARGIN - (columns - 1) * SPACE * 1.6) / columns;
  return inRows(shapes, columns).map((row) => ({
    height: diagramHeight(r.instrument.strings.length, gap),
    at: (y) =>
      row.flatMap((s, k) =>
        diagram(r.instrument, s, { x: MARGIN + k * (column + SPACE * 1.6), y, width: column, gap }, r.labels, r.ink, laidOn(r, scale, s)),
      ),
  }));
}

function* pagesFor(r: SheetRequest, scale: ScaleRef, shapes: Shape[]): Generator<Drawing> {
  const { width, height } = pageSize(r.paper, r.turn);
  for (const page of flow(rowsOf(r, scale, shapes), { top: MARGIN + HEAD, bottom: height - MARGIN, gap: SPACE }))
    yield { width, height, items: [...heading(r, scale, width), ...itemsOf(page)] };
}

/** The twelve keys, half steps up from the study's own. */
const keysOf = (scale: ScaleRef): ScaleRef[] =>
  Array.from({ length: 12 }, (_, k) => ({ ...scale, tonic: k === 0 ? scale.tonic : bestTonic(chromaOf(scale.tonic) + k, scale.scale) }));

/** The shapes that a sheet shows in a key. */
function shownIn(r: SheetRequest, scale: ScaleRef): Shape[] {
  if (r.given) return r.given;
  const shapes = shapesFor(r, scale);
  if (r.what === 'shape') return shapes.filter((s) => s.id === r.shapeId).slice(0, 1);
  return r.copies ? shapes : onceEach(r.layout.kind, shapes);
}

/** The pages of a sheet, one after another. Throws what the core throws where the layout does not exist. */
export function* sheetPages(r: SheetRequest): Generator<Drawing> {
  for (const scale of r.what === 'keys' ? keysOf(r.scale) : [r.scale]) yield* pagesFor(r, scale, shownIn(r, scale));
}

/** The rows of a sheet in its own key, for a paper with other things on it. */
export const sheetBlocks = (r: SheetRequest): Block[] => rowsOf(r, r.scale, shownIn(r, r.scale));

/** What a sheet is called, in files and print. */
export const sheetTitle = (r: SheetRequest): string => glyphs(`${r.scale.tonic} ${scaleTitle(r.scale.scale)}, ${r.layoutWords}`);
