import { gripsOf, leadVoices, modeChords, moveGrip, nameGrip, parseGrip, parseTuning, type Instrument } from '../core';
import { printTable, row, time } from './table';

const instrument = (low: string, frets: number): Instrument => ({
  name: 'bench',
  strings: parseTuning(low).map((open) => ({ open })),
  frets,
  scaleLengthMm: 648,
});
const SIX = instrument('E2 A2 D3 G3 B3 E4', 22);
const EIGHT = instrument('F#1 B1 E2 A2 D3 G3 B3 E4', 24);
const TWELVE = instrument('E2 A2 D3 G3 B3 E4 E2 A2 D3 G3 B3 E4', 12);

const grips = (what: string, i: Instrument, symbol: string, count?: number): (string | number)[] => {
  const o = count === undefined ? {} : { count };
  const found = gripsOf(i, symbol, o).length;
  return row(what, time(12, () => gripsOf(i, symbol, o)), found); // prettier-ignore
};
printTable(
  'Every grip of a chord',
  ['chord', 'p50 ms', 'p95 ms', 'grips'],
  [
    grips('C, six strings', SIX, 'C'),
    grips('G7, six strings', SIX, 'G7'),
    grips('G7, eight strings, 24 frets', EIGHT, 'G7'),
    grips('G7, eight strings, best twelve', EIGHT, 'G7', 12),
    grips('Cmaj7, eight strings, 24 frets', EIGHT, 'Cmaj7'),
    grips('G7, twelve strings, best twelve', TWELVE, 'G7', 12),
  ],
);

const GRIPS = ['x57765', 'x32010', '133211', 'xx0232', 'x02210', '3x443x', 'x7675x', 'xx5454'].map((t) => parseGrip(t, SIX));
printTable('Naming and moving', ['what', 'p50 ms', 'p95 ms', ''], [
  row('eight grips named, all readings', time(50, () => GRIPS.forEach((g) => nameGrip(SIX, g, { home: { tonic: 'D', scale: 'dorian' } }))), ''),
  row('D minor barre: region, strings, inversions', time(10, () => moveGrip(SIX, 'Dm', GRIPS[0]!)), ''),
  row('chords of a mode, ninths', time(200, () => modeChords({ tonic: 'F#', scale: 'dorian' }, 5)), ''),
]); // prettier-ignore

const LOOP = ['Dm7', 'G7', 'Cmaj7', 'A7', 'Em7', 'Fmaj7', 'Bm7b5', 'E7'];
const long = Array.from({ length: 64 }, (_, k) => LOOP[k % LOOP.length]!);
printTable('Voice leading', ['chords', 'p50 ms', 'p95 ms', 'travel mm'], [
  row('4 chords', time(6, () => leadVoices(SIX, LOOP.slice(0, 4))), leadVoices(SIX, LOOP.slice(0, 4))[0]!.travelMm),
  row('64 chords, eight kinds', time(6, () => leadVoices(SIX, long)), leadVoices(SIX, long)[0]!.travelMm),
  row('64 chords, three ways', time(4, () => leadVoices(SIX, long, { count: 3 })), ''),
]); // prettier-ignore
