import { layOut, pitchName, type Instrument, type Layout, type ScaleRef } from '../core';
import { ms, percentile, printTable } from './table';

const FOURTHS = [40, 45, 50, 55, 59, 64];
const OPEN: Record<number, number[]> = { 6: FOURTHS, 7: [35, ...FOURTHS], 12: [25, 30, 35, 40, 45, 50, 55, 59, 64, 69, 74, 79] };
const TONICS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const LAYOUTS: Layout[] = [{ kind: 'window' }, { kind: 'box' }, { kind: 'per-string', notes: 3 }];
const ROUNDS = 12;

const instrument = (strings: number, frets: number): Instrument => ({
  name: 'bench',
  strings: [...OPEN[strings]].reverse().map((m) => ({ open: pitchName(m) })),
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
