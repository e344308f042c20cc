import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO } from '../../demo';
import { writeBundle } from '../../contract';
import { lickTicks, type LickNote } from '../../core';
import { writeInstrument } from '../../formats/instrument-json';
import { writeMidiFile } from '../../formats/midi/write';
import { packMxl } from '../../formats/musicxml/mxl';
import { writeMusicXml } from '../../formats/musicxml/write';
import { writeKbm, writeScl } from '../../formats/scala';
import { writeTab } from '../../formats/tab/write';
import { intoStudy } from '../store/into';
import { decode } from '../../formats/decode';
import { readFiles, readInstrumentFiles, type Incoming, type Wish } from './read-files';

const body = DEMO.studies[0]!.body;
const [lick] = body.licks;
const { instrument } = body;
const into = intoStudy({ ...body, licks: [] });
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const read = (...files: [string, Uint8Array][]): Incoming[] => [
  ...readFiles({ files: files.map(([name, b]) => ({ name, bytes: b })), into }),
];
const score = writeMusicXml({
  name: 'Latch',
  instrument,
  scale: body.scale,
  notes: lick!.notes,
  tempo: 92,
  meter: [4, 4],
  school: 'finger-per-fret',
});
const tab = writeTab({ name: 'Latch', instrument, notes: lick!.notes, tempo: 92, meter: [4, 4] });
const midi = writeMidiFile({ name: 'Latch', instrument, notes: lick!.notes, tempo: 92, meter: [4, 4], channelPerString: true });

describe('files brought in', () => {
  it.each<[string, Uint8Array]>([
    ['latch.txt', bytes(tab)],
    ['latch.musicxml', bytes(score)],
    ['latch.mxl', packMxl(score)],
    ['latch.mid', midi],
  ])('%s is the lick again, on the study’s neck', (name, b) => {
    const [item] = read([name, b]);
    if (item!.kind !== 'licks') throw new Error(JSON.stringify(item));
    expect(item!.licks).toHaveLength(1);
    expect(item!.licks[0]).toMatchObject({ name: 'Latch', tempo: 92, meter: [4, 4], instrument: null });
    expect(item!.licks[0]!.notes.map((n) => n.place)).toEqual(lick!.notes.map((n) => n.place));
    expect(lickTicks(item!.licks[0]!.notes)).toBe(lickTicks(lick!.notes));
    expect(item!.remarks.length).toBeGreaterThan(0);
  });
  it('is told by what is in it, not by its name', () => {
    expect(read(['wrong.txt', midi])[0]!.kind).toBe('licks');
    expect(read(['wrong.mid', bytes(tab)])[0]!.kind).toBe('licks');
  });
  it('notebooks, instruments, and Scala pairs', () => {
    expect(read(['n.json', bytes(writeBundle(DEMO))])[0]).toMatchObject({
      kind: 'notebook',
      bundle: { studies: { length: 4 } },
    });
    expect(read(['i.json', bytes(writeInstrument(instrument))])[0]).toMatchObject({
      kind: 'instrument',
      instrument: { name: 'Lantern six' },
    });
    const seven = DEMO.instruments[1]!.body;
    const items = read(['s.scl', bytes(writeScl(seven))], ['s.kbm', bytes(writeKbm(seven))]);
    expect(items).toHaveLength(1);
    expect(items[0]).toMatchObject({ kind: 'instrument', instrument: { strings: seven.strings.map((s) => ({ open: s.open })) } });
  });
  it('a line of other strings keeps its own neck', () => {
    const seven = DEMO.studies[1]!.body;
    const [item] = read([
      'rails.txt',
      bytes(writeTab({ name: 'Rails', instrument: seven.instrument, notes: seven.licks[0]!.notes, tempo: 132, meter: [4, 4] })),
    ]);
    expect(item!.kind === 'licks' && item!.licks[0]!.instrument?.strings).toHaveLength(7);
  });
  it('a long line is cut at barlines into licks that fit', () => {
    const notes = Array.from({ length: 900 }, (_, k): LickNote => ({ place: { string: 1 + (k % 6), fret: k % 20 }, ticks: 240 }));
    const [item] = read(['long.txt', bytes(writeTab({ name: 'Long', instrument, notes, tempo: 100, meter: [4, 4] }))]);
    if (item!.kind !== 'licks') throw new Error(JSON.stringify(item));
    expect(item!.licks.map((l) => l.notes.length).reduce((a, b) => a + b)).toBe(900);
    expect(item!.licks.every((l) => l.notes.length <= 400)).toBe(true);
    expect(item!.licks[0]!.name).toBe('Long, bars 1 to 45');
    expect(item!.licks.slice(0, -1).every((l) => lickTicks(l.notes) % 1920 === 0)).toBe(true);
  });
  it.each<[string, Uint8Array, string]>([
    ['empty.txt', new Uint8Array(), 'empty'],
    ['words.txt', bytes('nothing here'), 'no tab in this text'],
    ['cut.mid', midi.slice(0, 40), 'promises'],
    ['cut.musicxml', bytes(score.slice(0, 900)), 'not whole XML'],
    ['bad.json', bytes('{"kind":'), 'not whole JSON'],
    ['lone.kbm', bytes(writeKbm(instrument)), 'needs its .scl'],
  ])('%s is refused with a reason', (name, b, words) => {
    const [item] = read([name, b]);
    expect(item).toMatchObject({ kind: 'refused', file: name });
    expect(item!.kind === 'refused' && item!.why).toContain(words);
  });
  it('a study without room says so', () => {
    const [item] = [...readFiles({ files: [{ name: 't.txt', bytes: bytes(tab) }], into: { ...into, room: 0 } })];
    expect(item!.kind === 'refused' && item!.why).toContain('room for 0');
  });
});

