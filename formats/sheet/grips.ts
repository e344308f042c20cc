import { glyphs, spellTuning, type Instrument } from '../../core';
import { flow, inRows, itemsOf, type Block } from './blocks';
import { sheetText } from './diagram';
import { pageSize, type Drawing, type Item, type Paper, type Turn } from './drawing';
import { gripItems, gripSize, type DrawnGrip } from './grip';

/** Grips on paper. Plain data, so that it can be handed to a worker. */
export interface GripSheetRequest {
  readonly name: string;
  readonly instrument: Instrument;
  readonly grips: DrawnGrip[];
  readonly paper: Paper;
  readonly turn: Turn;
}

const MARGIN = 42;
const HEAD = 58;
const CELL = { gap: 13, fret: 16 };
const SPACE = 18;

/** Grips in rows, each a block. */
export function gripBlocks(r: GripSheetRequest): Block[] {
  const { width } = pageSize(r.paper, r.turn);
  const sizes = r.grips.map((g) => gripSize(r.instrument, g, CELL));
  const wide = Math.max(...sizes.map((s) => s.width), 90) + SPACE;
  const tall = Math.max(...sizes.map((s) => s.height), 0) + SPACE;
  const columns = Math.max(1, Math.floor((width - 2 * MARGIN) / wide));
  return inRows(r.grips, columns).map((row) => ({
    height: tall,
    at: (y) => row.flatMap((g, k) => gripItems(r.instrument, g, { x: MARGIN + k * wide, y, ...CELL })),
  }));
}

/** The pages of grips. */
export function* gripPages(r: GripSheetRequest): Generator<Drawing> {
  const { width, height } = pageSize(r.paper, r.turn);
  for (const page of flow(gripBlocks(r), { top: MARGIN + HEAD, bottom: height - MARGIN }))
    yield { width, height, items: [...heading(r, width), ...itemsOf(page)] };
}

function heading(r: GripSheetRequest, width: number): Item[] {
  const tuning = `${spellTuning(r.instrument)}${r.instrument.capo ? `, capo at ${r.instrument.capo}` : ''}`;
  return [
    sheetText(MARGIN, MARGIN + 14, 18, glyphs(r.name), { bold: true }),
    sheetText(width - MARGIN, MARGIN + 14, 9, glyphs(tuning), { anchor: 'end', colour: '#444444' }),
    sheetText(MARGIN, MARGIN + 32, 9, 'Thickest string at the left; fingers 1 index to 4 little; x damped, o open; degrees below. Stop a stretch that hurts.', { colour: '#444444' }), // prettier-ignore
    { kind: 'line', x1: MARGIN, y1: MARGIN + 44, x2: width - MARGIN, y2: MARGIN + 44, width: 0.8, colour: '#000000' },
  ];
}
