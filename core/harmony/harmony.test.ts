import { Chord, Mode } from 'tonal';
import {
  chordFault,
  chordNotes,
  chordSymbol,
  colourChord,
  modeChords,
  modeColour,
  parseChord,
  stackThirds,
  toneInChord,
  toneName,
} from './index';

const MODES = ['ionian', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'aeolian', 'locrian'];

describe('thirds stacked on a scale', () => {
  it.each(MODES)('%s agrees with the theory library, symbol by symbol', (mode) => {
    const ours = (size: 3 | 4): string[] => stackThirds({ tonic: 'F#', scale: mode }, size).map((c) => c.symbol);
    const same = (a: string[], b: readonly string[]): void =>
      expect(a.map((s) => Chord.get(s).notes)).toEqual(b.map((s) => Chord.get(s).notes));
    same(ours(4), Mode.seventhChords(mode, 'F#'));
    same(ours(3), Mode.triads(mode, 'F#'));
  });
  it('rotates maj7 m7 m7 maj7 7 m7 m7b5, functions counted from the mode’s own tonic', () => {
    expect(stackThirds({ tonic: 'F#', scale: 'dorian' }, 4).map((c) => `${c.roman} ${c.symbol}`)).toEqual([
      'i7 F#m7',
      'ii7 G#m7',
      'bIIImaj7 Amaj7',
      'IV7 B7',
      'v7 C#m7',
      'viø7 D#m7b5',
      'bVIImaj7 Emaj7',
    ]);
  });
  it('begins melodic minor with a minor chord under a major seventh (stacked by hand)', () => {
    expect(stackThirds({ tonic: 'C', scale: 'melodic minor' }, 4)[0]).toEqual({
      degree: '1',
      roman: 'imaj7',
      symbol: 'CmM7',
      notes: ['C', 'Eb', 'G', 'B'],
    });
  });
  it('refuses scales that have not seven notes', () => {
    expect(() => stackThirds({ tonic: 'C', scale: 'minor pentatonic' }, 3)).toThrow('this scale has 5');
    expect(() => stackThirds({ tonic: 'C', scale: 'ionian' }, 6 as 4)).toThrow('size');
  });
});

describe('chord symbols', () => {
  it.each([
    ['F#m7', 'F# A C# E'],
    ['Bb7', 'Bb D F Ab'],
    ['Bbm(maj7)', 'Bb Db F A'],
    ['CΔ7', 'C E G B'],
    ['Cø7', 'C Eb Gb Bb'],
    ['C11', 'C G Bb D F'], // no third under a dominant's eleventh: common practice, no published source
    ['Cm11', 'C Eb G Bb D F'],
    ['C13', 'C E G Bb D A'],
    ['C7b5#5', 'C E Gb G# Bb'],
    ['Ebm7b9', 'Eb Gb Bb Db Fb'],
  ])('%s is %s', (symbol, notes) => {
    expect(chordNotes(symbol).join(' ')).toBe(notes);
  });
  it.each(['', 'moon', 'm7'])('"%s" cannot be read, and says how to write one', (symbol) => {
    expect(() => chordNotes(symbol)).toThrow('such as F#m7');
  });
  it.each([
    ['H7', 0, 1, 'B7'],
    ['c7', 0, 1, 'C7'],
    ['Cmaj7foo', 5, 3, 'Cmaj7'],
    ['Gsos4', 1, 4, 'Gsus4'],
    ['F#mx', 3, 1, 'F#m'],
  ])('"%s" is pointed at from %i, %i signs long; %s may be meant', (symbol, at, length, near) => {
    expect(chordFault(symbol)).toMatchObject({ at, length });
    expect(chordFault(symbol)?.nearest).toContain(near);
  });
  it('tones are called as players call them', () => {
    expect(parseChord('C7b9').tones.map(toneName)).toEqual(['1', '3', '5', 'b7', 'b9']);
    expect([60, 61, 62, 67].map((midi) => toneInChord('C7b9', midi))).toEqual(['1', 'b9', null, '5']);
  });
});

