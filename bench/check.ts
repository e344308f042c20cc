import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { gripsOf, layOut, parseTuning, planRoute, scalesForChord, type Instrument, type LickNote } from '../core';
import { readAbc } from '../formats/abc/read';
import { writeAbc } from '../formats/abc/write';
import { readMusicXml } from '../formats/musicxml/read';
import { writeMusicXml } from '../formats/musicxml/write';
import { percentile, printTable } from './table';

/** Where the ratios of the last run that was kept stand. */
const KEPT = 'bench/ratios.json';
/** A loss of more than this share is a failure. */
const LOSS = 0.25;
const ROUNDS = 9;

const six: Instrument = { name: 'bench', strings: parseTuning('E A D G B E').map((open) => ({ open })), frets: 22, scaleLengthMm: 648 };
const notes = Array.from({ length: 800 }, (_, k): LickNote => ({ place: { string: 1 + (k % 6), fret: (k * 7) % 20 }, ticks: 240 }));
const line = {
  name: 'Long',
  instrument: six,
  scale: { tonic: 'F#', scale: 'dorian' },
  notes,
  tempo: 120,
  meter: [4, 4] as [number, number],
};
const xml = writeMusicXml({ ...line, school: 'finger-per-fret' });
const abc = writeAbc(line);
const pitches = Array.from({ length: 120 }, (_, k) => 54 + [0, 2, 3, 5, 7, 5, 3, 7, 8, 10, 8, 7, 5, 3, 2, 3][k % 16]!);
const TONICS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const lay = (kind: 'window' | 'box') => (): unknown => TONICS.map((tonic) => layOut(six, { tonic, scale: 'dorian' }, { kind }).length);

const WORK: Readonly<Record<string, () => unknown>> = {
  'windows of a scale, twelve tonics': lay('window'),
  'boxes of a scale, twelve tonics': lay('box'),
  'three notes a string, twelve tonics': () => TONICS.map((tonic) => layOut(six, { tonic, scale: 'dorian' }, { kind: 'per-string', notes: 3 }).length),
  'the best route of 120 notes': () => planRoute(six, line.scale, { pitches, school: 'finger-per-fret', count: 1 }),
  'five routes of 120 notes': () => planRoute(six, line.scale, { pitches, school: 'finger-per-fret', count: 5 }),
  'every grip of a dominant seventh': () => gripsOf(six, 'G7'),
  'scales for a chord': () => scalesForChord('Dm7'),
  'MusicXML of 100 bars': () => readMusicXml(xml),
  'ABC of 100 bars': () => readAbc(abc),
}; // prettier-ignore

/** The unit: sums in typed arrays, sorting, maps and text, as the work itself is made of. Nothing of ours is in it. */
function unit(): number {
  const a = new Float64Array(20_000);
  let sum = 0;
  for (let n = 0; n < 40; n++) for (let k = 0; k < a.length; k++) sum += a[k] = (a[k]! + k * 1.7 + n) % 911;
  const map = new Map<string, number>();
  for (let k = 0; k < 20_000; k++) map.set(`${k % 997}/${k % 13}`, k);
  const list = Array.from({ length: 20_000 }, (_, k) => ({ k, v: (k * 7919) % 10_007 })).sort((x, y) => x.v - y.v || x.k - y.k);
  return sum + map.size + (JSON.parse(JSON.stringify(list.slice(0, 4000))) as unknown[]).length;
}

const took = (work: () => unknown): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};

/** How many units a piece of work takes: the middle of several rounds, each beside a unit of its own. */
function unitsOf(work: () => unknown): number {
  took(work);
  const pairs = Array.from({ length: ROUNDS }, () => {
    const before = took(unit);
    const own = took(work);
    return own / ((before + took(unit)) / 2);
  });
  return percentile(pairs, 0.5);
}

for (let k = 0; k < 5; k++) unit();
const now = Object.fromEntries(Object.entries(WORK).map(([name, work]) => [name, Number(unitsOf(work).toPrecision(3))]));
const kept = existsSync(KEPT) ? (JSON.parse(readFileSync(KEPT, 'utf8')) as Record<string, number>) : {};
const lost: string[] = [];
const rows = Object.entries(now).map(([name, units]) => {
  const was = kept[name];
  // What lies over is measured once more: a busy moment is no loss.
  const again = was !== undefined && units > was * (1 + LOSS) ? Math.min(units, unitsOf(WORK[name]!)) : units;
  if (was !== undefined && again > was * (1 + LOSS)) lost.push(name);
  return [name, was ?? '', again.toPrecision(3), was === undefined ? '' : `${(again / was).toFixed(2)} ×`];
});
printTable('Units of a plain computation in the same run', ['work', 'kept', 'now', 'now to kept'], rows);
if (process.argv.includes('--keep')) writeFileSync(KEPT, `${JSON.stringify(now, null, 2)}\n`);
else if (process.argv.includes('--check') && lost.length) {
  console.error(`\nMore than ${LOSS * 100} % slower than the ratios kept in ${KEPT}: ${lost.join('; ')}.`);
  process.exitCode = 1;
}
