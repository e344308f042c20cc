import fc from 'fast-check';
import { chordNotes, chromaOf, layOut, MOST_BARS, parseProgression, pitchAt, scaleNotes, scalesForChord, SILENT, targetsFrom, type Instrument } from '../index'; // prettier-ignore

const written = (text: string, beats?: number): string =>
  parseProgression(text, beats === undefined ? {} : { beats })
    .bars.map((b) => b.chords.map((c) => `${c.symbol}:${c.beats}`).join(' '))
    .join(' | ');
const faults = (text: string) => parseProgression(text).faults;
const marked = (text: string): string[] => faults(text).map((f) => text.slice(f.at, f.at + f.length));

describe('a progression as it is typed', () => {
  it.each([
    ['| Ebmaj7 | Ab7#11 . Gm7 . | % |', 'Ebmaj7:4 | Ab7#11:2 Gm7:2 | Ab7#11:2 Gm7:2'],
    ['Dm7 | G7 | Cmaj7', 'Dm7:4 | G7:4 | Cmaj7:4'],
    ['C F | G . . F', 'C:2 F:2 | G:3 F:1'],
    ['C . F', 'C:2 F:2'],
    ['| C |\n| D |', 'C:4 | D:4'],
    ['dm7 g7', 'Dm7:2 G7:2'],
    ['C | . F . .', 'C:4 | C:1 F:3'],
    ['C | N.C. | D', 'C:4 | N.C.:4 | D:4'],
    ['|: C | D :| E |', 'C:4 | D:4 | C:4 | D:4 | E:4'],
    ['|: C |1. F :|2. G | D |', 'C:4 | F:4 | C:4 | G:4 | D:4'],
    ['[A] C || [B] D', 'C:4 | D:4'],
  ])('%j is %s', (text, bars) => {
    expect(written(text)).toBe(bars);
    expect(faults(text)).toEqual([]);
  });
  it('sections have their names, another meter its beats', () => {
    expect(parseProgression('[Lantern] C | D || [Ferry] E').bars.map((b) => b.section)).toEqual(['Lantern', undefined, 'Ferry']);
    expect(written('C | D .', 3)).toBe('C:3 | D:3');
    expect(() => parseProgression('C', { beats: 99 })).toThrow('beats');
  });
  it('points at what cannot be read, keeps its time, and offers what may have been meant', () => {
    expect(marked('| Cfoo7 D | xyz |')).toEqual(['foo7', 'x']);
    expect(written('| Cfoo7 D | xyz |')).toBe(`${SILENT}:2 D:2 | ${SILENT}:4`);
    expect(faults('| Gsos4 |')[0]!.nearest).toContain('Gsus4');
    expect(marked('% | C')).toEqual(['%']);
    expect(faults('| C | | D |')[0]!.message).toContain('this bar is empty');
    expect(faults('| C . . . . |')[0]!.message).toBe('this bar has 5 beats, the meter 4');
    expect(faults(`| C ${'| C '.repeat(600)}`).at(-1)?.message).toContain(String(MOST_BARS));
    expect(parseProgression(`| C ${'| C '.repeat(600)}`).bars).toHaveLength(MOST_BARS);
  });
  it('whatever is typed: no throw, every bar is whole, every fault lies in the text', () => {
    const sign = fc.constantFrom(
      '|',
      '|:',
      ':|',
      '||',
      '%',
      '.',
      'C',
      'F#m7',
      'Bb7/D',
      'zz',
      '[A]',
      '1.',
      '2.',
      '\n',
      ' ',
      'N.C.',
      '[',
      ':',
    );
    fc.assert(
      fc.property(fc.array(sign, { maxLength: 30 }), fc.integer({ min: 1, max: 15 }), (signs, beats) => {
        const text = signs.join(' ');
        const { bars, faults: found } = parseProgression(text, { beats });
        for (const b of bars) expect(b.chords.reduce((sum, c) => sum + c.beats, 0)).toBeCloseTo(beats, 9);
        for (const f of found) expect(f.at >= 0 && f.at + f.length <= text.length).toBe(true);
      }),
      { numRuns: 300, seed: 14 },
    );
  });
});

