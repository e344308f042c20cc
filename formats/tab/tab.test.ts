import fc from 'fast-check';
import { anyLick } from '../../tests/support/licks';
import { guitar } from '../../tests/support/random';
import { parseTuning, placeNotes, type Instrument, type LickNote } from '../../core';
import { FormatError } from '../errors';
import type { Spacing } from './lengths';
import { readTab } from './read';
import { lengthOf } from './rhythm';
import { writeTab } from './write';

const SEVEN: Instrument = { ...guitar(24), strings: parseTuning('B1 E2 A2 D3 G3 B3 E4').map((open) => ({ open })) };
const n = (string: number, fret: number, ticks = 240, more: Partial<LickNote> = {}): LickNote => ({
  place: { string, fret },
  ticks,
  ...more,
});
const places = (text: string, i = guitar()) => readTab(text, i).notes.map((x) => (x.place ? `${x.place.string}/${x.place.fret}` : '-'));

describe('writing tab', () => {
  it('lines up strings, lengths and bars', () => {
    const notes = [
      n(6, 2),
      n(6, 5, 240, { join: 'hammer' }),
      n(5, 2, 480),
      n(5, 4, 960, { bend: 2 }),
      { place: null, ticks: 480 },
      n(4, 12, 160, { muted: true }),
    ];
    expect(writeTab({ name: 'Weathervane', instrument: guitar(), notes, tempo: 96, meter: [4, 4] })).toBe(
      [
        'Weathervane',
        'Tempo 96, 4/4',
        'Tuning E2 A2 D3 G3 B3 E4',
        '2 bars',
        '',
        '                     PM',
        '   E  E  Q  H     Qr E3',
        'E|--------------|-------|',
        'B|--------------|-------|',
        'G|--------------|-------|',
        'D|--------------|----12-|',
        'A|-------2--4b6-|-------|',
        'E|-2--h5--------|-------|',
        '',
      ].join('\n'),
    );
  });
  it('wraps to the width, every row complete', () => {
    const text = writeTab({
      name: 'Long',
      instrument: guitar(),
      notes: Array.from({ length: 60 }, (_, k) => n((k % 6) + 1, k % 22)),
      tempo: 90,
      meter: [4, 4],
      width: 60,
    });
    for (const line of text.split('\n')) expect(line.length).toBeLessThanOrEqual(60);
    expect(text.split('\n').filter((l) => l.startsWith('B|')).length).toBeGreaterThan(2);
  });
});

describe('there and back', () => {
  it.each([
    ['six', guitar()],
    ['seven', SEVEN],
  ] as const)('any lick on %s strings comes back the same', (_, i) => {
    fc.assert(
      fc.property(
        anyLick(i),
        fc.integer({ min: 40, max: 240 }),
        fc.constantFrom<[number, number]>([4, 4], [3, 4], [7, 8]),
        fc.integer({ min: 40, max: 120 }),
        (notes, tempo, meter, width) => {
          if (notes.every((x) => !x.place)) return;
          const back = readTab(writeTab({ name: 'Any', instrument: i, notes, tempo, meter, width }), guitar());
          expect(back).toMatchObject({ name: 'Any', tempo, meter, open: i.strings.map((s) => s.open) });
          expect(placeNotes(i, back.notes, { school: 'finger-per-fret' })).toEqual(notes);
        },
      ),
    );
  });
  it('lengths as letters', () => {
    expect(['W', 'Q.', 'E3', 'S', 'Q+S', '=77', 'q'].map(lengthOf)).toEqual([1920, 720, 160, 120, 600, 77, 480]);
    expect(['', 'Z', 'E4', '=x'].map(lengthOf)).toEqual([null, null, null, null]);
  });
});

