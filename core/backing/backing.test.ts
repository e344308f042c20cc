import fc from 'fast-check';
import { arrange, barQuarters, chordSounds, chromaOf, FEELS, parseChord, parseProgression, pulsesOf, sectionEnds, SILENT, spansOf, type Backing, type BackingEvent, type Feel, type Meter } from '../index'; // prettier-ignore

const METERS: Meter[] = [[2, 4], [3, 4], [4, 4], [5, 4], [7, 4], [2, 2], [3, 8], [5, 8], [6, 8], [7, 8], [9, 8], [11, 8], [12, 8], [15, 8], [15, 4]]; // prettier-ignore
const barsIn = (text: string, [beats]: Meter) => parseProgression(text, { beats }).bars;
const FORM = '[A] | Bb7 | Eb7/G Ab7#11 | N.C. | Bb7 |[B]| F7alt | Gm7b5 | % | C7b9 |';
type Of<P extends BackingEvent['part']> = Extract<BackingEvent, { part: P }>;
const of = <P extends BackingEvent['part']>(b: Backing, part: P): Of<P>[] => b.events.filter((e): e is Of<P> => e.part === part);
const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6;

/** Where sounds may begin: halves of the pulses, or thirds, and what the fills divide into. */
function onGrid(at: number, meter: Meter): boolean {
  const bar = barQuarters(meter);
  const here = at - Math.floor(at / bar + 1e-9) * bar;
  return pulsesOf(meter).some((p) => [0, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4].some((s) => near(here, p.at + s * p.length)));
}

const all = fc.record({ meter: fc.constantFrom(...METERS), feel: fc.constantFrom(...FEELS) });

it('pulses fill the bar; eighths are gathered by threes and twos (common practice, no published source)', () => {
  const lengths = (m: Meter): number[] => pulsesOf(m).map((p) => p.length * 2);
  for (const m of METERS) expect(pulsesOf(m).reduce((sum, p) => sum + p.length, 0)).toBeCloseTo(barQuarters(m), 9);
  expect(lengths([6, 8])).toEqual([3, 3]);
  expect(lengths([5, 8])).toEqual([3, 2]);
  expect(lengths([7, 8])).toEqual([3, 2, 2]);
  expect(lengths([11, 8])).toEqual([3, 3, 3, 2]);
  expect(lengths([15, 8])).toEqual([3, 3, 3, 3, 3]);
  expect(lengths([3, 4])).toEqual([2, 2, 2]);
});

it('every sound begins on the grid, lies inside the form and has a length, in every meter and feel', () => {
  fc.assert(
    fc.property(all, ({ meter, feel }) => {
      const b = arrange(barsIn(FORM, meter), { meter, feel });
      expect(b.quarters).toBeCloseTo(8 * barQuarters(meter), 6);
      const chordStarts = spansOf(barsIn(FORM, meter), meter).map((s) => s.from);
      for (const e of b.events) {
        expect(e.at).toBeGreaterThanOrEqual(0);
        expect(e.at).toBeLessThan(b.quarters);
        expect(e.length).toBeGreaterThan(0);
        expect(e.gain > 0 && e.gain <= 1).toBe(true);
        expect(onGrid(e.at, meter) || chordStarts.some((t) => near(t, e.at))).toBe(true);
      }
      expect(b.events.map((e) => e.at)).toEqual(b.events.map((e) => e.at).sort((x, y) => x - y));
    }),
    { numRuns: 105 },
  );
});

it('the bass has the lowest note of each chord where it begins, and before a change a note a half or a whole step from the next', () => {
  const meter: Meter = [4, 4];
  for (const feel of FEELS) {
    const bars = barsIn('Bb7 | Eb7/G | F7 | C7 |', meter);
    const bass = of(arrange(bars, { meter, feel }), 'bass');
    const spans = spansOf(bars, meter);
    for (const s of spans) expect((bass.find((e) => near(e.at, s.from))?.midi ?? -1) % 12).toBe(chromaOf(parseChord(s.symbol).bass));
    for (const e of bass) expect(e.midi >= 28 && e.midi <= 52).toBe(true);
    if (feel !== 'straight' && feel !== 'shuffle') continue;
    spans.slice(0, -1).forEach((s, k) => {
      const before = bass.filter((e) => e.at < s.to - 1e-6).at(-1);
      const next = bass.find((e) => near(e.at, spans[k + 1]!.from));
      const by = Math.abs((before?.midi ?? 0) - (next?.midi ?? 99)) % 12;
      expect([1, 2, 10, 11]).toContain(by);
    });
  }
});

it('notes between are tones of the chord', () => {
  const meter: Meter = [4, 4];
  const bars = barsIn('Dm7 | G7 | Cmaj7 | A7 |', meter);
  const bass = of(arrange(bars, { meter, feel: 'straight' }), 'bass');
  spansOf(bars, meter).forEach((s) => {
    const own = bass.filter((e) => e.at >= s.from - 1e-6 && e.at < s.to - 1e-6);
    expect(own).toHaveLength(4);
    for (const e of own.slice(0, -1)) expect(chordSounds(s.symbol)).toContain(e.midi % 12);
  });
});

