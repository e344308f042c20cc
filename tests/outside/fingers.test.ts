import { readFileSync } from 'node:fs';
import { fingerNotes, type FingeringSchool, type Instrument, type Join, type Place } from '../../core';

/** A line with the fingering that players use: common practice, no published source. */
interface Fact {
  id: string;
  school: FingeringSchool;
  notes: string;
  fingers?: string;
  /** Equally good answers. */
  any?: string[];
  /** Indices of notes reached by a slide on the same finger. */
  slide?: number[];
  join?: Record<string, 'h' | 'p' | 's'>;
  bend?: Record<string, number>;
}
const { lines } = JSON.parse(readFileSync(new URL('./fingers.json', import.meta.url), 'utf8')) as { lines: Fact[] };
const guitar: Instrument = {
  name: 'guitar',
  strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })),
  frets: 24,
  scaleLengthMm: 648,
};
const JOINS: Record<'h' | 'p' | 's', Join> = { h: 'hammer', p: 'pull', s: 'slide' };
const placesIn = (text: string): Place[] =>
  text.split(' ').map((p) => ({ string: Number(p.split('/')[0]), fret: Number(p.split('/')[1]) })); // prettier-ignore

const steps = (f: Pick<Fact, 'school' | 'notes' | 'join' | 'bend'>) => {
  const places = placesIn(f.notes);
  const joins = places.map((_, k) => (f.join?.[k] ? JOINS[f.join[k]] : null));
  const bends = places.map((_, k) => f.bend?.[k] ?? null);
  return fingerNotes(guitar, places, { school: f.school, joins, bends, hand: { size: 'medium' } });
};
const fingers = (f: Parameters<typeof steps>[0]): string => steps(f).map((s) => s.finger).join(' '); // prettier-ignore

describe('lines as players finger them', () => {
  it.each(lines)('$id, $school', (fact) => {
    expect(fact.any ?? [fact.fingers]).toContain(fingers(fact));
    for (const k of fact.slide ?? []) expect(steps(fact)[k]!.move).toBe('slide');
  });
});

// More of the same kind, ours; common practice, no published source.
describe('what a hand does', () => {
  const FPF = 'finger-per-fret' as const;
  it('holds what it holds at one place within its span: 2 4 5 7 on a thick string takes a shift', () => {
    const hands = steps({ school: 'stretch', notes: '4/2 4/4 4/5 4/7' }).map((s) => s.handFret);
    expect(new Set(hands).size).toBeGreaterThan(1);
  });
  it('rolls to the next string alone: across a skipped one it takes two fingers', () => {
    const [a, b] = steps({ school: FPF, notes: '6/5 1/5' }).map((s) => s.finger);
    expect(a).not.toBe(b);
  });
  it.each([
    ['the open position, then in groups', 'stretch', '1/0 1/2 1/3 1/5 1/7 1/8 1/10 1/12', ['0 1 2 4 1 2 4 1', '0 1 2 4 1 2 1 3']],
    ['whole steps up one string', 'first-and-third', '6/5 6/7 6/9 6/11 6/13 6/15', ['1 3 1 3 1 3']],
    ['a chromatic line by index and ring', 'first-and-third', '6/5 6/6 6/7 6/8', ['1 2 3 4']],
    ['a box that never leaves its four frets', FPF, '6/8 6/10 5/7 5/10 4/7 4/10 3/7 3/9 2/8 2/10 1/8 1/10', ['2 4 1 4 1 4 1 3 2 4 2 4']],
    ['the pedal beyond the reach', FPF, '1/12 1/8 1/12 1/7 1/12 1/5 1/12', ['4 1 4 1 4 1 4']],
    [
      'the diagonal with ♮3 and ♭5: hammered, passing, slides by the ring finger',
      'first-and-third',
      '6/3 6/5 5/3 5/4 5/5 5/6 5/7 4/5 4/7 3/5 3/6 3/7 3/8 3/9 2/8 2/10 1/8 1/9 1/10 1/11 1/12',
      ['1 3 1 2 3 3 3 1 3 1 2 3 3 4 1 3 1 2 3 3 4'],
    ],
  ] as const)('%s', (_, school, notes, any) => {
    expect(any).toContain(fingers({ school, notes }));
  });
  it('moves where there is time: in a long note or a rest rather than between short ones', () => {
    const places = placesIn('1/5 1/6 1/7 1/8 1/9 1/10');
    const shiftsAt = (o: { ticks?: number[]; rests?: number[] }): number[] =>
      fingerNotes(guitar, places, { school: FPF, tempo: 120, ...o }).flatMap((s, k, all) =>
        k && s.handFret !== all[k - 1]!.handFret ? [k] : [],
      );
    const even = places.map(() => 240);
    for (const long of [2, 3, 4]) {
      const ticks = even.map((t, k) => (k === long - 1 ? 960 : t / 2));
      expect(shiftsAt({ ticks })).toEqual([long]);
      const rests = even.map((_, k) => (k === long ? 480 : 0));
      expect(shiftsAt({ ticks: even.map((t, k) => (k === long - 1 ? 720 : t / 2)), rests })).toEqual([long]);
    }
  });
});