describe('reading other people’s tab', () => {
  it('names at the left, bars, two digits, stray text round it', () => {
    const text = ['Here is the line, have fun', '', 'e|-----------------|--12--|', 'B|-----------------|------|', 'G|-----------------|------|', 'D|---------2--4----|------|', 'A|---2--4----------|------|', 'E|-2---------------|------|', '', 'the end'].join('\n'); // prettier-ignore
    expect(places(text)).toEqual(['6/2', '5/2', '5/4', '4/2', '4/4', '1/12']);
    const read = readTab(text, guitar());
    expect(read.open).toEqual(['E4', 'B3', 'G3', 'D3', 'A2', 'E2']);
    expect(read.remarks.join(' ')).toContain('1 line of other text left out');
    expect(read.remarks.join(' ')).toContain('No lengths stand over the tab');
  });
  it('no names: the instrument at hand, or the usual tuning of so many strings', () => {
    const four = ['-----', '-----', '--2--', '-3---'].join('\n');
    expect(readTab(four, guitar()).open).toEqual(['G2', 'D2', 'A1', 'E1']);
    expect(readTab(four, { ...guitar(), strings: guitar().strings.slice(0, 4) }).open).toEqual(['E4', 'B3', 'G3', 'D3']);
  });
  it('a drop tuning by its letters', () => {
    expect(readTab(['E|-0-', 'B|---', 'G|---', 'D|---', 'A|---', 'D|---'].join('\n').replace(/-(?=\n|$)/g, '--'), guitar()).open).toEqual([
      'E4',
      'B3',
      'G3',
      'D3',
      'A2',
      'D2',
    ]);
  });
  it('joins, bends, ties, slides', () => {
    const row = (s: string): string => [`E|${s}|`, ...['B', 'G', 'D', 'A', 'E'].map((x) => `${x}|${'-'.repeat(s.length)}|`)].join('\n');
    const read = (s: string) => readTab(row(s), guitar()).notes.map((x) => [x.place?.fret, x.join, x.bend]);
    expect(read('-5h7p5-/9\\7--')).toEqual([[5, undefined, undefined], [7, 'hammer', undefined], [5, 'pull', undefined], [9, 'slide', undefined], [7, 'slide', undefined]]); // prettier-ignore
    expect(read('-7b9---7b--(7)-')).toEqual([
      [7, undefined, 2],
      [7, undefined, 2],
      [7, 'tie', undefined],
    ]);
    expect(read('--5757--')).toEqual([[5, undefined, undefined], [7, undefined, undefined], [5, undefined, undefined], [7, undefined, undefined]]); // prettier-ignore
  });
  it('even columns are eighths; columns plainly in proportion give the lengths', () => {
    const row = (s: string): string => ['E', 'B', 'G', 'D', 'A'].map((x) => `${x}|${'-'.repeat(s.length)}|`).join('\n') + `\nE|${s}|`;
    const ticks = (s: string, spacing?: Spacing): number[] =>
      readTab(row(s), guitar(), spacing ? { spacing } : {}).notes.map((x) => x.ticks);
    expect(ticks('-2-4-5-7-')).toEqual([240, 240, 240, 240]);
    expect(ticks('-2---4-5--7-')).toEqual([240, 240, 240, 240]); // no grid: nothing is read into it
    expect(ticks('-2-4-5-7-', 'spaced')).toEqual([480, 480, 480, 480]);
    expect(ticks('-2---4-5-', 'eighths')).toEqual([240, 240, 240]);
    expect(ticks('-2---4-5-', 'triplets')).toEqual([160, 160, 160]);
    expect(readTab(row('-2---4-5-'), guitar()).notes.map((x) => x.ticks)).toEqual([960, 480, 480]);
  });
  it('of notes struck together the highest is taken, and the rest is said', () => {
    const read = readTab(['E|--3--', 'B|--3--', 'G|-----', 'D|--x--', 'A|-----', 'E|-3~--'].join('\n'), guitar());
    expect(read.notes.map((x) => x.midi)).toEqual([43, 67]);
    expect(read.remarks.join(' ')).toMatch(
      /1 dead note \(x\) in line 4.*1 vibrato \(~\) in line 6.*1 note in line 2 left out: struck together/,
    );
  });
  it('palm muting and lengths over the row', () => {
    const read = readTab(
      [
        '  PM---',
        '  E  E  Qr Q',
        'E|------------',
        'B|------------',
        'G|------------',
        'D|------------',
        'A|------------',
        'E|-0--0-----3-',
      ].join('\n'),
      guitar(),
    );
    expect(read.notes.map((x) => [x.ticks, !!x.muted, x.midi])).toEqual([[240, true, 40], [240, true, 40], [480, false, null], [480, false, 43]]); // prettier-ignore
  });
});