describe('what a file is, and what of it can be chosen', () => {
  it.each<[string, string | number[], string]>([
    ['tab.txt', '%PDF-1.7', 'this is a PDF: a tab in a picture cannot be read'],
    ['tab.txt', [0x89, 0x50, 0x4e, 0x47, 13, 10], 'a picture (PNG)'],
    ['a.mid', [0xff, 0xd8, 0xff, 0xe0], 'a picture (JPEG)'],
    ['a.wav', 'RIFF....WAVEfmt ', 'a recording (WAV): it holds no notes'],
    ['a.sqlite', 'SQLite format 3\0', 'a database'],
  ])('%s of %j', (name, begin, words) => {
    const b = typeof begin === 'string' ? bytes(begin) : Uint8Array.from(begin);
    expect(read([name, b])[0]).toMatchObject({ kind: 'refused', why: expect.stringContaining(words) as string });
  });
  it('a text that begins with letters of a picture is a text', () => {
    expect(read(['bm.txt', bytes(`BM is the title\n${tab}`)])[0]!.kind).toBe('licks');
  });
  it('another track is a press away, and is what will be written; beyond the neck it is said before', () => {
    const two = bytes(`X:1\nT:Two\nM:4/4\nL:1/4\nK:C\nV:1\nC D E F\nV:2\nC,,, D,,,\n`);
    const [first] = read(['two.abc', two]);
    if (first!.kind !== 'licks') throw new Error(JSON.stringify(first));
    expect(first!.choices.voices).toEqual([
      { id: '1/1', name: 'voice 1', notes: 4, beyond: 0 },
      { id: '1/2', name: 'voice 2', notes: 2, beyond: 2 },
    ]);
    const again = (wish: Wish): Incoming => [...readFiles({ files: [{ name: 'two.abc', bytes: two }], into, wishes: { 0: wish } })][0]!;
    expect(again({ voice: '1/2' })).toMatchObject({ kind: 'refused', choices: { beyond: 2, asked: { voice: '1/2' } } });
    expect(again({ voice: '1/2', fit: 'inside' })).toMatchObject({ kind: 'refused', why: 'Nothing of it lies on this neck.' });
    expect(again({ voice: '1/2', fit: 'neck' })).toMatchObject({ kind: 'licks', licks: [{ notes: { length: 2 } }] });
  });
  it('only the file that is asked for again is read', () => {
    const files = [{ name: 'a.txt', bytes: bytes(tab) }, { name: 'b.mid', bytes: midi }]; // prettier-ignore
    expect([...readFiles({ files, into, only: 1 })].map((i) => [i.at, i.file])).toEqual([[1, 'b.mid']]);
  });
  it('a tuning without a mapping asks how high it sounds', () => {
    const scl = bytes(writeScl(instrument));
    expect(read(['t.scl', scl])).toEqual([{ file: 't.scl', at: 0, kind: 'asks', asks: 'register' }]);
    const [low] = readFiles({ files: [{ name: 't.scl', bytes: scl }], into, wishes: { 0: { register: 35 } } });
    expect(low).toMatchObject({ kind: 'instrument', register: 35, instrument: { strings: { 5: { open: 'B1' } } } });
    expect(read(['t.scl', bytes('x\n1\n702.\n')])[0]).toMatchObject({ kind: 'refused' });
    const off = bytes(writeKbm(instrument).replace('440.000000', '432.000000'));
    expect(read(['t.scl', scl], ['t.kbm', off])[0]).toMatchObject({ remarks: [expect.stringContaining('frets, scale length, gauges, capo, hand') as string, expect.stringContaining('-32 cents') as string] }); // prettier-ignore
  });
  it.each(['inst-extra-field.json', 'notebook-no-instrument.json', 'capo-neg.musicxml', 'duration-1e8.musicxml'])('%s, which went wrong once, is refused in the preview', (name) => {
    const [item] = read([name, new Uint8Array(readFileSync(join('tests/fixtures/went-wrong', name)))]);
    expect(item).toMatchObject({ kind: 'refused' });
    expect(item!.kind === 'refused' && item!.why).toMatch(/[a-z]{3}.*[.:]/);
  }); // prettier-ignore
  it('a row of mutes that is none, which never ended once, is the title of its tab', () => {
    const [item] = read(['a.txt', new Uint8Array(readFileSync('tests/fixtures/went-wrong/tab-PM-redos.txt'))]);
    expect(item).toMatchObject({ kind: 'licks', licks: [{ name: expect.stringMatching(/^PM  PM .*PM$/) as string }] });
  });
  it('an instrument alone: of JSON, of Scala with its register, never of a lick', () => {
    expect(readInstrumentFiles([{ name: 'i.json', bytes: bytes(writeInstrument(instrument)) }], instrument).kind).toBe('instrument');
    const scl = [{ name: 't.scl', bytes: bytes(writeScl(instrument)) }];
    expect([readInstrumentFiles(scl, instrument).kind, readInstrumentFiles(scl, instrument, 40).kind]).toEqual(['asks', 'instrument']);
    expect(readInstrumentFiles([{ name: 't.txt', bytes: bytes(tab) }], instrument).kind).toBe('refused');
  });
});

describe('encodings', () => {
  it('UTF-8, UTF-16 by its mark, else western with a word', () => {
    expect(decode(bytes('F♯ – x'))).toEqual({ text: 'F♯ – x', remark: null });
    const wide = Uint8Array.from([0xff, 0xfe, 0x46, 0, 0x6f, 0x26]);
    expect(decode(wide).text).toBe('F♯');
    expect(decode(Uint8Array.from([0x46, 0xe9]))).toMatchObject({ text: 'Fé', remark: expect.stringContaining('not UTF-8') as string });
  });
});