describe('the scales that fit a chord', () => {
  const home = { tonic: 'Bb', scale: 'mixolydian' };
  const names = (symbol: string, at = home): string[] => scalesForChord(symbol, { home: at }).map((f) => `${f.ref.tonic} ${String(f.ref.scale)}`); // prettier-ignore
  // Common practice, no published source.
  it('a dominant blues in B♭: Mixolydian on the I, home Dorian over the IV, home Aeolian among those over the V, minor pentatonic throughout', () => {
    expect(names('Bb7')[0]).toBe('Bb mixolydian');
    expect(names('Eb7')[0]).toBe('Bb dorian');
    expect(names('F7')).toContain('Bb aeolian');
    for (const chord of ['Bb7', 'Eb7', 'F7']) expect(names(chord)).toContain('Bb minor pentatonic');
  });
  it('two, five, one in C: Dorian, Mixolydian, Ionian', () => {
    const c = { tonic: 'C', scale: 'ionian' };
    expect(['Dm7', 'G7', 'Cmaj7', 'Bm7b5'].map((s) => names(s, c)[0])).toEqual(['D dorian', 'G mixolydian', 'C ionian', 'B locrian']);
  });
  it('the 4 of Ionian rubs over its major seventh, nothing of Lydian does; each says its colour', () => {
    const found = scalesForChord('Cmaj7', { home: { tonic: 'C', scale: 'ionian' } });
    expect(found.find((f) => f.ref.scale === 'ionian')).toMatchObject({ rubs: ['4'], colour: ['7'] });
    expect(found.find((f) => f.ref.scale === 'lydian')).toMatchObject({ rubs: [], colour: ['#4'] });
  });
  it('by brute force on pitch classes: rubs, tones held, home always listed, best first', () => {
    for (const symbol of ['Dm7', 'G7', 'F#m7b5', 'Abmaj7', 'C#dim7', 'E7#9', 'Bsus4', 'C', 'F6', 'Gm9']) {
      const chord = chordNotes(symbol).map(chromaOf);
      const found = scalesForChord(symbol, { home });
      expect(found.some((f) => f.ref.tonic === 'Bb' && f.ref.scale === 'mixolydian')).toBe(true);
      expect(found.map((f) => f.fit)).toEqual(found.map((f) => f.fit).sort((a, b) => b - a));
      for (const f of found) {
        const notes = scaleNotes(f.ref);
        const rubs = notes.filter((n) => !chord.includes(chromaOf(n.name)) && chord.includes((chromaOf(n.name) + 11) % 12));
        expect(f.rubs).toEqual(rubs.map((n) => n.degree));
        const held = new Set(chord.filter((c) => notes.some((n) => chromaOf(n.name) === c))).size;
        const anyway = f.ref.tonic === home.tonic;
        expect(held >= Math.min(3, new Set(chord).size) || anyway).toBe(true);
        expect(f.fit >= 0 && f.fit <= 1).toBe(true);
      }
    }
  });
  it('without a home it asks the chord alone; a chord that cannot be read is an error', () => {
    expect(scalesForChord('C7')[0]!.ref).toEqual({ tonic: 'C', scale: 'mixolydian' });
    expect(() => scalesForChord('Qx')).toThrow('cannot be read');
  });
});

describe('targets', () => {
  const SIX: Instrument = { name: 'six', strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })), frets: 22, scaleLengthMm: 648 }; // prettier-ignore
  const shapes = layOut(SIX, { tonic: 'Bb', scale: 'dorian' }, { kind: 'box' });
  it('the flat third goes up a half step to the third of the I, on its own string', () => {
    const box = shapes.find((s) => s.lowFret === 5);
    if (!box) throw new Error('no box at fret 5');
    expect(targetsFrom(SIX, box, { string: 3, fret: 6 }, 'Bb7')).toEqual([{ place: { string: 3, fret: 7 }, degree: '3', by: 1 }]);
  });
  it('from every note of every box: all tones within a whole step and in reach, each at its pitch, nearest first', () => {
    for (const shape of shapes)
      for (const n of shape.notes)
        for (const symbol of ['Eb7', 'Bb7', 'F7', 'Gm7b5']) {
          const found = targetsFrom(SIX, shape, n, symbol);
          const sounds = chordNotes(symbol).map(chromaOf);
          for (const t of found) expect(pitchAt(SIX, t.place).midi).toBe(n.midi + t.by);
          for (const t of found) expect(t.place.fret >= shape.lowFret - 1 && t.place.fret <= shape.highFret + 1).toBe(true);
          const reach = (by: number): boolean => SIX.strings.some((_, k) => { const fret = n.midi + by - pitchAt(SIX, { string: k + 1, fret: 0 }).midi; return fret >= Math.max(0, shape.lowFret - 1) && fret <= Math.min(22, shape.highFret + 1); }); // prettier-ignore
          const want = [-2, -1, 0, 1, 2].filter((by) => sounds.includes((n.midi + by) % 12) && reach(by));
          expect(found.map((t) => t.by).sort((a, b) => a - b)).toEqual(want);
          expect(found.map((t) => Math.abs(t.by))).toEqual(found.map((t) => Math.abs(t.by)).sort((a, b) => a - b));
        }
  });
});
