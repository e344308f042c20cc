import { DEMO } from '../../demo';
import { layOut, pitchName, ruleOf, type Layout } from '../../core';
import { bendHints, bentWords, changeWords, overWords } from './bend-text';
import { differenceWords, fanned, tensionWords, tightened, tuningsFor, withStringCount } from './instrument-text';
import { twinRoot } from './scale-text';

const { instrument, scale } = DEMO.studies[0]!.body;
const retune = (string: number, open: string) => ({
  ...instrument,
  strings: instrument.strings.map((s, k) => (k === string - 1 ? { ...s, open } : s)),
});

describe('instruments in words', () => {
  it('state tension in newtons and pounds', () => {
    expect(tensionWords(instrument, 1)).toBe('72.6 N, 16.3 lb');
    expect(tensionWords({ ...instrument, strings: [{ open: 'E4' }] }, 1)).toBeNull();
  });
  it('warn of strings that a retuning pulls more than a tenth harder: 2 half steps are +26 % (Mersenne)', () => {
    expect(tightened(instrument, retune(6, 'F#2'))).toEqual([{ string: 6, share: expect.closeTo(0.26, 2) as number }]);
    expect(tightened(instrument, retune(6, 'D2'))).toEqual([]);
    expect(tightened(instrument, { ...instrument, scaleLengthMm: 686 })).toHaveLength(6);
  });
  it('say what changed, a line each', () => {
    expect(differenceWords(instrument, instrument)).toEqual([]);
    expect(differenceWords(instrument, { ...retune(6, 'D2'), frets: 24, capo: 2, handedness: 'left' })).toEqual([
      'string 6 is D2 instead of E2',
      '24 frets instead of 22',
      'capo at 2',
      'left-handed',
    ]);
    expect(differenceWords(instrument, withStringCount(instrument, 7, pitchName))).toEqual(['7 strings instead of 6']);
  });
  it('fan the lengths evenly, and take the fan away', () => {
    const fan = fanned(instrument, 648, 678);
    expect(fan.strings.map((s) => s.scaleLengthMm)).toEqual([648, 654, 660, 666, 672, 678]);
    expect(fanned(fan, 650, 650).strings.every((s) => s.scaleLengthMm === undefined)).toBe(true);
  });
  it('add strings a fourth below, and take them from the thick side', () => {
    expect(withStringCount(instrument, 8, pitchName).strings.map((s) => s.open).slice(6)).toEqual(['B1', 'F#1']); // prettier-ignore
    expect(withStringCount(instrument, 4, pitchName).strings).toHaveLength(4);
  });
  it('know tunings for the counts a player meets', () => {
    expect([4, 5, 6, 7, 8].every((n) => tuningsFor(n).length > 0)).toBe(true);
    expect(tuningsFor(12)).toEqual([]);
  });
});

describe('bending in words', () => {
  it('names what one step leads to', () => {
    expect(bendHints(scale).map((h) => `${h.degree}${h.by > 0 ? '+' : '-'} ${h.name}`)).toEqual([
      '2- Dorian ♭2',
      'b3+ Mixolydian',
      '4+ Dorian ♯4',
      '6- Aeolian',
      'b7+ melodic minor',
    ]);
  });
  it('names the scale, or the nearest and what differs', () => {
    expect(bentWords('lydian dominant')).toBe('Lydian ♭7, mode 4 of melodic minor');
    expect(bentWords(['1', '2', 'b3', '4', '5', 'b6', 'bb7'])).toBe('no name of its own: Aeolian, b7 → bb7');
    expect(bentWords('moonlit')).toBe('');
  });
  it('says what one scale changes of another', () => {
    expect(changeWords(scale, scale)).toBe('nothing changes');
    expect(overWords(scale, { tonic: 'F#', scale: 'minor pentatonic' })).toBe(
      'F# minor pentatonic over it keeps F# A B C# E; leaves out 2 and 6',
    );
  });
  it('knows the relative root', () => {
    expect([twinRoot('dorian'), twinRoot('ionian'), twinRoot('whole tone'), twinRoot('harmonic minor')]).toEqual(['b3', '6', null, null]);
  });
});

describe('why a shape looks so', () => {
  const root = { string: 6, fret: 2 };
  const why = (layout: Layout, pick = 0): string => {
    const shapes = layOut(instrument, scale, layout);
    return ruleOf(layout.kind).why(layout, { instrument, scale, shapes, shape: shapes[pick]! });
  };
  it.each<[Layout, number, string]>([
    [{ kind: 'window' }, 4, 'this window is at rest'],
    [{ kind: 'window' }, 2, 'a finger leaves the window: first finger to fret 1'],
    [{ kind: 'box' }, 0, 'One fret up from string 2 on'],
    [{ kind: 'per-string', notes: 3 }, 0, 'Three on every string'],
    [{ kind: 'one-string', string: 3 }, 0, 'along string 3'],
    [{ kind: 'string-set', strings: [5, 3], counts: [3, 3], start: { string: 5, fret: 2 } }, 0, 'again twelve frets away, at fret 14'],
    [{ kind: 'diagonal', root }, 0, 'Two counts take turns'],
    [{ kind: 'split' }, 0, 'lower four strings of one shape, three notes each'],
    [{ kind: 'region', fromFret: 0, toFret: 7 }, 0, 'from fret 0 to fret 7'],
    [{ kind: 'anchor', root, notes: 3 }, 0, 'It turned out to be F# Dorian.'],
  ])('%j', (layout, pick, words) => {
    expect(why(layout, pick)).toContain(words);
  });
  it('tells of pairs only where they are', () => {
    const shapes = layOut(instrument, { tonic: 'Bb', scale: 'ionian' }, { kind: 'per-string', notes: 3 });
    const all = shapes.map((shape) => ruleOf('per-string').why({ kind: 'per-string', notes: 3 }, { instrument, scale, shapes, shape }));
    expect(all.filter((w) => w.includes('in pairs: W-W, H-W, W-H'))).toHaveLength(1);
  });
});