describe('the colour of a mode', () => {
  // Common practice, no published source.
  it.each([
    ['lydian', 'Cmaj7#11', '#4'],
    ['ionian', 'Cmaj7', '7'],
    ['mixolydian', 'C7', 'b7'],
    ['dorian', 'Cm6', '6'],
    ['aeolian', 'Cm7', 'b7'],
    ['phrygian', 'Cm7b9', 'b2'],
    ['locrian', 'Cm7b5', 'b5'],
    ['phrygian dominant', 'C7b9', 'b2'],
    ['lydian dominant', 'C7#11', '#4'],
  ])('%s: %s, for its %s', (scale, symbol, degree) => {
    const colour = colourChord({ tonic: 'C', scale });
    expect(colour).toMatchObject({ symbol, degree });
    expect(colour?.why).toContain(degree);
    const held = new Set(chordNotes(symbol));
    const { chords } = modeChords({ tonic: 'C', scale }, 5);
    for (const n of held) expect(chords.some((c) => c.notes.includes(n))).toBe(true);
  });
  it('what betrays it: its own chords that lead home to the parent, and its neighbours on the same tonic', () => {
    expect(modeColour({ tonic: 'D', scale: 'dorian' })?.betray).toEqual([
      { symbol: 'G7', why: 'it leads home to C Ionian' },
      { symbol: 'Bm7b5', why: 'it leads home to C Ionian' },
      { symbol: 'D7', why: 'it is Mixolydian' },
    ]);
    expect(modeColour({ tonic: 'C', scale: 'ionian' })?.betray.map((b) => b.symbol)).toEqual(['Cmaj7#11', 'C7']);
  });
  it('a mode given by its degrees is known by them', () => {
    expect(colourChord({ tonic: 'C', scale: ['1', '2', 'b3', '4', '5', '6', 'b7'] })?.symbol).toBe('Cm6');
  });
  it('a scale without such a chord has none', () => {
    expect(colourChord({ tonic: 'C', scale: 'minor pentatonic' })).toBeNull();
    expect(colourChord({ tonic: 'C', scale: ['1', 'b2', '3', '#4', '5', 'b7'] })).toBeNull();
  });
});

describe('chords of a mode', () => {
  it('the chain from G Phrygian is that of its parent, turned: m, maj, maj, m, dim, maj, m', () => {
    const kinds = modeChords({ tonic: 'G', scale: 'phrygian' }, 3).chords.map((c) => c.symbol.slice(c.notes[0]!.length) || 'maj');
    expect(kinds).toEqual(['m', 'maj', 'maj', 'm', 'dim', 'maj', 'm']);
  });
  it('numerals from its own tonic and from the parent; degrees of chord and of mode side by side', () => {
    const b7 = modeChords({ tonic: 'F#', scale: 'dorian' }, 5).chords[3]!;
    expect(b7).toMatchObject({ symbol: 'B9', roman: 'IV9', parentRoman: 'V9', quality: 'dominant seventh and a ninth' });
    expect(b7.tones).toEqual([
      { chord: '1', mode: '4' },
      { chord: '3', mode: '6' },
      { chord: '5', mode: '1' },
      { chord: 'b7', mode: 'b3' },
      { chord: '2', mode: '5' },
    ]);
  });
  it('a pentatonic has the usual chords that its notes spell, and says that they are not stacked', () => {
    const { stacked, chords } = modeChords({ tonic: 'A', scale: 'minor pentatonic' }, 3);
    expect(stacked).toBe(false);
    expect(chords.map((c) => c.symbol)).toEqual(expect.arrayContaining(['Am', 'C', 'Dsus2', 'Gsus4']));
  });
  it('what no usual symbol says is written by its degrees, and read again', () => {
    const symbol = chordSymbol('C', ['1', 'b3', 'b4']);
    expect(symbol).toBe('C(1,b3,b4)');
    expect(chordNotes(symbol)).toEqual(['C', 'Eb', 'Fb']);
  });
});