/** All lines that a bass may play over two chords, told apart by nothing but their cost. */
it('of all lines it may play it plays the smoothest: full enumeration of two bars', () => {
  const cost = (line: { midi: number; wanted: string; root: number }[]): number =>
    line.reduce((sum, { midi, wanted, root }, k) => {
      const rest = 0.15 * Math.abs(midi - 38);
      if (!k) return rest;
      const by = Math.abs(midi - line[k - 1]!.midi);
      const own = rest + (wanted === 'tone' && midi % 12 === root ? 1.5 : 0);
      return sum + own + (by === 0 ? 4 : by <= 2 ? by / 2 : 1 + (3 * (by - 2)) / 7);
    }, 0);
  const range = Array.from({ length: 25 }, (_, k) => 28 + k);
  const [one, two] = [chordSounds('Dm7'), chordSounds('G7')];
  const steps = [
    { wanted: 'root', may: [2], root: 2 },
    { wanted: 'tone', may: one, root: 2 },
    { wanted: 'approach', may: [5, 6, 8, 9], root: 2 },
    { wanted: 'root', may: [7], root: 7 },
    { wanted: 'tone', may: two, root: 7 },
    { wanted: 'approach', may: [0, 1, 3, 4], root: 7 },
  ];
  let lines: { midi: number; wanted: string; root: number }[][] = [[]];
  for (const s of steps) lines = lines.flatMap((l) => range.filter((m) => s.may.includes(m % 12)).map((midi) => [...l, { midi, wanted: s.wanted, root: s.root }])); // prettier-ignore
  const best = Math.min(...lines.map(cost));
  const meter: Meter = [3, 4];
  const played = of(arrange(barsIn('Dm7 | G7 |', meter), { meter, feel: 'straight' }), 'bass');
  expect(cost(played.map((e, k) => ({ midi: e.midi, wanted: steps[k]!.wanted, root: steps[k]!.root })))).toBeCloseTo(best, 9);
});

it('comping sounds the chord and only it, wherever one begins late too, and is silent where none is', () => {
  fc.assert(
    fc.property(all, ({ meter, feel }) => {
      const bars = barsIn(FORM, meter);
      const comping = of(arrange(bars, { meter, feel }), 'comping');
      for (const s of spansOf(bars, meter)) {
        const own = comping.filter((e) => e.at >= s.from - 1e-6 && e.at < s.to - 1e-6);
        if (s.symbol === SILENT) {
          expect(own).toEqual([]);
          continue;
        }
        expect(new Set(own.map((e) => e.midi % 12))).toEqual(new Set(chordSounds(s.symbol)));
        for (const e of own) expect(e.at + e.length).toBeLessThanOrEqual(s.to + 1e-6);
      }
    }),
    { numRuns: 105 },
  );
});

it('grips that are handed over are what is heard, silent chords not counted', () => {
  const meter: Meter = [4, 4];
  const voicings = [[50, 57, 65], null, [43, 53, 59]];
  const comping = of(arrange(barsIn('Dm | N.C. | Em | G7 |', meter), { meter, feel: 'half-time', voicings }), 'comping');
  const at = (t: number): number[] => comping.filter((e) => near(e.at, t)).map((e) => e.midi);
  expect(at(0)).toEqual([50, 57, 65]);
  expect(at(8)).toEqual([52, 55, 59]); // close position from E3
  expect(at(12)).toEqual([43, 53, 59]);
});

it('drums go on through silence; sections end with a fill and begin with a crash; a drone has none', () => {
  const meter: Meter = [4, 4];
  const bars = barsIn(FORM, meter);
  expect([...sectionEnds(bars)]).toEqual([3, 7]);
  const drums = of(arrange(bars, { meter, feel: 'straight' }), 'drums');
  const inBar = (n: number, drum: string): number => drums.filter((e) => e.at >= n * 4 && e.at < n * 4 + 4 && e.drum === drum).length;
  expect(inBar(2, 'hat')).toBe(8);
  expect([2, 3, 4, 7].map((n) => inBar(n, 'tom'))).toEqual([0, 2, 0, 2]);
  expect([0, 3, 4].map((n) => inBar(n, 'crash'))).toEqual([0, 0, 1]);
  expect(of(arrange(bars, { meter, feel: 'drone' }), 'drums')).toEqual([]);
});

it('swung eighths lie two to one', () => {
  const bars = barsIn('C7 | F7 |', [4, 4]);
  const rides = of(arrange(bars, { meter: [4, 4], feel: 'shuffle' }), 'drums').filter((e) => e.drum === 'ride' && e.at < 2);
  expect(rides.map((e) => e.at)).toEqual([0, 1, expect.closeTo(5 / 3, 9)]);
});

it('says what it cannot do', () => {
  const bars = barsIn('C', [4, 4]);
  expect(() => arrange(bars, { meter: [16, 4], feel: 'straight' })).toThrow('2 to 15 beats');
  expect(() => arrange(bars, { meter: [4, 16], feel: 'straight' })).toThrow('count in 2, 4, 8');
  expect(() => arrange(bars, { meter: [4, 4], feel: 'polka' as Feel })).toThrow('feel');
  expect(arrange([], { meter: [4, 4], feel: 'straight' })).toEqual({ quarters: 0, events: [] });
});