describe('what tabs are written with', () => {
  const six = (low: string): string => ['e', 'B', 'G', 'D', 'A'].map((x) => `${x}|${'-'.repeat(low.length)}|`).join('\n') + `\nE|${low}|`;
  const remarks = (text: string): string => readTab(text, guitar()).remarks.join(' ');
  it('Tab characters stand for blanks up to the next stop', () => {
    const text = ['E|----\t----|', 'B|----\t----|', 'G|-----\t----|', 'D|-2--\t-4--|', 'A|----\t----|', 'E|----\t----|'].join('\n');
    expect(places(text)).toEqual(['4/2', '4/4']);
  });
  it('lines and bars may be drawn with box characters', () => {
    const text = ['E├───────┤', 'B│───────│', 'G│─2──4──│', 'D│───────│', 'A│───────│', 'E└───────┘'].join('\n');
    expect(places(text)).toEqual(['3/2', '3/4']);
  });
  it('fewer lines than strings are the strings that they name', () => {
    expect(places('B|-1----|\nG|----2-|')).toEqual(['2/1', '3/2']);
    expect(places('e|----|\nB|-1--|\nG|---2|')).toEqual(['2/1', '3/2']);
    expect(readTab('G|-2-|\nD|---|\nA|---|\nE|---|', guitar()).open).toEqual(['G2', 'D2', 'A1', 'E1']); // a bass, as its letters say
    expect(remarks('-2-4--\n------\n------\n------')).toContain('Its 4 lines have no names: they were taken as E1 A1 D2 G2.');
  });
  it('a row is played as often as it says', () => {
    const text = six('-2--4-').split('\n').map((l, k) => (k === 2 ? `${l}x3` : l)).join('\n'); // prettier-ignore
    expect(places(text)).toEqual(['6/2', '6/4', '6/2', '6/4', '6/2', '6/4']);
    expect(remarks(text)).toContain('The row in line 1 is played 3 times (x3).');
  });
  it('taps are joins of their own', () => {
    const read = readTab(six('-5h8t12p8-'), guitar());
    expect(read.notes.map((x) => x.join ?? '-')).toEqual(['-', 'hammer', 'tap', 'pull']);
    expect(writeTab({ name: 'Tap', instrument: guitar(), notes: placeNotes(guitar(), read.notes, { school: 'finger-per-fret' }), tempo: 90, meter: [4, 4] })).toContain('t12'); // prettier-ignore
  });
  it('^ bends, r lets go; a release of nothing and a bend too wide are named', () => {
    const read = readTab(six('-7^9--7b9r7-5r-7b14-'), guitar());
    expect(read.notes.map((x) => [x.place?.fret, x.bend ?? 0, !!x.release])).toEqual([[7, 2, false], [7, 2, true], [5, 0, false], [7, 5, false]]); // prettier-ignore
    expect(read.remarks.join(' ')).toMatch(/1 release \(r\) in line 6 left out: no bend.*1 part of a bend in line 6 left out/);
  });
  it('D and U over the notes are strokes, also over a joined one', () => {
    const read = readTab(`    D  U     D\n${six('--5--7--9--h7-')}`, guitar());
    expect(read.notes.map((x) => x.stroke)).toEqual(['down', 'up', undefined, 'down']);
    expect(read.notes[3]!.join).toBe('hammer');
  });
  it('a harmonic over the octave is the fret, others are named and left out', () => {
    const read = readTab(six('-<12>--<7>-5-'), guitar());
    expect(read.notes.map((x) => x.place?.fret)).toEqual([12, 5]);
    expect(read.remarks.join(' ')).toContain('2 harmonics (< >) in line 6 left out');
  });
  it('slides from nowhere and to nowhere are named', () => {
    const read = readTab(six('-/7-5--3/-'), guitar());
    expect(read.notes.map((x) => `${x.place?.fret}${x.join ?? ''}`)).toEqual(['7', '5', '3']);
    expect(read.remarks.join(' ')).toContain('2 slides, hammer-ons or pull-offs in line');
  });
});

describe('tab that cannot be read', () => {
  it.each([
    ['', 'no tab in this text'],
    ['just words\nand more', 'no tab in this text'],
    ['E|-----|\nB|-----|\n', 'has no notes'],
    ['--2--|\n-----|\n\n---2--|\n------|\n------|\n', 'line 4: this row of tab has 3 strings, the first has 2'],
    ['E|--2--|--|\nB|----|---|\n', 'line 2: this string does not line up with the first: its bar 1'],
    [Array.from({ length: 13 }, () => '--2--').join('\n'), 'line 1: 13 lines of tab'],
  ])('%j: %s', (text, words) => {
    expect(() => readTab(text, guitar())).toThrow(words);
  });
  it('whatever the text: a line or a clear error', () => {
    const noise = fc.string({
      unit: fc.constantFrom('-', '|', '\n', '1', '2', 'h', 'p', '/', 'E', 'B', ' ', '(', ')', 'b', 'x', 'Q', '=', 'P', 'M'),
      maxLength: 400,
    });
    const mutated = fc.tuple(anyLick(guitar()), fc.nat(), fc.string({ maxLength: 3 })).map(([notes, at, s]) => {
      const text = writeTab({ name: 'x', instrument: guitar(), notes, tempo: 90, meter: [4, 4] });
      const cut = at % text.length;
      return text.slice(0, cut) + s + text.slice(cut + (at % 4));
    });
    fc.assert(
      fc.property(fc.oneof(noise, mutated, fc.string()), (text) => {
        try {
          for (const x of readTab(text, guitar()).notes) expect(x.ticks).toBeGreaterThan(0);
        } catch (e) {
          expect(e).toBeInstanceOf(FormatError);
        }
      }),
      { numRuns: 400 },
    );
  });
});

describe('names that look like something else', () => {
  it.each(['4/4 groove', 'Tempo 120', '12 bars', 'E|--5--|', 'Tuning E A D', 'Title: x', 'PM PM', 'E E E', 'W+W', '---', 'plain'])(
    '“%s” comes back',
    (name) => {
      const written = writeTab({
        name,
        instrument: guitar(),
        notes: [{ place: { string: 1, fret: 5 }, ticks: 480 }],
        tempo: 92.5,
        meter: [3, 4],
      });
      expect(readTab(written, guitar())).toMatchObject({ name, tempo: 92.5, meter: [3, 4] });
    },
  );
});
