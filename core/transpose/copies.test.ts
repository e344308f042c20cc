import fc from 'fast-check';
import { midi } from '../../tests/support/naive';
import { guitar } from '../../tests/support/random';
import { everyWay, naiveHand, WEIGHTS } from '../../tests/support/hand';
import { copiesOf, placesOf, type Instrument, type Place } from '../index';

const at = (string: number, fret: number): Place => ({ string, fret });

describe('copies as a player ranks them', () => {
  const open = [0, 64, 59, 55, 50, 45, 40];
  const line = (text: string): Place[] => text.split(' ').map((p) => at(Number(p.split('/')[0]), Number(p.split('/')[1]))); // prettier-ignore
  const rankOf = (text: string, o: Partial<Parameters<typeof copiesOf>[2]>): number => {
    const places = line(text);
    const copies = copiesOf(guitar(22), places.map((p) => open[p.string]! + p.fret), { school: 'finger-per-fret', ...o }); // prettier-ignore
    return copies.findIndex((c) => c.steps.every((s, k) => s.string === places[k]!.string && s.fret === places[k]!.fret));
  };
  // Common practice, no published source: where players play them is first or second of all their copies.
  it.each<[string, string, Partial<Parameters<typeof copiesOf>[2]>]>([
    ['a blues lick in box 1', '3/7 1/5 2/8 2/5 3/7 3/5 4/7', { bends: [2] }],
    ['box 1 pulled off', '2/8 2/5 3/7 3/5 4/7 4/5', { joins: [null, 'pull', null, 'pull', null, 'pull'] }],
    ['a riff in open position', '6/0 6/3 5/0 5/2 4/0 4/2', {}],
    ['an open A minor line', '5/0 5/3 4/2 3/0 3/2 2/1 1/0', {}],
  ])('%s', (_, text, o) => {
    expect(rankOf(text, o)).toBeGreaterThanOrEqual(0);
    expect(rankOf(text, o)).toBeLessThan(2);
    expect(rankOf(text, { ...o, school: 'first-and-third' })).toBeLessThan(2);
  });
  it('at pitch first, then the octave below and above, by effort within each', () => {
    const copies = copiesOf(guitar(22), [57, 60, 62], { school: 'finger-per-fret', octaves: [1, 0, -1] });
    const order = [0, -1, 1];
    const keys = copies.map((c) => [order.indexOf(c.octave), c.cost] as const);
    expect(new Set(keys.map(([o]) => o)).size).toBe(3);
    expect(keys).toEqual([...keys].sort((a, b) => a[0] - b[0] || a[1] - b[1]));
  });
  it('never tear joined notes onto two strings', () => {
    const joins = fc.array(fc.constantFrom('hammer' as const, 'pull' as const, 'slide' as const, null, null), {
      minLength: 6,
      maxLength: 6,
    });
    const steps = fc.array(fc.integer({ min: -4, max: 4 }), { minLength: 5, maxLength: 5 });
    fc.assert(
      fc.property(joins, steps, (asked, by) => {
        const pitches = by.reduce((line, d) => [...line, line[line.length - 1]! + d], [60]);
        const slurs = asked.map((j, k) => (k > 0 && by[k - 1] !== 0 ? j : null));
        for (const c of copiesOf(guitar(22), pitches, { school: 'stretch', octaves: [0], joins: slurs }))
          c.steps.forEach((s, k) => (slurs[k] ? expect(s.string).toBe(c.steps[k - 1]!.string) : undefined));
      }),
      { numRuns: 30 },
    );
  });
});

describe('copies of a line', () => {
  const LICK = [54, 57, 59, 61];
  it('lie at pitch and octaves away, cheapest first in each octave, each once, and sound as asked', () => {
    const copies = copiesOf(guitar(), LICK, { school: 'finger-per-fret' });
    expect(copies.length).toBeGreaterThan(6);
    copies.forEach((c, k) => {
      expect(c.steps.map((s) => midi(guitar(), s) - 12 * c.octave)).toEqual(LICK);
      if (k && c.octave === copies[k - 1]!.octave) expect(c.cost).toBeGreaterThanOrEqual(copies[k - 1]!.cost - 1e-9);
    });
    const keys = copies.map((c) => c.steps.map((s) => `${s.string}/${s.fret}`).join(' '));
    expect(new Set(keys).size).toBe(keys.length);
    expect(new Set(copies.map((c) => c.octave))).toEqual(new Set([-1, 0, 1]));
  });
  it('are the best line in each stretch that cannot be narrower (brute force)', () => {
    const four: Instrument = { ...guitar(12), strings: guitar().strings.slice(2) };
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 42, max: 64 }), { minLength: 2, maxLength: 4 }), (pitches) => {
        const copies = copiesOf(four, pitches, { school: 'finger-per-fret', octaves: [0] });
        const all = everyWay(naiveHand(four, 'finger-per-fret', 'medium', WEIGHTS), pitches.map((p) => placesOf(four, p))); // prettier-ignore
        const spans = new Map<string, { readonly low: number; readonly high: number; cost: number }>();
        for (const [way, cost] of all) {
          const frets = way.trim().split(' ').map((s) => Number(s.split('/')[1])); // prettier-ignore
          const [low, high] = [Math.min(...frets), Math.max(...frets)];
          const known = spans.get(`${low}-${high}`);
          if (known) known.cost = Math.min(known.cost, cost);
          else spans.set(`${low}-${high}`, { low, high, cost });
        }
        for (const s of spans.values()) {
          const narrower = [...spans.values()].some((o) => o !== s && o.low >= s.low && o.high <= s.high);
          if (narrower) continue;
          expect(copies.some((c) => c.lowFret === s.low && c.highFret === s.high && Math.abs(c.cost - s.cost) < 1e-6)).toBe(true);
        }
        const costs = [...all.values()];
        for (const c of copies) expect(costs.some((cost) => Math.abs(cost - c.cost) < 1e-6)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
  it('say region, width, tone and which notes have one place', () => {
    const copies = copiesOf(guitar(), [40, 42, 43], { school: 'finger-per-fret', octaves: [0] });
    expect(copies).toHaveLength(1);
    expect(copies[0]).toMatchObject({ lowFret: 0, highFret: 3, region: 'below', strings: [6], single: [0, 1, 2] });
    const high = copiesOf(guitar(), [76, 78], { school: 'finger-per-fret', octaves: [0], border: 7 });
    expect(high.every((c) => c.region === 'above' && c.single.length === 0)).toBe(true);
    const [brightest] = [...high].sort((a, b) => b.tone - a.tone);
    expect(brightest!.strings).toEqual([1]);
    expect(copiesOf(guitar(), [20], { school: 'finger-per-fret', octaves: [0] })).toEqual([]);
  });
});
