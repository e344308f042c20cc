import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Transport } from '../app/sound/engine/transport';
import { drillScore } from '../app/sound/drill-score';
import { render } from '../app/sound/sounds';
import { API, type Pass } from '../contract';
import { drillLine, drillNotes, layOut, rungNotes } from '../core';
import { demoPasses } from '../demo';
import { createApp } from '../server/app';
import { openDatabase } from '../server/database';
import { resetDemo } from '../server/demo';
import { insertPasses } from '../server/passes';
import { ms, percentile, printTable } from './table';

const PASSES = 100_000;
const ROUNDS = 15;

/** Ten years of an evening's passes at five boxes of ten studies. */
function manyPasses(): Pass[] {
  const some = demoPasses(Date.UTC(2026, 10, 1));
  return Array.from({ length: PASSES }, (_, k) => {
    const at = Date.UTC(2016, 10, 1) + Math.floor(k / 27) * 86_400_000 + (k % 27) * 60_000;
    const study = `study-${Math.floor(k / 7) % 10}`;
    const shape = `box/${(k % 5) + 1}`;
    return { ...some[k % some.length]!, id: `p${k}`, at, day: new Date(at).toISOString().slice(0, 10), study, studyName: study, shape };
  });
}

async function log(): Promise<void> {
  const db = await openDatabase(join(mkdtempSync(join(tmpdir(), 'bench-')), 'n.sqlite'));
  await resetDemo(db);
  const app = createApp(db);
  const time = async (path: string): Promise<number[]> => {
    const all: number[] = [];
    for (let k = 0; k < ROUNDS; k++) {
      const start = performance.now();
      await (await app.request(`http://127.0.0.1${path}`, { headers: { host: '127.0.0.1' } })).text();
      all.push(performance.now() - start);
    }
    return all;
  };
  const asked: [string, string][] = [
    ['the log opened', `${API.passes}?limit=50`],
    ['filtered by study and shape', `${API.passes}?limit=50&study=study-3&shape=box/2`],
    ['filtered by verdict and days', `${API.passes}?limit=50&verdict=miss&from=2020-01-01&to=2022-12-31`],
    ['charts of all', `${API.passes}/charts`],
    ['charts of one shape', `${API.passes}/charts?study=study-3&shape=box/2`],
    ['history of three plans', `${API.passes}/history?studies=study-1,study-2,study-3`],
    ['the Notebook’s list', API.studies],
    ['a study opened', `${API.studies}/demo-weathervane`],
  ];
  const empty = new Map<string, number>();
  for (const [name, path] of asked) empty.set(name, percentile(await time(path), 0.5));
  await insertPasses(db, manyPasses());
  const rows: string[][] = [];
  for (const [name, path] of asked) {
    const times = await time(path);
    rows.push([name, ms(empty.get(name) ?? 0), ms(percentile(times, 0.5)), ms(percentile(times, 0.95))]);
  }
  printTable(`A log of ${PASSES.toLocaleString('en')} passes`, ['asked', '76 passes, p50 ms', 'p50 ms', 'p95 ms'], rows);
  await db.destroy();
}

const GUITAR = {
  name: 'guitar',
  strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })),
  frets: 22,
  scaleLengthMm: 648,
};
const MANNER = { rhythm: 'sixteenths', accent: 'beat', articulation: 'alternate', school: 'finger-per-fret' } as const;

function once<T>(work: () => T): [number, T] {
  const start = performance.now();
  const result = work();
  return [performance.now() - start, result];
}

function drills(): void {
  const shapes = layOut(GUITAR, { tonic: 'F#', scale: 'dorian' }, { kind: 'box' });
  const rows: string[][] = [];
  const row = (name: string, make: () => ReturnType<typeof drillNotes>): void => {
    const [a, notes] = once(make);
    const [b] = once(() => drillLine(GUITAR, notes, MANNER));
    rows.push([name, String(notes.length), ms(a), ms(b)]);
  };
  row('from the root', () => drillNotes(shapes[1]!, { order: 'from-root' }));
  row('groups of four', () => drillNotes(shapes[1]!, { order: 'groups', group: 4 }));
  row('all rungs, groups of six', () => rungNotes(shapes, { order: 'groups', group: 6, motion: 'each' }));
  row('jumping about', () => drillNotes(shapes[1]!, { order: 'random', count: 10_000 }));
  printTable('Drills: the notes, then fingers, strokes and lengths', ['drill', 'notes', 'notes ms', 'line ms'], rows);
}

function sound(): void {
  const rate = 48_000;
  const shapes = layOut(GUITAR, { tonic: 'F#', scale: 'dorian' }, { kind: 'box' });
  const notes = drillNotes(shapes[1]!, { order: 'from-root' });
  const line = drillLine(GUITAR, notes, MANNER);
  const heard = {
    sounds: notes,
    ticks: line.ticks,
    loud: line.loud,
    slurred: notes.map(() => false),
    beats: line.beats,
    returns: [0],
    under: [42, 49, 57],
    backing: [],
  };
  const score = drillScore(heard, 'both', 'wood');
  const t = new Transport(rate, { seam: () => undefined, end: () => undefined });
  const names = [...new Set(score.events.map((e) => e.sound))];
  const [rendering] = once(() => names.forEach((n) => t.learn(n, render(n, rate))));
  t.play({ lead: null, score, loop: true, tempo: 200 }, 0, 0);
  const block = new Float32Array(128);
  const seconds = 60;
  const [playing] = once(() => {
    for (let f = 0; f < seconds * rate; f += block.length) {
      block.fill(0);
      t.render(block, f);
    }
  });
  printTable(
    'Sound: sixteenths at 200 with a chord under them',
    ['what', 'ms'],
    [
      [`${names.length} sounds rendered (in a worker, once)`, ms(rendering)],
      ['one second of audio on the audio thread, of 1,000 ms', ms(playing / seconds)],
    ],
  );
}

drills();
sound();
await log();
