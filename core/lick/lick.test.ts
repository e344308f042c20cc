import fc from 'fast-check';
import { guitar } from '../../tests/support/random';
import {
  barsOf,
  barTicks,
  checkLick,
  checkLine,
  CoreError,
  fingerLick,
  fingerNotes,
  lickPitches,
  lickTicks,
  lickTiming,
  NOTE_VALUES,
  noteValue,
  soundedNotes,
  soundJoins,
  startsOf,
  struckNotes,
  TICKS,
  withPlaces,
  writtenParts,
  type LickNote,
  type Place,
} from '../index';

const n = (string: number, fret: number, ticks = 240, more: Partial<LickNote> = {}): LickNote => ({
  place: { string, fret },
  ticks,
  ...more,
});
const rest = (ticks: number): LickNote => ({ place: null, ticks });

describe('how a lick is played', () => {
  const on = (fret: number, ticks: number, more: Partial<LickNote> = {}): LickNote => ({ place: { string: 3, fret }, ticks, ...more });
  it('the time from note to note holds ties and rests; a rest stands before the note after it', () => {
    const notes = [
      on(5, 240),
      on(7, 240, { join: 'hammer' }),
      on(7, 240, { join: 'tie' }),
      { place: null, ticks: 480 },
      on(9, 120, { bend: 2 }),
      on(7, 120),
    ];
    expect(lickTiming(notes)).toEqual({
      joins: [null, 'hammer', null, null],
      bends: [null, null, 2, null],
      ticks: [240, 960, 120, 120],
      rests: [0, 0, 480, 0],
    });
  });
  it('even notes have the fingers that they have without lengths', () => {
    const frets = [5, 7, 8, 10, 12, 13, 15, 13, 12, 10, 8, 7];
    const notes = frets.map((f) => on(f, 240));
    for (const school of ['finger-per-fret', 'stretch', 'first-and-third', 'no-little-finger'] as const)
      expect(fingerLick(guitar(), notes, { school }).map((s) => s?.finger)).toEqual(
        fingerNotes(guitar(), frets.map((fret) => ({ string: 3, fret })), { school }).map((s) => s.finger),
      ); // prettier-ignore
  });
  it('a bent note goes to the ring finger, a note after a tap to whichever finger is there', () => {
    expect(fingerLick(guitar(), [on(7, 240, { bend: 2 })], { school: 'finger-per-fret' })[0]?.finger).toBe(3);
  });
});

describe('lengths', () => {
  it.each([
    [480, 'quarter', 0, false],
    [720, 'quarter', 1, false],
    [840, 'quarter', 2, false],
    [320, 'quarter', 0, true],
    [160, 'eighth', 0, true],
    [30, '64th', 0, false],
    [1920, 'whole', 0, false],
  ])('%i ticks are a %s with %i dots, triplet: %s', (ticks, type, dots, triplet) => {
    expect(noteValue(ticks)).toMatchObject({ type, dots, triplet });
  });
  it('every written length is told from every other', () => {
    expect(new Set(NOTE_VALUES.map((v) => v.ticks)).size).toBe(NOTE_VALUES.length);
  });
  it('five sixteenths are a quarter and a sixteenth; seven thirtyseconds a double-dotted eighth', () => {
    expect(writtenParts(600).map((v) => v.type)).toEqual(['quarter', '16th']);
    expect(writtenParts(420)).toMatchObject([{ type: 'eighth', dots: 2 }]);
  });
  it('parts make up the whole, but for what is shorter than any sign', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4000 }), (ticks) => {
        const sum = lickTicks(writtenParts(ticks));
        expect(ticks - sum).toBeGreaterThanOrEqual(0);
        expect(ticks - sum).toBeLessThan(20);
      }),
    );
  });
  it('bars by their meter', () => {
    expect([barTicks([4, 4]), barTicks([6, 8]), barTicks([7, 8]), barTicks([3, 2])]).toEqual([1920, 1440, 1680, 2880]);
    expect(() => barTicks([4, 3])).toThrow(CoreError);
  });
});

