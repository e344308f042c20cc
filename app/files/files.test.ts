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
import { readFiles, type Incoming } from './read-files';

const body = DEMO.studies[0].body;
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
  notes: lick.notes,
  tempo: 92,
  meter: [4, 4],
  school: 'finger-per-fret',
});
const tab = writeTab({ name: 'Latch', instrument, notes: lick.notes, tempo: 92, meter: [4, 4] });
const midi = writeMidiFile({ name: 'Latch', instrument, notes: lick.notes, tempo: 92, meter: [4, 4], channelPerString: true });

describe('files brought in', () => {
  it.each<[string, Uint8Array]>([
    ['latch.txt', bytes(tab)],
    ['latch.musicxml', bytes(score)],
    ['latch.mxl', packMxl(score)],
    ['latch.mid', midi],
  ])('%s is the lick again, on the study’s neck', (name, b) => {
    const [item] = read([name, b]);
    if (item.kind !== 'licks') throw new Error(JSON.stringify(item));
    expect(item.licks).toHaveLength(1);
    expect(item.licks[0]).toMatchObject({ name: 'Latch', tempo: 92, meter: [4, 4], instrument: null });
    expect(item.licks[0].notes.map((n) => n.place)).toEqual(lick.notes.map((n) => n.place));
    expect(lickTicks(item.licks[0].notes)).toBe(lickTicks(lick.notes));
    expect(item.remarks.length).toBeGreaterThan(0);
  });
  it('is told by what is in it, not by its name', () => {
    expect(read(['wrong.txt', midi])[0].kind).toBe('licks');
    expect(read(['wrong.mid', bytes(tab)])[0].kind).toBe('licks');
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
    const seven = DEMO.instruments[1].body;
    const items = read(['s.scl', bytes(writeScl(seven))], ['s.kbm', bytes(writeKbm(seven))]);
    expect(items).toHaveLength(1);
    expect(items[0]).toMatchObject({ kind: 'instrument', instrument: { strings: seven.strings.map((s) => ({ open: s.open })) } });
  });
  it('a line of other strings keeps its own neck', () => {
    const seven = DEMO.studies[1].body;
    const [item] = read([
      'rails.txt',
      bytes(writeTab({ name: 'Rails', instrument: seven.instrument, notes: seven.licks[0].notes, tempo: 132, meter: [4, 4] })),
    ]);
    expect(item.kind === 'licks' && item.licks[0].instrument?.strings).toHaveLength(7);
  });
  it('a long line is cut at barlines into licks that fit', () => {
    const notes = Array.from({ length: 900 }, (_, k): LickNote => ({ place: { string: 1 + (k % 6), fret: k % 20 }, ticks: 240 }));
    const [item] = read(['long.txt', bytes(writeTab({ name: 'Long', instrument, notes, tempo: 100, meter: [4, 4] }))]);
    if (item.kind !== 'licks') throw new Error(JSON.stringify(item));
    expect(item.licks.map((l) => l.notes.length).reduce((a, b) => a + b)).toBe(900);
    expect(item.licks.every((l) => l.notes.length <= 400)).toBe(true);
    expect(item.licks[0].name).toBe('Long, bars 1 to 45');
    expect(item.licks.slice(0, -1).every((l) => lickTicks(l.notes) % 1920 === 0)).toBe(true);
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
    expect(item.kind === 'refused' && item.why).toContain(words);
  });
  it('a study without room says so', () => {
    const [item] = [...readFiles({ files: [{ name: 't.txt', bytes: bytes(tab) }], into: { ...into, room: 0 } })];
    expect(item.kind === 'refused' && item.why).toContain('room for 0');
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
