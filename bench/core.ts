import {
  anchoredLayout,
  CoreError,
  layOut,
  listScales,
  parseTuning,
  pitchName,
  type Instrument,
  type Layout,
  type ScaleRef,
} from '../core';
import { ms, percentile, printTable } from './table';

const FOURTHS = [40, 45, 50, 55, 59, 64];
const OPEN: Record<number, number[]> = { 6: FOURTHS, 7: [35, ...FOURTHS], 12: [25, 30, 35, 40, 45, 50, 55, 59, 64, 69, 74, 79] };
const TONICS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const LAYOUTS: Layout[] = [{ kind: 'window' }, { kind: 'box' }, { kind: 'per-string', notes: 3 }];
const ROUNDS = 12;

const instrument = (strings: number, frets: number): Instrument => ({
  name: 'bench',
  strings: [...OPEN[strings]!].reverse().map((m) => ({ open: pitchName(m) })),
  frets,
  scaleLengthMm: 648,
});

/** Milliseconds for one layout with all its rungs, fingers included: one sample a tonic and round. */
function timesOf(i: Instrument, layout: Layout): number[] {
  const scale = (tonic: string): ScaleRef => ({ tonic, scale: 'dorian' });
  for (const tonic of TONICS) layOut(i, scale(tonic), layout);
  return Array.from({ length: ROUNDS }).flatMap(() =>
    TONICS.map((tonic) => {
      const start = performance.now();
      layOut(i, scale(tonic), layout);
      return performance.now() - start;
    }),
  );
}

const rows = LAYOUTS.flatMap((layout) =>
  [6, 7, 12].flatMap((strings) =>
    [24, 36].map((frets) => {
      const times = timesOf(instrument(strings, frets), layout);
      const rungs = layOut(instrument(strings, frets), { tonic: 'C', scale: 'dorian' }, layout).length;
      return [layout.kind, strings, frets, rungs, ms(percentile(times, 0.5)), ms(percentile(times, 0.95))];
    }),
  ),
);
printTable(
  'One layout, all rungs, fingers included (Dorian on 12 tonics)',
  ['layout', 'strings', 'frets', 'rungs', 'p50 ms', 'p95 ms'],
  rows,
);

/** Every layout on every catalogue scale, tonic and five tunings: the whole stack of diagrams, once. */
const EVERY: Layout[] = [
  ...LAYOUTS,
  { kind: 'one-string', string: 1 },
  { kind: 'string-set', strings: [3, 1], counts: [3, 3], start: { string: 3, fret: 5 } },
  { kind: 'diagonal', root: { string: 4, fret: 5 } },
  { kind: 'split' },
  { kind: 'region', fromFret: 0, toFret: 7 },
  { kind: 'anchor', root: { string: 4, fret: 5 }, notes: 3 },
];
const TUNINGS = ['E A D G B E', 'D A D G A D', 'B1 E2 A2 D3 G3 B3 E4', 'E2 A2 D3 G3 C4 F4', 'C2 G2 D3 A3 E4 B4'];

function layAll(layout: Layout): { laid: number; shapes: number; refused: number; ms: number } {
  const total = { laid: 0, shapes: 0, refused: 0, ms: 0 };
  const start = performance.now();
  for (const tuning of TUNINGS) {
    const i: Instrument = { name: tuning, strings: parseTuning(tuning).map((open) => ({ open })), frets: 24, scaleLengthMm: 648 };
    for (const { id } of listScales())
      for (const tonic of TONICS) {
        try {
          total.shapes += layOut(i, { tonic, scale: id }, anchoredLayout(i, { tonic, scale: id }, layout)).length;
          total.laid++;
        } catch (e) {
          if (!(e instanceof CoreError)) throw e;
          total.refused++;
        }
      }
  }
  return { ...total, ms: performance.now() - start };
}

const every = EVERY.map((layout) => {
  const { laid, shapes, refused, ms: time } = layAll(layout);
  return [layout.kind, laid, refused, shapes, Math.round(time), Math.round((laid / time) * 1000)];
});
printTable(
  `All layouts × ${listScales().length} scales × 12 tonics × 5 tunings, 24 frets`,
  ['layout', 'laid out', 'refused with a reason', 'shapes', 'ms', 'layouts a second'],
  every,
);
