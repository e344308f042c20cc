import { strToU8, zipSync } from 'fflate';
import fc from 'fast-check';
import { anyLick } from '../../tests/support/licks';
import { guitar } from '../../tests/support/random';
import { fingerLick, lickTicks, parseTuning, placeNotes, soundedNotes, type Instrument, type LickNote } from '../../core';
import { FormatError } from '../errors';
import { packMxl, unpackMxl } from './mxl';
import { readMusicXml } from './read';
import { writeMusicXml } from './write';

const SEVEN: Instrument = { ...guitar(24), strings: parseTuning('B1 E2 A2 D3 G3 B3 E4').map((open) => ({ open })) };
const n = (string: number, fret: number, ticks = 240, more: Partial<LickNote> = {}): LickNote => ({
  place: { string, fret },
  ticks,
  ...more,
});
const write = (notes: LickNote[], i = guitar(), meter: [number, number] = [4, 4]): string =>
  writeMusicXml({
    name: 'Cold & Forge',
    instrument: i,
    scale: { tonic: 'C#', scale: 'phrygian dominant' },
    notes,
    tempo: 132,
    meter,
    school: 'finger-per-fret',
  });
const LICK = [
  n(6, 2),
  n(6, 5, 160, { join: 'hammer' }),
  n(6, 2, 160, { join: 'pull' }),
  n(5, 4, 160),
  n(5, 7, 480, { join: 'slide', bend: 2 }),
  { place: null, ticks: 480 },
  n(4, 2, 960, { muted: true }),
];

describe('MusicXML', () => {
  it('writes string, fret, finger, joins, bends, triplets, tuning and meter', () => {
    const text = write(LICK);
    for (const part of [
      '<string>6</string>',
      '<fret>5</fret>',
      '<hammer-on type="start" number="1">H</hammer-on>',
      '<pull-off type="stop" number="1"/>',
      '<slide type="start" line-type="solid"/>',
      '<bend-alter>2</bend-alter>',
      '<tuplet type="start"/>',
      '<actual-notes>3</actual-notes>',
      '<mute>palm</mute>',
      '<work-title>Cold &amp; Forge</work-title>',
      '<staff-tuning line="1">',
      'version="4.0"',
    ])
      expect(text).toContain(part);
  });
  it.each([
    ['six', guitar()],
    ['seven', SEVEN],
    ['six with a capo', { ...guitar(), capo: 2 }],
  ] as const)('any lick on %s strings comes back: places, times, joins, fingers', (_, i) => {
    fc.assert(
      fc.property(anyLick(i), fc.constantFrom<[number, number]>([4, 4], [3, 4], [7, 8]), (notes, meter) => {
        if (notes.every((x) => !x.place)) return;
        const back = readMusicXml(write(notes, i, meter));
        expect(back).toMatchObject({ name: 'Cold & Forge', tempo: 132, meter, capo: i.capo ?? 0 });
        expect(back.open?.map((o) => parseTuning(o)[0])).toHaveLength(i.strings.length);
        const placed = placeNotes(i, back.notes, { school: 'finger-per-fret' });
        const told = (all: LickNote[]) =>
          soundedNotes(i, all).map((s) => [
            s.place,
            s.start,
            s.ticks,
            s.target,
            s.note.join === 'tie' ? undefined : s.note.join,
            !!s.note.muted,
            !!s.note.release,
            s.note.stroke,
          ]);
        expect(told(placed)).toEqual(told(notes));
        const fingers = (all: LickNote[]) => fingerLick(i, all, { school: 'finger-per-fret' }).flatMap((s) => (s ? [s.finger] : []));
        expect(fingers(placed)).toEqual(fingers(notes));
        if (notes[notes.length - 1]!.place) expect(lickTicks(placed)).toBe(lickTicks(notes));
      }),
      { numRuns: 60 },
    );
  });
  it('packs and unpacks', () => {
    expect(readMusicXml(unpackMxl(packMxl(write(LICK)))).notes).toEqual(readMusicXml(write(LICK)).notes);
  });
});

