import Papa from 'papaparse';
import { pitchAt, spellerIn, type Instrument, type ScaleRef, type Shape } from '../core';

/** What a row of the table tells of a note; one row a note, shapes in order up the neck. */
export const SHAPE_COLUMNS = ['shape', 'label', 'string', 'fret', 'finger', 'pitch', 'midi', 'note', 'degree', 'role'] as const;

/** Shapes as comma-separated values (RFC 4180): a header, then a row for every note. Accidentals in ASCII. */
export function shapesCsv(i: Instrument, ref: ScaleRef, shapes: readonly Shape[]): string {
  const spell = spellerIn(ref);
  const rows = shapes.flatMap((s) =>
    s.notes.map((n) => {
      const { midi } = pitchAt(i, n);
      return [s.number, s.label, n.string, n.fret, n.finger ?? '', spell(midi), midi, n.name, n.degree, n.role];
    }),
  );
  return `${Papa.unparse({ fields: [...SHAPE_COLUMNS], data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}
