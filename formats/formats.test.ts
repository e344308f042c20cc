import fc from 'fast-check';
import { usualInstrument, guitar } from '../tests/support/random';
import { layOut, openMidis } from '../core';
import { FormatError } from './errors';
import { readInstrument, writeInstrument } from './instrument-json';
import { neckText } from './neck-text';
import { instrumentFromScala, openFromScala, readKbm, readScl, writeKbm, writeScl } from './scala';

describe('Scala files', () => {
  it('write the open strings in cents above the thickest (worked by hand from the published description of the format)', () => {
    expect(writeScl(guitar())).toBe('! guitar.scl\n!\nguitar\n 5\n!\n 500.0\n 1000.0\n 1500.0\n 1900.0\n 2400.0\n');
    expect(readKbm(writeKbm(guitar()))).toEqual({ middle: 40, offCents: expect.closeTo(0, 3) as number });
    expect(instrumentFromScala(writeScl(guitar()), 40, guitar())).toMatchObject({
      name: 'guitar',
      strings: guitar().strings.map((s) => ({ open: s.open })),
    });
    expect(instrumentFromScala('Open strings of Lantern six, above E2\n 0', 40, guitar()).name).toBe('Lantern six'); // as ours were written until 2026
  });
  it('a ratio of 400 digits is a ratio, however it is written', () => {
    const zeros = '0'.repeat(399);
    expect(readScl(`x\n 2\n 2${zeros}/1${zeros}\n 00${'4'}/1\n`).semitones).toEqual([12, 24]);
    expect(() => readScl(`x\n 1\n 4${zeros}/3${zeros}\n`)).toThrow('line 3: 498.04 cents'); // the pure fourth of Pythagoras
    for (const [bad, why] of [
      [`0/1${zeros}`, 'is not above zero'],
      [`1/0`, 'is not above zero'],
      [`2${zeros}/1`, 'beyond ten octaves'],
      ['9'.repeat(3000), '3000 digits'],
      ['1200000.', 'beyond ten octaves'],
    ])
      // prettier-ignore
      expect(() => readScl(`x\n 1\n ${bad}\n`)).toThrow(why);
  });
  it('a reference that is not A4 = 440 Hz is told', () => {
    const kbm = writeKbm(guitar()).replace('440.000000', '432.000000');
    expect(readKbm(kbm).offCents).toBeCloseTo(-31.77, 1); // 1200 log2(432/440)
  });
  it('come back as the same strings', () => {
    fc.assert(
      fc.property(usualInstrument, (i) => {
        const open = openFromScala(readScl(writeScl(i)).semitones, readKbm(writeKbm(i)).middle);
        expect(openMidis({ ...i, strings: open.map((o) => ({ open: o })) })).toEqual(openMidis(i));
      }),
    );
  });
  it('read ratios, comments, remarks behind a pitch, and either line ending', () => {
    expect(readScl('! x\r\nname\r\n 3 notes\r\n! c\r\n 2/1 octave\r\n500. fourth\r\n2\r\n')).toEqual({
      description: 'name',
      semitones: [12, 5, 12],
    });
  });
  it.each([
    ['', 'an .scl file has'],
    ['name\nmany\n', 'line 2: expected the number'],
    ['name\n3\n100.0\n', 'line 2: 3 pitches are promised, 1 are there'],
    ['name\n1\n702.0\n', 'line 3: 702.00 cents lie between two frets'],
    ['name\n1\n3/2\n', 'line 3: 701.96 cents'],
    ['name\n1\nx\n', 'line 3: expected cents'],
    ['name\n1\n-3/2\n', 'line 3: the ratio'],
  ])('refuse %j, saying where', (file, words) => {
    expect(() => readScl(file)).toThrow(words);
  });
  it('refuse too many strings, and a mapping that is none', () => {
    expect(() =>
      openFromScala(
        Array.from({ length: 12 }, () => 5),
        40,
      ),
    ).toThrow('13 strings');
    expect(() => openFromScala([120], 40)).toThrow('MIDI note 160');
    expect(() => readKbm('0\n0\n127\nx\n69\n440\n0\n')).toThrow('MIDI note from 0 to 127');
  });
  it('never do anything but return or refuse, whatever the bytes', () => {
    for (const read of [readScl, readKbm, readInstrument])
      fc.assert(
        fc.property(
          fc.oneof(fc.string({ maxLength: 300 }), fc.string({ unit: fc.constantFrom('!', '\n', '1', '/', '.', ' ', '-', '9', '{', '"') })),
          (text) => {
            try {
              read(text);
            } catch (e) {
              expect(e).toBeInstanceOf(FormatError);
            }
          },
        ),
        { numRuns: 300 },
      );
  });
});

describe('instruments as JSON', () => {
  it('come back the same', () => {
    fc.assert(fc.property(usualInstrument, (i) => expect(readInstrument(writeInstrument(i))).toEqual(i)));
  });
  it.each([
    ['{"kind":"crow-ladder instrument","x":1}', 'does not say its version'],
    ['{', 'not whole JSON'],
    ['[]', 'not an instrument'],
    ['{"kind":"crow-ladder instrument","version":9}', 'version 9'],
    [
      '{"kind":"crow-ladder instrument","version":1,"instrument":{"strings":[{"open":"H1"}],"frets":22,"scaleLengthMm":648}}',
      'string 1: H1 is not a pitch',
    ],
  ])('are refused: %s', (text, words) => {
    expect(() => readInstrument(text)).toThrow(words);
  });
});

describe('a neck as text', () => {
  it('lines up, strings from the thinnest, roots in brackets', () => {
    const [box] = layOut(guitar(), { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'box' }).filter((s) => s.number === 1);
    expect(neckText(guitar(), box!)).toBe(
      [
        'box 1, frets 5 to 8',
        'E -----|-(1)-|-----|-----|--♭3-|-----|',
        'B -----|--5--|-----|-----|--♭7-|-----|',
        'G -----|--♭3-|-----|--4--|-----|-----|',
        'D -----|--♭7-|-----|-(1)-|-----|-----|',
        'A -----|--4--|-----|--5--|-----|-----|',
        'E -----|-(1)-|-----|-----|--♭3-|-----|',
        '    4     5     6     7     8     9',
        '',
      ].join('\n'),
    );
  });
  it('runs from the right for a left-handed player', () => {
    const [box] = layOut(guitar(), { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'box' }).filter((s) => s.number === 1);
    const rows = neckText({ ...guitar(), handedness: 'left' }, box!).split('\n');
    expect(rows[1]).toBe('|-----|--♭3-|-----|-----|-(1)-|----- E');
    expect(rows[7]!.trim().split(/\s+/)).toEqual(['9', '8', '7', '6', '5', '4']);
  });
});