describe('MusicXML from elsewhere', () => {
  const score = (notes: string, more = ''): string =>
    `<?xml version="1.0"?><!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 3.1 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd"><score-partwise><part-list/><part id="P1"><measure number="1"><attributes><divisions>2</divisions>${more}</attributes>${notes}</measure></part></score-partwise>`;
  const note = (step: string, octave: number, more = '', before = ''): string =>
    `<note>${before}<pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>1</duration>${more}</note>`;
  it('without strings and frets: places are found by the best route', () => {
    const read = readMusicXml(score(note('A', 2) + note('B', 2) + note('C', 3)));
    expect(read.notes.map((x) => [x.midi, x.ticks, x.place])).toEqual([[45, 240, undefined], [47, 240, undefined], [48, 240, undefined]]); // prettier-ignore
    expect(read.remarks.join(' ')).toContain('places are found by the best route');
    const placed = placeNotes(guitar(), read.notes, { school: 'finger-per-fret' });
    expect(new Set(placed.map((x) => x.place?.string)).size).toBeLessThanOrEqual(2);
  });
  it('of a chord the highest, other voices and grace notes left out and said', () => {
    const read = readMusicXml(
      score(
        note('C', 3) +
          note('E', 3, '', '<chord/>') +
          note('G', 3, '<voice>2</voice>') +
          '<note><grace/><pitch><step>D</step><octave>3</octave></pitch></note>' +
          note('A', 3),
      ),
    );
    expect(read.notes.map((x) => x.midi)).toEqual([52, null, 57]);
    expect(read.remarks.join(' ')).toMatch(
      /1 note in bar 1 left out: struck together.*1 grace note in bar 1.*not taken: part P1, voice 2 \(1\)/s,
    );
  });
  it('a transposing part sounds where it sounds', () => {
    expect(
      readMusicXml(score(note('E', 4), '<transpose><chromatic>0</chromatic><octave-change>-1</octave-change></transpose>')).notes[0]!.midi,
    ).toBe(52);
  });
});

describe('MusicXML that is refused', () => {
  const bomb = zipSync({ 'score.xml': new Uint8Array(51 * 1024 * 1024) });
  it.each([
    ['', 'line 1: this is not whole XML'],
    ['<score-partwise><part></score-partwise>', 'line 1'],
    ['<html/>', 'begins with <html>'],
    ['<score-timewise/>', 'timewise'],
    ['<score-partwise/>', 'no notes'],
    ['<!DOCTYPE x [<!ENTITY a "b">]><score-partwise/>', 'declares entities'],
    ['<!DOCTYPE x SYSTEM "file:///etc/passwd"><score-partwise/>', 'refers to something outside'],
    ['<score-partwise><xi:include href="x"/></score-partwise>', 'includes another one'],
  ])('%j: %s', (text, words) => {
    expect(() => readMusicXml(text)).toThrow(words);
  });
  it.each<[string, Uint8Array, string]>([
    ['no archive', strToU8('hello'), 'damaged'],
    ['a path outside', zipSync({ '../score.xml': strToU8('<a/>') }), 'outside itself'],
    ['an absolute path', zipSync({ '/etc/score.xml': strToU8('<a/>') }), 'outside itself'],
    ['a bomb', bomb, '50 MB'],
    ['no score', zipSync({ 'a.txt': strToU8('x') }), 'no score'],
  ])('archive: %s', (_, bytes, words) => {
    expect(() => unpackMxl(bytes)).toThrow(words);
  });
  it('whatever the bytes: a line or a clear error', () => {
    const good = write(LICK);
    const packed = packMxl(good);
    const cutText = fc
      .tuple(fc.nat(good.length), fc.nat(40), fc.string({ maxLength: 6 }))
      .map(([at, size, s]) => good.slice(0, at) + s + good.slice(at + size));
    const cutZip = fc.array(fc.tuple(fc.nat(packed.length - 1), fc.nat(255)), { maxLength: 8 }).map((edits) => {
      const bytes = packed.slice();
      for (const [at, value] of edits) bytes[at] = value;
      return bytes;
    });
    const tryTo = (action: () => unknown): void => {
      try {
        action();
      } catch (e) {
        expect(e).toBeInstanceOf(FormatError);
      }
    };
    fc.assert(
      fc.property(fc.oneof(cutText, fc.string()), (text) => tryTo(() => readMusicXml(text))),
      { numRuns: 500 },
    );
    fc.assert(
      fc.property(fc.oneof(cutZip, fc.uint8Array()), (bytes) => tryTo(() => readMusicXml(unpackMxl(bytes)))),
      { numRuns: 300 },
    );
  });
});
