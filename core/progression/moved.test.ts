import fc from 'fast-check';
import { changesTo, chordNotes, chromaOf, FORM_NAMES, formIn, homeOf, layOut, movedChord, movedNote, movedProgression, parseProgression, pitchAt, rewritten, scaleNotes, scalePath, type Instrument, type PathOptions, type ScaleRef } from '../index'; // prettier-ignore

const SIX: Instrument = { name: 'six', strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })), frets: 22, scaleLengthMm: 648 }; // prettier-ignore
const TONICS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
const sounds = (symbol: string): number[] => chordNotes(symbol).map(chromaOf);
const symbolsIn = (text: string): string[] => parseProgression(text).bars.flatMap((b) => b.chords.map((c) => c.symbol));

describe('chords in another key', () => {
  it.each([
    ['Eb7/G', 'Bb', 'Db', 'Gb7/Bb'],
    ['F7', 'Bb', 'Db', 'Ab7'],
    ['C#m7b5', 'E', 'F', 'Dm7b5'],
    ['Ab7#11', 'Eb', 'B', 'E7#11'],
    ['F#m7', 'F#', 'Bb', 'Bbm7'],
    ['Cb7', 'Gb', 'C', 'F7'],
    ['Fb', 'Ab', 'Eb', 'Cb'],
    ['Fb', 'Ab', 'Gb', 'D'], // E♭♭ would take two signs
    ['N.C.', 'C', 'D', 'N.C.'],
  ])('%s from %s to %s is %s', (symbol, from, to, moved) => {
    expect(movedChord(symbol, from, to)).toBe(moved);
  });
  it('every tone goes the same way, and there and back is the same sound', () => {
    const any = fc.constantFrom(...TONICS);
    fc.assert(
      fc.property(any, any, any, (note, from, to) => {
        const moved = movedNote(note, from, to);
        expect((chromaOf(moved) - chromaOf(note) + 24) % 12).toBe((chromaOf(to) - chromaOf(from) + 24) % 12);
        expect(chromaOf(movedNote(moved, to, from))).toBe(chromaOf(note));
      }),
      { numRuns: 300 },
    );
  });
});

describe('a typed progression in another key', () => {
  it('keeps every sign that is no chord, and what cannot be read', () => {
    const text = '[Bridge]|: eb7 . Bb7 . | 1. % :| 2. N.C. | Xyz7 Gm7 |\n| F7alt |';
    expect(movedProgression(text, 'Bb', 'Db')).toBe('[Bridge]|: Gb7 . Db7 . | 1. % :| 2. N.C. | Xyz7 Bbm7 |\n| Ab7alt |');
  });
  it('sounds as far away everywhere, bar by bar', () => {
    for (const name of FORM_NAMES)
      for (const tonic of TONICS) {
        const [plain, moved] = [formIn(name, 'C'), formIn(name, tonic)];
        expect(parseProgression(moved.text).faults).toEqual([]);
        expect(moved.home.tonic).toBe(tonic);
        const by = chromaOf(tonic);
        const [a, b] = [symbolsIn(plain.text), symbolsIn(moved.text)];
        expect(b).toHaveLength(a.length);
        a.forEach((s, k) => expect(sounds(b[k]!)).toEqual(sounds(s).map((c) => (c + by) % 12)));
      }
  });
  it('chords alone are written anew', () => {
    expect(rewritten('| c | N.C. | Dm . . . |', (s) => s.toLowerCase())).toBe('| c | N.C. | dm . . . |');
  });
  it('forms hold what their names say (common practice, no published source)', () => {
    const bars = (name: (typeof FORM_NAMES)[number]) => parseProgression(formIn(name, 'Bb').text).bars;
    for (const name of FORM_NAMES.filter((n) => n.startsWith('twelve'))) expect(bars(name)).toHaveLength(12);
    expect(bars('eight bars')).toHaveLength(8);
    expect(symbolsIn(formIn('twelve bars, major', 'Bb').text)).toEqual(['Bb7', 'Bb7', 'Bb7', 'Bb7', 'Eb7', 'Eb7', 'Bb7', 'Bb7', 'F7', 'Eb7', 'Bb7', 'F7']); // prettier-ignore
    expect(symbolsIn(formIn('two five one, minor', 'A').text)).toEqual(['Bm7b5', 'E7b9', 'Am7', 'Am7']);
  });
  it('a form that is unknown is an error', () => {
    expect(() => formIn('sixteen bars' as never, 'C')).toThrow('form');
  });
});

