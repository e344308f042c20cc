import fc from 'fast-check';
import { TICKS } from './rhythm';
import { barsOf, WRITTEN_TYPES, type BarPiece } from './bars';
import type { LickNote } from './types';

const n = (ticks: number, more: Partial<LickNote> = {}): LickNote => ({ place: { string: 1, fret: 1 }, ticks, ...more });
const rest = (ticks: number): LickNote => ({ place: null, ticks });
const short = (p: BarPiece): string => `${p.type}${'.'.repeat(p.dots)}${p.tuplet ? ` ${p.tuplet.actual}:${p.tuplet.normal}` : ''}`;
/** What a sign lasts by its own names, in ticks: a whole note, halved, dotted, in its tuplet. */
const lasts = ({ type, dots, tuplet }: BarPiece): number =>
  ((TICKS * 4) / 2 ** WRITTEN_TYPES.indexOf(type)) * (2 - 1 / 2 ** dots) * (tuplet ? tuplet.normal / tuplet.actual : 1);

describe('a lick in bars', () => {
  it('plain lengths are one sign; across a barline they are tied', () => {
    const [one, two] = barsOf([n(480), n(960), n(720), n(240), n(1440)], 1920);
    expect(one!.map(short)).toEqual(['quarter', 'half', 'quarter']);
    expect(two!.map(short)).toEqual(['eighth', 'eighth', 'half.']);
    expect([one![2], two![0]].map((p) => [p!.index, p!.tiedFrom, p!.tiedTo])).toEqual([[2, false, true], [2, true, false]]); // prettier-ignore
  });
  it('double-dotted, 64ths and 32nd triplets over a bar lose nothing', () => {
    const [bar, next] = barsOf([n(840), n(30), n(930), n(40), n(40), n(40), n(840), n(30), n(1050)], 1920);
    expect(bar!.map(short).slice(0, 2)).toEqual(['quarter..', '64th']);
    expect(bar!.filter((p) => p.tuplet).map(short)).toEqual(['32nd 3:2', '32nd 3:2', '32nd 3:2']);
    expect([bar, next].map((b) => b!.reduce((sum, p) => sum + p.ticks, 0))).toEqual([1920, 1920]);
  });
  it('triplets of eighths, of quarters, of halves; a broken one stays a triplet', () => {
    expect(barsOf([n(160), n(160), n(160), n(1440)], 1920)[0]!.map(short)).toEqual(['eighth 3:2', 'eighth 3:2', 'eighth 3:2', 'half.']);
    expect(barsOf([n(320), n(320), n(320), n(960)], 1920)[0]!.map(short)).toEqual(['quarter 3:2', 'quarter 3:2', 'quarter 3:2', 'half']);
    expect(barsOf([n(640), n(640), n(640)], 1920)[0]!.map(short)).toEqual(['half 3:2', 'half 3:2', 'half 3:2']);
    expect(barsOf([n(320), n(160), n(480)], 960)[0]!.map(short)).toEqual(['quarter 3:2', 'eighth 3:2', 'quarter']);
  });
  it('no sign is longer than a whole note, twice dotted at most', () => {
    expect(barsOf([n(3840), n(3360), n(480)], 7680)[0]!.map(short)).toEqual(['whole..', 'quarter', 'whole..', 'quarter']);
  });
  it('parts that ticks do not divide evenly are tuplets all the same', () => {
    const sevenths = (length: number): LickNote[] =>
      Array.from({ length: 7 }, (_, k) => n(Math.round(((k + 1) * length) / 7) - Math.round((k * length) / 7)));
    expect(
      new Set(
        barsOf([...sevenths(480), n(1440)], 1920)[0]!
          .slice(0, 7)
          .map(short),
      ),
    ).toEqual(new Set(['16th 7:4']));
    expect(new Set(barsOf(sevenths(960), 1920)[0]!.map(short))).toEqual(new Set(['eighth 7:4']));
    const [bar] = barsOf([...sevenths(480).slice(0, 3), n(480 - 206), n(1440)], 1920);
    expect(bar!.map(short).slice(0, 4)).toEqual(['16th 7:4', '16th 7:4', '16th 7:4', 'quarter 7:4']);
  });
  it('a triplet off the beat is one where that is simplest', () => {
    expect(barsOf([n(720), n(160), n(160), n(160), n(720)], 1920)[0]!.map(short)).toEqual(['quarter.', 'eighth 3:2', 'eighth 3:2', 'eighth 3:2', 'quarter.']); // prettier-ignore
  });
  it('five, six and more in the time of the next lower power of two', () => {
    expect(barsOf(Array.from({ length: 5 }, () => n(96)), 480)[0]!.map(short)).toEqual(new Array(5).fill('16th 5:4')); // prettier-ignore
    expect(barsOf(Array.from({ length: 6 }, () => n(80)), 480)[0]!.map(short).every((s) => / (3:2|6:4)$/.test(s))).toBe(true); // prettier-ignore
    const [first] = barsOf(Array.from({ length: 5 }, () => n(96)), 480); // prettier-ignore
    expect(first!.map((p) => [p.tuplet?.first, p.tuplet?.last])).toEqual([[true, false], [false, false], [false, false], [false, false], [false, true]]); // prettier-ignore
  });
  it('a rest is never tied, a tie of the lick is', () => {
    const [bar] = barsOf([rest(600), n(120), n(240, { join: 'tie' }), rest(960)], 1920);
    expect(bar!.filter((p) => p.tiedFrom || p.tiedTo).map((p) => p.index)).toEqual([1, 2]);
  });
  it('whatever the lengths and the meter: every bar is full, every sign lasts as long as it says, ties and groups are whole', () => {
    const ticks = fc.oneof(
      fc.constantFrom(30, 40, 60, 80, 96, 120, 160, 240, 320, 360, 480, 840, 960, 1920),
      fc.integer({ min: 1, max: 3840 }),
    );
    const notes = fc.array(fc.record({ ticks, sounds: fc.boolean() }), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(notes, fc.constantFrom(240, 720, 960, 1440, 1680, 1920, 2400, 3600, 7680), (some, perBar) => {
        const lick = some.map((s) => (s.sounds ? n(s.ticks) : rest(s.ticks)));
        const total = some.reduce((sum, s) => sum + s.ticks, 0);
        const bars = barsOf(lick, perBar);
        expect(bars).toHaveLength(Math.ceil(total / perBar));
        bars.forEach((bar, k) => {
          let at = 0;
          for (const p of bar) {
            expect(WRITTEN_TYPES).toContain(p.type);
            expect(p.start).toBe(at);
            expect(Number.isInteger(p.ticks) && p.ticks > 0).toBe(true);
            expect(Math.abs(lasts(p) - p.ticks)).toBeLessThan(p.tuplet ? 1 : 1e-6); // sevenths of a quarter are no whole ticks
            at += p.ticks;
          }
          expect(at).toBe(k + 1 < bars.length ? perBar : total - k * perBar);
          // Groups open and close in turn.
          let open = false;
          for (const { tuplet } of bar) {
            if (tuplet) expect(tuplet.first).toBe(!open);
            open = tuplet ? !tuplet.last : false;
          }
          expect(open).toBe(false);
        });
        const pieces = bars.flat();
        lick.forEach((note, index) => {
          const mine = pieces.filter((p) => p.index === index);
          expect(mine.reduce((sum, p) => sum + p.ticks, 0)).toBe(note.ticks);
          mine.forEach((p, k) => expect([p.tiedFrom, p.tiedTo]).toEqual(note.place ? [k > 0, k + 1 < mine.length] : [false, false]));
        });
      }),
      { numRuns: 200 },
    );
  });
});
