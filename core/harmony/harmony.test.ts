import { Chord, Mode } from 'tonal';
import { chordDegrees, chordFault, chordNotes, stackThirds } from './index';

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
  it('mark the degrees of a scale that they sound', () => {
    expect(chordDegrees({ tonic: 'F#', scale: 'dorian' }, 'B7')).toEqual(['1', 'b3', '4', '6']);
  });
});
