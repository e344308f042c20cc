import fc from 'fast-check';
import { chordNotes, chordSounds, chromaOf, guideLine, parseChord, parseProgression, pitchAt, scaleNotes, scalesForChord, studyLine, type Instrument, type Place } from '../index'; // prettier-ignore

const SIX: Instrument = { name: 'six', strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })), frets: 22, scaleLengthMm: 648 }; // prettier-ignore
const home = { tonic: 'Bb', scale: 'mixolydian' };
const school = 'finger-per-fret' as const;
const barsOf = (text: string) => parseProgression(text).bars;
const midi = (p: Place): number => pitchAt(SIX, { string: p.string, fret: p.fret }).midi;
const CHORDS = ['Bb7', 'Eb7', 'F7', 'Gm7', 'Cm7b5', 'Ebmaj7', 'Dm', 'Gsus4'];

describe('guide lines', () => {
  // Thirds and sevenths fall by a half step through fifths: common practice, no published source.
  it('two, five, one: the seventh falls to the third, the third stays as the seventh', () => {
    const { steps } = guideLine(SIX, barsOf('Dm7|G7|Cmaj7'), { degrees: ['3', '7'], near: 5, school });
    steps.forEach((s, k) =>
      expect(
        [
          [5, 0],
          [11, 5],
          [4, 11],
        ][k],
      ).toContain(midi(s) % 12),
    ); // F or C, B or F, E or B
    for (let k = 1; k < steps.length; k++) expect(Math.abs(midi(steps[k]!) - midi(steps[k - 1]!))).toBeLessThanOrEqual(1);
  });
  it('always a third or a seventh, within reach, and no line of fewer half steps: full enumeration', () => {
    const pick = fc.array(fc.constantFrom(...CHORDS), { minLength: 1, maxLength: 3 });
    fc.assert(
      fc.property(pick, fc.integer({ min: 0, max: 15 }), (symbols, near) => {
        const { steps } = guideLine(SIX, barsOf(symbols.join('|')), { degrees: ['3', '7'], near, school });
        const guides = symbols.map((s) => {
          const { root, tones } = parseChord(s);
          return tones.filter((t) => [2, 3, 4, 6, 7].includes(t.step)).map((t) => (chromaOf(root) + t.semitones) % 12);
        });
        steps.forEach((s, k) => expect(guides[k]).toContain(midi(s) % 12));
        for (const s of steps) expect(s.fret >= Math.max(0, near - 1) && s.fret <= near + 5).toBe(true);
        const pitches = guides.map((g) => [...new Set(SIX.strings.flatMap((_, k) => Array.from({ length: near + 6 - Math.max(0, near - 1) }, (__, n) => midi({ string: k + 1, fret: Math.max(0, near - 1) + n }))))].filter((m) => g.includes(m % 12))); // prettier-ignore
        let ways: number[][] = [[]];
        for (const layer of pitches) ways = ways.flatMap((w) => layer.map((m) => [...w, m]));
        const steps12 = (line: number[]): number => line.reduce((sum, m, k) => sum + (k ? Math.abs(m - line[k - 1]!) : 0), 0);
        expect(steps12(steps.map(midi)) - Math.min(...ways.map(steps12))).toBeLessThanOrEqual(1); // a nearer string may outweigh one half step
      }),
      { numRuns: 40, seed: 3 },
    );
  });
  it('a chord without either gives its root; silence gives nothing', () => {
    const { steps } = guideLine(SIX, barsOf('G5 | N.C. | C7'), { degrees: ['3'], near: 3, school });
    expect(steps).toHaveLength(2);
    expect(midi(steps[0]!) % 12).toBe(7);
    expect(() => guideLine(SIX, barsOf('N.C.'), { degrees: ['3'], school })).toThrow('chords');
  });
});

describe('study lines', () => {
  it('a chord tone on every beat, notes of its best scale between, as many as asked, in reach, the same for the same seed', () => {
    const form = fc.array(fc.constantFrom(...CHORDS), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(
        form,
        fc.constantFrom(1, 2, 3, 4),
        fc.integer({ min: 0, max: 2 ** 32 - 1 }),
        fc.integer({ min: 0, max: 14 }),
        (symbols, n, seed, near) => {
          const notesPerBeat = n;
          const o = { home, seed, notesPerBeat, near, school };
          const { steps, ticks } = studyLine(SIX, barsOf(symbols.join('|')), o);
          expect(steps).toHaveLength(symbols.length * 4 * notesPerBeat);
          expect(ticks.reduce((a, b) => a + b, 0)).toBe(symbols.length * 4 * 480);
          steps.forEach((s, k) => {
            const symbol = symbols[Math.floor(k / (4 * notesPerBeat))]!;
            const [best] = scalesForChord(symbol, { home });
            const wanted = k % notesPerBeat === 0 ? chordSounds(symbol) : scaleNotes(best!.ref).map((x) => chromaOf(x.name));
            expect(wanted).toContain(midi(s) % 12);
            expect(s.fret >= Math.max(0, near - 1) && s.fret <= near + 5).toBe(true);
          });
          expect(studyLine(SIX, barsOf(symbols.join('|')), o)).toEqual({ steps, ticks });
        },
      ),
      { numRuns: 25, seed: 8 },
    );
  });
  it('another seed is another line; most of it goes by step', () => {
    const bars = barsOf('Bb7|Eb7|Bb7|%|Eb7|%|Bb7|%|F7|Eb7|Bb7|F7');
    const line = (seed: number) => studyLine(SIX, bars, { home, seed, notesPerBeat: 2, near: 6, school }).steps.map(midi);
    expect(line(1)).not.toEqual(line(2));
    const steps = line(1).slice(1).map((m, k) => Math.abs(m - line(1)[k]!)); // prettier-ignore
    expect(steps.filter((s) => s > 0 && s <= 2).length / steps.length).toBeGreaterThan(0.5);
    expect(steps.filter((s) => s === 0).length).toBeLessThan(steps.length / 10);
  });
  it('chords that share a bar change where they stand; a form too long is refused', () => {
    const { steps } = studyLine(SIX, barsOf('Bb7 . . Eb7'), { home, seed: 1, notesPerBeat: 1, near: 6, school });
    expect(chordNotes('Eb7').map(chromaOf)).toContain(midi(steps[3]!) % 12);
    expect(() => studyLine(SIX, barsOf('Bb7|'.repeat(400)), { home, seed: 1, notesPerBeat: 4, school })).toThrow('6400 notes');
    expect(() => studyLine(SIX, [], { home, seed: 1, notesPerBeat: 1, school })).toThrow('0 notes');
  });
});
