import { readFileSync } from 'node:fs';
import { layOut, type Instrument, type Layout } from '../../core';

/** Common practice of the trade, no published source. */
interface Fact {
  what: string;
  tuning: string[];
  tonic: string;
  scale: string;
  layout: Layout;
  indexFret?: number;
  number?: number;
  cells: { string: number; frets: number[] }[];
  fingers?: number[][] | null;
}
const { shapes } = JSON.parse(readFileSync(new URL('./shapes.json', import.meta.url), 'utf8')) as { shapes: Fact[] };
const instrument = (tuning: string[]): Instrument => ({
  name: 'guitar',
  strings: tuning.map((open) => ({ open })),
  frets: 24,
  scaleLengthMm: 648,
});

describe('shapes that players agree on', () => {
  it.each(shapes)('lays out $tonic $scale: $what', (fact) => {
    const all = layOut(instrument(fact.tuning), { tonic: fact.tonic, scale: fact.scale }, fact.layout);
    const found = all.find((s) => JSON.stringify(s.cells.map(({ string, frets }) => ({ string, frets }))) === JSON.stringify(fact.cells));
    expect(found?.cells.map(({ string, frets }) => ({ string, frets }))).toEqual(fact.cells);
    if (fact.number !== undefined) expect(found?.number).toBe(fact.number);
    if (fact.indexFret !== undefined) expect(found?.handFret).toBe(fact.indexFret);
    if (fact.fingers) expect(found?.cells.map((c) => c.fingers)).toEqual(fact.fingers);
  });
});
