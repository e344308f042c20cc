import { guitar } from '../../tests/support/random';
import {
  checkInstrument,
  fretDistanceMm,
  hertzOf,
  midiOf,
  neckNotes,
  parseTuning,
  registerOf,
  pitchAt,
  pitchName,
  placesOf,
  spellTuning,
  stringsUpward,
  stringTensionN,
  toneIndex,
  TUNINGS,
  type Instrument,
} from '../index';

const on = (change: Partial<Instrument>): Instrument => ({ ...guitar(), ...change });

describe('pitch', () => {
  it.each([
    // ISO 16: A4 = 440 Hz; the others are twelfth roots of two from there (handbook values of equal temperament, from memory).
    ['A4', 69, 440],
    ['C4', 60, 261.6256],
    ['E2', 40, 82.4069],
    ['B0', 23, 30.8677],
    ['C8', 108, 4186.009],
    ['Cb4', 59, 246.9417],
    ['B#3', 60, 261.6256],
  ])('%s is MIDI %d and %d Hz', (name, midi, hz) => {
    expect(midiOf(name)).toBe(midi);
    expect(hertzOf(midi)).toBeCloseTo(hz, 3);
  });
  it.each(['', 'H2', 'E', 'e2', 'E2 ', 'E22', 'G10', null, 40])('refuses the pitch %p', (name) => {
    expect(() => midiOf(name)).toThrow(expect.objectContaining({ code: 'BAD_PITCH' }) as Error);
  });
  it('names MIDI numbers both ways', () => {
    expect([pitchName(61), pitchName(61, true)]).toEqual(['C#4', 'Db4']);
  });
});

describe('places', () => {
  it('finds every place of a pitch', () => {
    expect(placesOf(guitar(), 64)).toEqual([
      { string: 1, fret: 0 }, { string: 2, fret: 5 }, { string: 3, fret: 9 }, { string: 4, fret: 14 }, { string: 5, fret: 19 },
    ]); // prettier-ignore
  });
  it('gives one place to what lies below the second-lowest string', () => {
    for (let m = 40; m < 45; m++) expect(placesOf(guitar(), m)).toHaveLength(1);
  });
  it('has no frets below the capo', () => {
    expect(placesOf(on({ capo: 2 }), 40)).toEqual([]);
    expect(() => pitchAt(on({ capo: 2 }), { string: 1, fret: 1 })).toThrow('place.fret: 1 is not a whole number from 2 to 22.');
    expect(Math.min(...neckNotes(on({ capo: 2 }), { tonic: 'C', scale: 'chromatic' }).map((n) => n.fret))).toBe(2);
  });
  it('orders strings by sound, a unison by number', () => {
    expect(stringsUpward(on({ strings: ['A4', 'E4', 'C4', 'G4', 'G4'].map((open) => ({ open })) }))).toEqual([3, 2, 5, 4, 1]);
  });
});

describe('frets', () => {
  it('lie where the workshop rule of 17.817 puts them, within its known error', () => {
    // Common practice: each fret takes 1/17.817 of what is left. 2^(-1/12) is 1 - 1/17.8171..., so after 24 frets the two differ by less than 0.02 mm on 648 mm.
    let left = 648;
    for (let fret = 1; fret <= 24; fret++) {
      left -= left / 17.817;
      expect(Math.abs(648 - left - fretDistanceMm(guitar(24), 1, 0, fret))).toBeLessThan(0.02);
    }
  });
  it('halve the string at the twelfth, and a stretch at fret 1 is twice that at fret 13', () => {
    expect(fretDistanceMm(guitar(24), 1, 0, 12)).toBeCloseTo(324, 9);
    expect(fretDistanceMm(guitar(24), 1, 1, 5) / fretDistanceMm(guitar(24), 1, 13, 17)).toBeCloseTo(2, 9);
  });
  it('follow the string’s own length where frets are fanned', () => {
    const fanned = on({ strings: guitar().strings.map((s, k) => ({ ...s, scaleLengthMm: 648 + k * 7 })) });
    expect(fretDistanceMm(fanned, 6, 0, 12)).toBeCloseTo(341.5, 9);
  });
});

