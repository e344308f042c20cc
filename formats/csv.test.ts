import Papa from 'papaparse';
import { guitar } from '../tests/support/random';
import { layOut } from '../core';
import { SHAPE_COLUMNS, shapesCsv } from './csv';

describe('shapes as a table', () => {
  const ref = { tonic: 'F#', scale: 'dorian' };
  const shapes = layOut(guitar(), ref, { kind: 'box' });
  it('has a row for every note, read back by a reader of the same published form', () => {
    const { data, errors } = Papa.parse<string[]>(shapesCsv(guitar(), ref, shapes), { skipEmptyLines: true });
    expect(errors).toEqual([]);
    expect(data[0]).toEqual([...SHAPE_COLUMNS]);
    expect(data.slice(1)).toHaveLength(shapes.reduce((sum, s) => sum + s.notes.length, 0));
    expect(data[1]).toEqual(['1', 'box 1', '6', '2', '1', 'F#2', '42', 'F#', '1', 'root']);
  });
  it('keeps commas in their field and formulas harmless', () => {
    const odd = [{ ...shapes[0]!, label: '=1, "a"' }];
    const { data } = Papa.parse<string[]>(shapesCsv(guitar(), ref, odd), { skipEmptyLines: true });
    expect(data[1]![1]).toBe('\'=1, "a"');
    expect(data.every((r) => r.length === SHAPE_COLUMNS.length)).toBe(true);
  });
});
