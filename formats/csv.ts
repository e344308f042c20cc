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

/** A pass of the log, as far as a table tells of it. */
interface LoggedPass {
  readonly seq: number;
  readonly id: string;
  readonly at: number;
  readonly day: string;
  readonly studyName: string;
  readonly what: string;
  readonly shape: string;
  readonly order: string;
  readonly rhythm: string;
  readonly tempo: number;
  readonly goal: number | null;
  readonly verdict: string;
  readonly reached: boolean;
  readonly seconds: number;
  readonly by: string;
}

/** What a row of the log tells: in the order in which passes were kept; `at` in UTC by ISO 8601, `tempo` in beats a minute. */
export const PASS_COLUMNS = ['seq', 'day', 'at', 'study', 'what', 'shape', 'order', 'rhythm', 'tempo', 'goal', 'verdict', 'goal held', 'seconds', 'rated by', 'id'] as const; // prettier-ignore

/** The log as comma-separated values (RFC 4180): a header, then a row for every pass. */
export function passesCsv(passes: readonly LoggedPass[]): string {
  const data = passes.map((p) => [
    p.seq, p.day, new Date(p.at).toISOString(), p.studyName, p.what, p.shape, p.order, p.rhythm, p.tempo, p.goal ?? '', p.verdict, p.reached ? 'yes' : 'no', Math.round(p.seconds * 10) / 10, p.by, p.id,
  ]); // prettier-ignore
  return `${Papa.unparse({ fields: [...PASS_COLUMNS], data }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}