describe('a lick', () => {
  const lick = [
    n(6, 2),
    n(6, 4, 240, { join: 'hammer' }),
    rest(480),
    n(5, 2, 960),
    n(5, 2, 240, { join: 'tie' }),
    n(5, 4, 720, { bend: 2 }),
  ];
  it('starts each note where the one before ends', () => {
    expect(startsOf(lick)).toEqual([0, 240, 480, 960, 1920, 2160]);
    expect(lickTicks(lick)).toBe(2880);
  });
  it('sounds with ties joined and bends at their target', () => {
    expect(soundedNotes(guitar(), lick).map((s) => [s.midi, s.target, s.start, s.ticks])).toEqual([
      [42, 42, 0, 240],
      [44, 44, 240, 240],
      [47, 47, 960, 1200],
      [49, 51, 2160, 720],
    ]);
    expect(lickPitches(guitar(), lick)).toEqual([42, 44, 47, 49]);
  });
  it('moves to other places, tied notes with theirs', () => {
    const places = [n(6, 2), n(6, 4), n(6, 7), n(6, 9)].map((x) => x.place as { string: number; fret: number });
    const moved = withPlaces(lick, places);
    expect(moved.map((x) => x.place?.fret ?? null)).toEqual([2, 4, null, 7, 7, 9]);
    expect(moved[4]!.join).toBe('tie');
  });
  it('is fingered round rests and ties, and keeps a settled finger', () => {
    const steps = fingerLick(guitar(), [{ ...lick[0]!, finger: 2 }, ...lick.slice(1)], { school: 'finger-per-fret' });
    expect(steps.map((s) => s !== null)).toEqual([true, true, false, true, false, true]);
    expect(steps[0]?.finger).toBe(2);
  });
  it('is cut at barlines and tied across them', () => {
    const bars = barsOf(lick, 1920);
    expect(bars.map((b) => b.map((p) => [p.index, p.start, p.ticks]))).toEqual([
      [[0, 0, 240], [1, 240, 240], [2, 480, 480], [3, 960, 960]],
      [[4, 0, 240], [5, 240, 720]],
    ]); // prettier-ignore
    expect(bars[0]![3]).toMatchObject({ tiedTo: true, tiedFrom: false });
    expect(bars[1]![0]).toMatchObject({ tiedTo: false, tiedFrom: true });
    const long = barsOf([n(1, 1, 1200), n(1, 3, 1920)], 1920);
    expect(long[0]!.map((p) => [p.index, p.ticks, p.tiedTo])).toEqual([[0, 960, true], [0, 240, false], [1, 720, true]]); // prettier-ignore
    expect(long[1]!.map((p) => [p.index, p.ticks, p.tiedFrom])).toEqual([[1, 960, true], [1, 240, true]]); // prettier-ignore
  });
  it('bars hold the same notes in the same order, all of each', () => {
    const note = fc.record({ ticks: fc.constantFrom(60, 80, 120, 160, 240, 320, 480, 600, 720, 960, 2000), gap: fc.boolean() });
    fc.assert(
      fc.property(fc.array(note, { minLength: 1, maxLength: 20 }), fc.constantFrom(1920, 1440, 1680), (list, per) => {
        const notes = list.map(({ ticks, gap }, k) => (gap ? rest(ticks) : n(1, k % 12, ticks)));
        const bars = barsOf(notes, per);
        const order = bars.flat().map((p) => p.index);
        expect(order).toEqual([...order].sort((a, b) => a - b));
        const kept = new Map<number, number>();
        for (const p of bars.flat()) kept.set(p.index, (kept.get(p.index) ?? 0) + p.ticks);
        notes.forEach((x, k) => expect(kept.get(k)).toBe(x.ticks));
      }),
    );
  });
  it('joins only what can be joined', () => {
    const wrong = [n(6, 4, TICKS, { join: 'hammer' }), n(6, 2, TICKS, { join: 'hammer' }), n(5, 2, TICKS, { join: 'slide' }), n(5, 3, TICKS, { join: 'tie' })]; // prettier-ignore
    expect(soundJoins(wrong).map((x) => x.join)).toEqual([undefined, undefined, undefined, undefined]);
    expect(soundJoins(lick)).toEqual(lick);
    expect(() => checkLick(guitar(), wrong)).toThrow('notes[0].join');
    expect(() => checkLick(guitar(), [n(7, 2)])).toThrow(CoreError);
    expect(() => checkLick(guitar(), [n(6, 2, 0)])).toThrow('notes[0].ticks');
    expect(() => checkLick(guitar(), [n(6, 2, 10, { bend: 9 })])).toThrow('1 to 5 half steps');
    expect(struckNotes(lick).map((s) => s.index)).toEqual([0, 1, 3, 5]);
  });
});

describe('taps', () => {
  it('a tap held over a barline is the same to the other hand as one sign', () => {
    const tail: LickNote[] = [{ place: { string: 1, fret: 20 }, ticks: 60 }];
    const head: LickNote[] = [
      { place: { string: 1, fret: 1 }, ticks: 60, bend: 3 },
      { place: null, ticks: 960 },
    ];
    const tap = (ticks: number, join: 'tap' | 'tie'): LickNote => ({ place: { string: 1, fret: 1 }, ticks, join });
    const fingers = (notes: LickNote[]) =>
      fingerLick(guitar(24), notes, { school: 'finger-per-fret' }).flatMap((s) => (s ? [s.finger] : []));
    expect(fingers([...head, tap(900, 'tap'), tap(540, 'tie'), ...tail])).toEqual(fingers([...head, tap(1440, 'tap'), ...tail]));
  });
  const i = guitar();
  const tapped: LickNote[] = [
    { place: { string: 2, fret: 5 }, ticks: 240 },
    { place: { string: 2, fret: 8 }, ticks: 240, join: 'hammer' },
    { place: { string: 2, fret: 12 }, ticks: 240, join: 'tap' },
    { place: { string: 2, fret: 5 }, ticks: 240, join: 'pull' },
  ];
  it('are played by the other hand: the fretting hand stays, and needs no finger for them', () => {
    const steps = fingerLick(i, tapped, { school: 'finger-per-fret' });
    expect(steps.map((s) => s?.finger)).toEqual([1, 4, 0, 1]);
    expect(new Set(steps.map((s) => s?.handFret)).size).toBe(1);
  });
  it('need a fret, and no note before them', () => {
    expect(soundJoins(tapped)).toEqual(tapped);
    expect(soundJoins([{ place: { string: 3, fret: 7 }, ticks: 240, join: 'tap' }])[0]!.join).toBe('tap');
    expect(soundJoins([{ place: { string: 3, fret: 0 }, ticks: 240, join: 'tap' }])[0]!.join).toBeUndefined();
    expect(soundJoins([{ place: null, ticks: 240, join: 'tap' }])[0]!.join).toBeUndefined();
  });
  it('are no reach and no slur of one finger to the checker', () => {
    const places = tapped.map((n) => n.place as Place);
    expect(checkLine(i, { tonic: 'E', scale: 'chromatic' }, places, { joins: tapped.map((n) => n.join), ticks: [120, 120, 120, 120], tempo: 200, fingers: [1, 4, 0, 1] })).toEqual([]); // prettier-ignore
  });
});