describe('what changes from scale to scale', () => {
  const REFS: ScaleRef[] = ['dorian', 'mixolydian', 'altered', 'minor pentatonic', 'lydian', 'whole tone'].flatMap((scale) => ['Bb', 'F#', 'C'].map((tonic) => ({ tonic, scale }))); // prettier-ignore
  it('by brute force: every place is told of once; each move is the shortest along its string to a note that is new, upward first', () => {
    for (const from of REFS)
      for (const to of REFS) {
        const [a, b] = [from, to].map((r) => new Set(scaleNotes(r).map((n) => chromaOf(n.name))));
        const shape = layOut(SIX, from, { kind: 'window' })[2]!;
        const { stays, moves, goes } = changesTo(SIX, shape, from, to);
        expect(stays.length + moves.length + goes.length).toBe(shape.notes.length);
        for (const p of stays) expect(b!.has(pitchAt(SIX, p).midi % 12)).toBe(true);
        const far = (fret: number, string: number): number | null => {
          for (const by of [1, -1, 2, -2]) {
            const [f, sound] = [fret + by, (pitchAt(SIX, { string, fret }).midi + by) % 12];
            if (f >= 0 && f <= 22 && b!.has(sound) && !a!.has(sound)) return by;
          }
          return null;
        };
        for (const m of moves) {
          expect(m.by).toBe(far(m.from.fret, m.from.string));
          expect(m.to).toEqual({ string: m.from.string, fret: m.from.fret + m.by });
          expect(chromaOf(m.becomes.name)).toBe(pitchAt(SIX, m.to).midi % 12);
        }
        for (const p of goes) {
          expect(b!.has(pitchAt(SIX, p).midi % 12)).toBe(false);
          expect(far(p.fret, p.string)).toBeNull();
        }
      }
  });
  it('from home Dorian back to home Mixolydian: the flat third goes up, nothing else moves', () => {
    const [dorian, mixolydian] = ['dorian', 'mixolydian'].map((scale) => ({ tonic: 'Bb', scale }));
    const { moves, goes } = changesTo(SIX, layOut(SIX, dorian!, { kind: 'box' })[1]!, dorian!, mixolydian!);
    expect(new Set(moves.map((m) => `${m.was.degree} ${m.by} ${m.becomes.degree}`))).toEqual(new Set(['b3 1 3']));
    expect(goes).toEqual([]);
  });
});

describe('climbing and coming home', () => {
  const home = { tonic: 'Bb', scale: 'mixolydian' };
  const options: PathOptions = { home, school: 'per-chord', layout: { kind: 'box' }, near: 3 };
  const hands = (text: string, o: Partial<PathOptions>): number[] =>
    scalePath(SIX, parseProgression(text).bars, { ...options, ...o })[0]!.steps.map((s) => s.shape.handFret);
  it('rises through one section and falls through the next', () => {
    const at = hands('[A] | Bb7 | Eb7 | Bb7 | F7 | Bb7 | Eb7 |[B]| Bb7 | Eb7 | Bb7 | F7 | Eb7 | Bb7 |', { motion: 'climb' });
    const [up, down] = [at.slice(0, 6), at.slice(6)];
    expect(up[5]! - up[0]!).toBeGreaterThanOrEqual(8);
    expect(down[0]! - down[5]!).toBeGreaterThanOrEqual(8);
    for (let k = 1; k < 6; k++) expect(up[k]).toBeGreaterThanOrEqual(up[k - 1]!);
    for (let k = 1; k < 6; k++) expect(down[k]).toBeLessThanOrEqual(down[k - 1]!);
  });
  it('minds coming home as much as it is told to: the end is never farther from the beginning for it', () => {
    for (const text of ['Bb7|Eb7|F7|Dbmaj7', 'Gm7|C7|Fmaj7|Bbm7|Ebm7', 'Bb7|B7|E7|A7']) {
      const end = (weight: number): number => Math.abs((hands(text, { weights: { home: weight, fit: 3 } }).at(-1) ?? 0) - 3);
      expect(end(10)).toBeLessThanOrEqual(end(0));
    }
  });
  it('weights out of range are an error that says the range', () => {
    expect(() => hands('C', { weights: { travel: -1 } })).toThrow('weights.travel: give a number from 0 to 10');
    expect(() => hands('C', { weights: { home: Number.NaN } })).toThrow('weights.home');
  });
});

describe('where a form is at home, as a guess (common practice, no published source)', () => {
  it.each([
    ['Bb7 | Eb7 | Bb7 | F7 | Bb7', 'Bb mixolydian'],
    ['Dm7 | G7 | Cmaj7', 'C ionian'],
    ['Bm7b5 | E7b9 | Am7', 'A aeolian'],
    ['Cm7 | F7', 'C dorian'],
    ['Cmaj7 | D/C', 'C lydian'],
    ['Am | F | C | G', 'A aeolian'],
  ])('%s is at home in %s', (text, home) => {
    const guess = homeOf(parseProgression(text).bars);
    expect(`${guess?.tonic} ${String(guess?.scale)}`).toBe(home);
  });
  it('silence is at home nowhere', () => {
    expect(homeOf(parseProgression('N.C. | %').bars)).toBeNull();
  });
});