describe('tension and tone', () => {
  const strung = on({
    strings: guitar().strings.map((s, k) => ({ ...s, gaugeMm: [0.254, 0.33, 0.432, 0.66, 0.914, 1.168][k], wound: k > 2 })),
  });
  it('follows Mersenne’s law for a plain steel string', () => {
    // Mersenne: T = mu (2 L f)^2; steel 7850 kg/m3 (handbook). 0.254 mm: mu = 3.9777e-4 kg/m; 2 L f = 427.20 m/s; T = 72.59 N, worked by hand.
    expect(stringTensionN(strung, 1)).toBeCloseTo(72.59, 1);
  });
  it('rises with the square of the pitch', () => {
    const up = { ...strung, strings: strung.strings.map((s, k) => (k === 0 ? { ...s, open: 'F#4' } : s)) };
    expect((stringTensionN(up, 1) as number) / (stringTensionN(strung, 1) as number)).toBeCloseTo(2 ** (4 / 12), 9);
  });
  it('keeps a usual set near 60 to 100 N a string', () => {
    for (let s = 1; s <= 6; s++) expect(stringTensionN(strung, s) as number).toBeGreaterThan(55);
    for (let s = 1; s <= 6; s++) expect(stringTensionN(strung, s) as number).toBeLessThan(100);
  });
  it('is unknown without a gauge', () => {
    expect(stringTensionN(guitar(), 1)).toBeNull();
  });
  it('calls the same pitch warmer on a thicker string', () => {
    const tones = placesOf(strung, 64).map((p) => toneIndex(strung, p));
    expect(tones).toEqual([...tones].sort((a, b) => b - a));
    expect(tones.every((t) => t > 0 && t < 1)).toBe(true);
    expect(toneIndex(guitar(), { string: 1, fret: 0 })).toBeGreaterThan(toneIndex(guitar(), { string: 2, fret: 5 }));
  });
});

describe('tunings as typed', () => {
  it.each([
    ['D A D G B E', 'D2 A2 D3 G3 B3 E4'],
    ['e a d g b e', 'E2 A2 D3 G3 B3 E4'],
    ['B E A D G B E', 'B1 E2 A2 D3 G3 B3 E4'],
    ['D2A2D3G3B3E4', 'D2 A2 D3 G3 B3 E4'],
    ['G4 C4 E4 A4', 'G4 C4 E4 A4'],
    ['Eb Ab Db Gb Bb Eb', 'Eb2 Ab2 Db3 Gb3 Bb3 Eb4'],
    ['C G C G C E', 'C2 G2 C3 G3 C4 E4'],
    ['E A D G', 'E1 A1 D2 G2'],
    ['B E A D G', 'B0 E1 A1 D2 G2'],
    ['F# B E A D G B E', 'F#1 B1 E2 A2 D3 G3 B3 E4'],
    ['A E A D G B E', 'A1 E2 A2 D3 G3 B3 E4'],
    ['E', 'E2'],
  ])('%s is %s', (text, expected) => {
    expect(parseTuning(text).reverse().join(' ')).toBe(expected);
  });
  it.each([
    ['E A H', '"H" is not a note'],
    ['', '0 strings'],
    ['E E E E E E E E E E E E E', '13 strings'],
    ['E2 A99', 'A9 is not a pitch'],
  ])('refuses "%s"', (text, words) => {
    expect(() => parseTuning(text)).toThrow(words);
  });
  it('spells back what was typed', () => {
    expect(spellTuning(guitar())).toBe('E A D G B E');
    const low = { ...guitar(), strings: ['E3', 'B2', 'G2', 'D2', 'A1', 'E1'].map((open) => ({ open })) };
    expect([spellTuning(low), registerOf(low), registerOf(guitar())]).toEqual(['E1 A1 D2 G2 B2 E3', -12, 0]);
    const broken = { ...guitar(), strings: [{ open: 'E4' }, { open: 'H9' }] };
    expect([spellTuning(broken), registerOf(broken), spellTuning({ ...guitar(), strings: [] })]).toEqual(['H9 E4', 0, '']);
    const outer = { ...guitar(), strings: guitar().strings.map((s, k) => (k === 0 ? { open: 'E5' } : s)) };
    expect([spellTuning(outer), registerOf(outer)]).toEqual(['E2 A2 D3 G3 B3 E5', 0]);
  });
  it('every named tuning is playable', () => {
    for (const t of TUNINGS) {
      const strings = t.low.split(' ').reverse().map((open) => ({ open })); // prettier-ignore
      expect(checkInstrument({ name: t.name, strings, frets: 22, scaleLengthMm: t.scaleLengthMm })).toBeDefined();
    }
  });
});

describe('an instrument out of range', () => {
  it.each([
    [{ frets: 4 }, 'frets'],
    [{ frets: 37 }, 'frets'],
    [{ frets: 12.5 }, 'frets'],
    [{ scaleLengthMm: 199 }, 'scaleLengthMm'],
    [{ scaleLengthMm: NaN }, 'scaleLengthMm'],
    [{ capo: 22 }, 'capo'],
    [{ capo: -1 }, 'capo'],
    [{ strings: [] }, 'strings'],
    [{ strings: Array.from({ length: 13 }, () => ({ open: 'E2' })) }, 'strings'],
    [{ strings: [{ open: 'E' }] }, 'strings[0].open'],
    [{ strings: [{ open: 'E2', gaugeMm: 9 }] }, 'strings[0].gaugeMm'],
    [{ strings: [null] }, 'strings[0]'],
  ])('%p is refused by its field', (change, field) => {
    expect(() => checkInstrument(on(change as Partial<Instrument>))).toThrow(expect.objectContaining({ field }) as Error);
  });
});
