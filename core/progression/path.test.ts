import { chordNotes, chromaOf, fretFromNutMm, layOut, parseProgression, scaleNotes, scalePath, scalesForChord, type Instrument, type PathOptions, type ScaleRef } from '../index'; // prettier-ignore

const SIX: Instrument = { name: 'six', strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })), frets: 22, scaleLengthMm: 648 }; // prettier-ignore
const bars = (text: string) => parseProgression(text).bars;
const BLUES = 'Bb7|Eb7|Bb7|%|Eb7|%|Bb7|%|F7|Eb7|Bb7|F7';
const home = { tonic: 'Bb', scale: 'mixolydian' };
const stay: PathOptions = { home, school: 'per-chord', layout: { kind: 'box' }, near: 6 };
const name = (ref: ScaleRef): string => `${ref.tonic} ${String(ref.scale)}`;
const soundsOf = (ref: ScaleRef): Set<number> => new Set(scaleNotes(ref).map((n) => chromaOf(n.name)));

/** The cost of a way as the docstring has it, worked out anew: 1 a mm of the hand, 6 a new note, 60 for a scale that does not fit at all. */
function costOf(way: { ref: ScaleRef; handFret: number; fit: number }[], near: number): number {
  const mm = (f: number): number => fretFromNutMm(648, f);
  return way.reduce((sum, n, k) => {
    const before = way[k - 1];
    const own = before ? soundsOf(before.ref) : null;
    const fresh = own ? [...soundsOf(n.ref)].filter((s) => !own.has(s)).length : 0;
    return sum + Math.abs(mm(n.handFret) - mm(before?.handFret ?? near)) + 6 * fresh + 60 * (1 - n.fit);
  }, 0);
}

describe('a scale and a place for every chord', () => {
  it('the cheapest ways of all: full enumeration of short forms', () => {
    for (const text of ['Bb7|Eb7', 'Bb7|F7|Eb7', 'Gm7|C7']) {
      const symbols = text.split('|');
      const layers = symbols.map((symbol) => {
        const chord = chordNotes(symbol).map(chromaOf);
        const fits = scalesForChord(symbol, { home }).filter((f) => chord.filter((c) => soundsOf(f.ref).has(c)).length >= 3);
        const laid = fits.flatMap((f) => {
          try {
            return [{ f, shapes: layOut(SIX, f.ref, { kind: 'box' }) }];
          } catch {
            return [];
          }
        });
        return laid.slice(0, 6).flatMap(({ f, shapes }) => shapes.map((s) => ({ ref: f.ref, fit: f.fit, handFret: s.handFret })));
      });
      let ways: (typeof layers)[number][] = [[]];
      for (const layer of layers) ways = ways.flatMap((w) => layer.map((n) => [...w, n]));
      const costs = ways.map((w) => costOf(w, 6)).sort((a, b) => a - b);
      const found = scalePath(SIX, bars(text), { ...stay, count: 4 });
      found.forEach((w, k) => expect(w.cost).toBeCloseTo(costs[k]!, 6));
    }
  });
  // Common practice, no published source.
  it('a blues in one place: home over the I, home Dorian over the IV, the hand within a fret or two', () => {
    const [way] = scalePath(SIX, bars(BLUES), stay);
    expect(way!.steps).toHaveLength(12);
    expect(way!.steps.filter((s) => s.symbol === 'Bb7').every((s) => name(s.ref) === 'Bb mixolydian')).toBe(true);
    expect(way!.steps.filter((s) => s.symbol === 'Eb7').every((s) => name(s.ref) === 'Bb dorian')).toBe(true);
    const hands = way!.steps.map((s) => s.shape.handFret);
    expect(Math.max(...hands) - Math.min(...hands)).toBeLessThanOrEqual(2);
    for (const s of way!.steps) expect(s.why).toContain('tones');
  });
  it('one parent over all that it covers', () => {
    const [way] = scalePath(SIX, bars(BLUES), { ...stay, school: 'one-parent' });
    expect(new Set(way!.steps.map((s) => name(s.ref)))).toEqual(new Set(['Bb mixolydian']));
    const [outside] = scalePath(SIX, bars('Bb7 | Bmaj7'), { ...stay, school: 'one-parent' });
    expect(name(outside!.steps[1]!.ref)).not.toBe('Bb mixolydian');
  });
  it('every scale holds three tones of its chord, but what was settled stays as it is and the rest adapts', () => {
    const rust = { tonic: 'E', scale: ['1', 'b2', '3', '#4', '5', 'b7'] };
    const locks = [{ chord: 1, ref: { tonic: 'Bb', scale: 'minor pentatonic' } }, { chord: 2, ref: rust }]; // prettier-ignore
    const [way] = scalePath(SIX, bars('Bb7 | Eb7 | N.C. | F7'), { ...stay, layout: { kind: 'window' }, locks });
    expect(way!.steps.map((s) => s.symbol)).toEqual(['Bb7', 'Eb7', 'F7']);
    expect(name(way!.steps[1]!.ref)).toBe('Bb minor pentatonic');
    expect(way!.steps[2]!.ref).toEqual(rust);
    const [free] = scalePath(SIX, bars(BLUES), stay);
    for (const s of free!.steps) {
      const own = soundsOf(s.ref);
      expect(chordNotes(s.symbol).filter((n) => own.has(chromaOf(n))).length).toBeGreaterThanOrEqual(3);
    }
  });
  it('climbing ends about an octave above where it began; weights do what they name', () => {
    const [up] = scalePath(SIX, bars(BLUES), { ...stay, motion: 'climb' });
    const hands = up!.steps.map((s) => s.shape.handFret);
    expect(hands[11]! - hands[0]!).toBeGreaterThanOrEqual(9);
    expect(hands.every((h, k) => k === 0 || h >= hands[k - 1]!)).toBe(true);
    const travel = (weight: number): number => scalePath(SIX, bars(BLUES), { ...stay, weights: { travel: weight } })[0]!.steps.reduce((sum, s) => sum + s.moveMm, 0); // prettier-ignore
    expect(travel(4)).toBeLessThanOrEqual(travel(0.2));
  });
  it('says what it cannot do', () => {
    expect(() => scalePath(SIX, [], stay)).toThrow('no chord to play over');
    expect(() => scalePath(SIX, bars('N.C. | %'), stay)).toThrow('no chord to play over');
    expect(() => scalePath(SIX, bars('C'), { ...stay, locks: [{ chord: 7, ref: home }] })).toThrow('locks[0].chord');
    expect(() => scalePath(SIX, bars('C'), { ...stay, locks: [{ chord: 0, ref: { tonic: 'C', scale: 'chromatic' } }] })).toThrow('has this layout'); // prettier-ignore
  });
});
