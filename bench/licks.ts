import { writeBundle, type Lick } from '../contract';
import { copiesOf, parseTuning, type Instrument, type LickNote } from '../core';
import { readMusicXml } from '../formats/musicxml/read';
import { writeMusicXml } from '../formats/musicxml/write';
import { readTab } from '../formats/tab/read';
import { writeTab } from '../formats/tab/write';
import { readMidiFile } from '../formats/midi/read';
import { writeMidiFile } from '../formats/midi/write';
import { readAbc } from '../formats/abc/read';
import { writeAbc } from '../formats/abc/write';
import { readFiles } from '../app/files/read-files';
import { DEMO } from '../demo';
import { LARGE } from '../tests/fuzz/large';
import { asFile } from '../tests/fuzz/readers';
import { printTable, row, time } from './table';

const instrument = (low: string): Instrument => ({
  name: 'bench',
  strings: parseTuning(low).map((open) => ({ open })),
  frets: 24,
  scaleLengthMm: 648,
});
const SIX = instrument('E2 A2 D3 G3 B3 E4');
const EIGHT = instrument('F#1 B1 E2 A2 D3 G3 B3 E4');
const STEPS = [0, 2, 3, 5, 7, 5, 3, 7, 8, 10, 8, 7, 5, 3, 2, 3];
const pitches = (count: number): number[] => Array.from({ length: count }, (_, k) => 54 + STEPS[k % STEPS.length]!);

const copies = (i: Instrument): (string | number)[] => {
  const line = pitches(32);
  const found = copiesOf(i, line, { school: 'finger-per-fret' }).length;
  return row(
    `32 notes, ${i.strings.length} strings, 3 octaves`,
    time(10, () => copiesOf(i, line, { school: 'finger-per-fret' })),
    found,
  );
};
printTable('Every copy of a lick', ['line', 'p50 ms', 'p95 ms', 'copies'], [copies(SIX), copies(EIGHT)]);

/** 2,000 bars of eighth notes. */
const long = Array.from({ length: 16_000 }, (_, k): LickNote => ({ place: { string: 1 + (k % 6), fret: (k * 7) % 20 }, ticks: 240 }));
const score = writeMusicXml({
  name: 'Long',
  instrument: SIX,
  scale: { tonic: 'F#', scale: 'dorian' },
  notes: long,
  tempo: 120,
  meter: [4, 4],
  school: 'finger-per-fret',
});
const bare = score.replace(/<(string|fret)>\d+<\/\1>/g, '').replace(/<technical>\s*<\/technical>/g, '');
const tab = writeTab({ name: 'Long', instrument: SIX, notes: long, tempo: 120, meter: [4, 4] });
const midi = writeMidiFile({ name: 'Long', instrument: SIX, notes: long, tempo: 120, meter: [4, 4] });
const abc = writeAbc({ name: 'Long', instrument: SIX, scale: { tonic: 'F#', scale: 'dorian' }, notes: long, tempo: 120, meter: [4, 4] });
const kB = (n: number): string => `${Math.round(n / 1000)} kB`;
const into = { instrument: SIX, tempo: 90, school: 'finger-per-fret' as const, hand: { size: 'medium' as const }, room: 200 };
const whole = (name: string, bytes: Uint8Array): void => {
  for (const item of readFiles({ files: [{ name, bytes }], into })) if (item.kind === 'refused') throw new Error(item.why);
};
const encoded = (text: string): Uint8Array => new TextEncoder().encode(text);
printTable('Reading 2,000 bars (16,000 notes)', ['file', 'p50 ms', 'p95 ms', 'size'], [
  row('MusicXML, parsed', time(3, () => readMusicXml(score)), kB(score.length)),
  row('MusicXML, to licks on the neck', time(3, () => whole('l.musicxml', encoded(score))), kB(score.length)),
  row('MusicXML without strings and frets, places found', time(2, () => whole('l.musicxml', encoded(bare))), kB(bare.length)),
  row('tab as text', time(5, () => readTab(tab, SIX)), kB(tab.length)),
  row('ABC', time(5, () => readAbc(abc)), kB(abc.length)),
  row('MIDI', time(5, () => readMidiFile(midi)), kB(midi.length)),
]); // prettier-ignore

const [study] = DEMO.studies;
const lick = (k: number): Lick => ({ ...study!.body.licks[0]!, id: `l${k}`, name: `Lick ${k}` });
const bundle = writeBundle({
  studies: Array.from({ length: 5 }, (_, s) => ({
    id: `s${s}`,
    body: { ...study!.body, licks: Array.from({ length: 200 }, (_, k) => lick(s * 200 + k)) },
  })),
  instruments: [],
});
printTable('Reading 1,000 licks as JSON, every field checked', ['file', 'p50 ms', 'p95 ms', 'size'], [
  row('five studies of 200 licks', time(5, () => whole('n.json', encoded(bundle))), kB(bundle.length)),
]); // prettier-ignore

/** Once each: as a file dropped on the window, places and saving's own check included. */
printTable('Files of 20 MB that once took minutes or all memory (read, or refused with a sentence)', ['file', 'ms', 'answer'], LARGE.map(([what, name, make]) => {
  const bytes = make();
  const before = performance.now();
  const why = asFile(name)(bytes);
  return [what, Math.round(performance.now() - before), why ? why.slice(0, 90) : 'read'];
})); // prettier-ignore
