import fc from 'fast-check';
import { beatsMet, centsFrom, hertzOf, latencyOf, nearestString, TICKS, weakLick, weakParts, weakSpots, writtenLine, type NoteVerdict, type TimedNote, type WeakStep } from '../index'; // prettier-ignore
import type { Instrument } from '../types';

const STANDARD: Instrument = {
  name: 'six',
  strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })),
  frets: 22,
  scaleLengthMm: 648,
};

const right = (offMs = 0): NoteVerdict => ({ verdict: 'right', heardMidi: 60, offMs });
const WRONG: NoteVerdict = { verdict: 'wrong', heardMidi: 61, offMs: 5 };
const MISSED: NoteVerdict = { verdict: 'missed' };
const step = (string: number, fret: number, finger: 0 | 1 | 2 | 3 | 4, handFret: number): WeakStep => ({ string, fret, finger, handFret });

describe('the delay from a click to its answer', () => {
  const clicks = [0, 600, 1200, 1800, 2400, 3000, 3600, 4200];
  it('is the middle of the answers, and says how wide they lie', () => {
    const offs = [211, 214, 209, 212, 230, 210, 213, 211];
    expect(latencyOf(clicks, clicks.map((c, k) => c + offs[k]!))).toEqual({ latencyMs: 211.5, spreadMs: 1.5, heard: 8 }); // prettier-ignore
  });
  it('a noise now and then, and clicks without an answer, do not move it', () => {
    const onsets = [...clicks.slice(0, 6).map((c) => c + 120), 55, 1333, 2990].sort((a, b) => a - b);
    expect(latencyOf(clicks, onsets)).toMatchObject({ latencyMs: 120, heard: 6 });
  });
  it('a player ahead of the click has less than none', () => {
    expect(latencyOf(clicks, clicks.map((c) => c - 20))?.latencyMs).toBe(-20); // prettier-ignore
  });
  it('too few answers, or answers anywhere, are none', () => {
    expect(latencyOf(clicks, [])).toBeNull();
    expect(latencyOf(clicks, [100, 700, 1300])).toBeNull();
    expect(latencyOf(clicks, [100, 900, 1250, 2200, 2410])).toBeNull();
    expect(latencyOf([], [1, 2])).toBeNull();
  });
  it('whatever the delay, even answers find it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -100, max: 450 }),
        fc.array(fc.integer({ min: -12, max: 12 }), { minLength: 8, maxLength: 8 }),
        (delay, loose) => {
          const found = latencyOf(clicks, clicks.map((c, k) => c + delay + loose[k]!).sort((a, b) => a - b)); // prettier-ignore
          expect(Math.abs((found?.latencyMs ?? 999) - delay)).toBeLessThanOrEqual(12);
        },
      ),
    );
  });
});

describe('weak spots of a line', () => {
  const steps = [step(6, 2, 1, 2), step(6, 4, 3, 2), step(5, 2, 1, 2), step(5, 7, 4, 4), step(4, 4, 1, 4)];
  const passes = [
    [right(), right(), right(80), MISSED, right()],
    [right(10), WRONG, right(70), WRONG, right(-10)],
  ];
  const spots = weakSpots(steps, passes, 60);
  it('by note: what happened, the mean of early and late, and the trouble of it', () => {
    expect(spots.notes[0]).toEqual({ played: 2, wrong: 0, missed: 0, untimely: 0, offMs: 5, trouble: 0 });
    expect(spots.notes[2]).toEqual({ played: 2, wrong: 0, missed: 0, untimely: 2, offMs: 75, trouble: 0.5 });
    expect(spots.notes[3]).toEqual({ played: 2, wrong: 1, missed: 1, untimely: 0, offMs: null, trouble: 1 });
  });
  it('by string, by shift of the hand, by pair of fingers: the worst first', () => {
    expect(spots.strings.map((s) => [s.string, s.trouble])).toEqual([[5, 0.75], [6, 0.25], [4, 0]]); // prettier-ignore
    expect(spots.shifts).toMatchObject([{ from: 2, to: 4, notes: [3], trouble: 1 }]);
    expect(spots.fingers.map((f) => [f.from, f.to, f.trouble])).toEqual([[1, 4, 1], [1, 3, 0.5], [3, 1, 0.5], [4, 1, 0]]); // prettier-ignore
  });
  it('open strings and the same finger again are no pair', () => {
    const open = weakSpots([step(1, 0, 0, 1), step(1, 1, 1, 1), step(2, 1, 1, 1)], [[right(), right(), right()]], 60);
    expect(open.fingers).toEqual([]);
  });
  it('the parts to drill have what leads into a weak note and out of it; those that touch are one', () => {
    const at = (...weak: number[]): { trouble: number }[] => Array.from({ length: 16 }, (_, k) => ({ trouble: weak.includes(k) ? 1 : 0 }));
    expect(weakParts(at())).toEqual([]);
    expect(weakParts(at(0))).toEqual([{ from: 0, to: 1 }]);
    expect(weakParts(at(15))).toEqual([{ from: 13, to: 15 }]);
    expect(weakParts(at(4, 12))).toEqual([{ from: 2, to: 5 }, { from: 10, to: 13 }]); // prettier-ignore
    expect(weakParts(at(4, 8))).toEqual([{ from: 2, to: 9 }]);
  });
  it('as a lick each part begins on a bar line and fills its bars; fingers and lengths are the line’s', () => {
    const ticks = steps.map(() => TICKS / 2);
    const lick = weakLick(steps, ticks, [{ from: 0, to: 1 }, { from: 3, to: 4 }]); // prettier-ignore
    expect(lick.map((n) => [n.place, n.ticks, n.finger])).toEqual([
      [{ string: 6, fret: 2 }, TICKS / 2, 1],
      [{ string: 6, fret: 4 }, 3.5 * TICKS, 3],
      [{ string: 5, fret: 7 }, TICKS / 2, 4],
      [{ string: 4, fret: 4 }, 3.5 * TICKS, 1],
    ]);
  });
  it('any parts of any lengths fill whole bars', () => {
    const lengths = fc.array(fc.constantFrom(120, 160, 240, 320, 480, 960), { minLength: 5, maxLength: 5 });
    fc.assert(
      fc.property(lengths, fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 4 }), (ticks, a, b) => {
        const lick = weakLick(steps, ticks, [{ from: Math.min(a, b), to: Math.max(a, b) }]);
        expect(lick.reduce((sum, n) => sum + n.ticks, 0) % (4 * TICKS)).toBe(0);
        expect(lick.every((n) => n.ticks > 0)).toBe(true);
      }),
    );
  });
});

describe('what was played, written down', () => {
  const at = (...beats: number[]): TimedNote[] => beats.map((b, k) => ({ midi: 60 + k, atMs: 5000 + b * 500 })); // 120 a minute
  it('on the nearest sixteenth; each lasts until the next, the last until its bar ends', () => {
    const line = writtenLine(at(0, 0.52, 1.01, 1.24, 2), 120, 8);
    expect(line.map((n) => [n.midi, n.ticks / TICKS])).toEqual([[60, 0.5], [61, 0.5], [62, 0.25], [63, 0.75], [64, 2]]); // prettier-ignore
  });
  it('triplets where a beat fits them better', () => {
    expect(writtenLine(at(0, 0.34, 0.66, 1, 1.5), 120, 8).map((n) => n.ticks)).toEqual([160, 160, 160, 240, 960, 240]);
  });
  it('a long silence is a rest; nothing is held longer than two beats', () => {
    expect(writtenLine(at(0, 6), 120, 8).map((n) => [n.midi, n.ticks / TICKS])).toEqual([[60, 2], [null, 4], [61, 2]]); // prettier-ignore
  });
  it('only the last bars are kept; of two notes in one place the later goes', () => {
    expect(writtenLine(at(0, 40, 41), 120, 8).map((n) => n.midi)).toEqual([61, 62, null]);
    expect(writtenLine(at(0, 0.01, 1), 120, 8).map((n) => n.midi)).toEqual([60, 62, null]);
    expect(writtenLine([], 120, 8)).toEqual([]);
  });
  it('an even line in sixteenths comes back as it was played, however loosely', () => {
    const loose = fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 16, maxLength: 16 });
    fc.assert(
      fc.property(loose, (offs) => {
        const heard = offs.map((off, k) => ({ midi: 50 + k, atMs: 1000 + k * 150 + (k ? off : 0) })); // 100 a minute
        expect(writtenLine(heard, 100, 8).slice(0, 15).map((n) => n.ticks)).toEqual(new Array(15).fill(120)); // prettier-ignore
      }),
    );
  });
  it('refuses a tempo and bars that are none', () => {
    expect(() => writtenLine(at(0), 5, 8)).toThrow('tempo: 5 is not a number from 20 to 400');
    expect(() => writtenLine(at(0), 120, 0)).toThrow('bars');
  });
});

describe('beats that met the chord', () => {
  const chords = [{ beat: 0, tones: [0, 4, 7] }, { beat: 4, tones: [5, 9, 0] }]; // prettier-ignore
  it('counts what stands on a beat, and the first beat of each chord by itself', () => {
    const notes = [{ beat: 0.1, midi: 60 }, { beat: 1.5, midi: 61 }, { beat: 2, midi: 62 }, { beat: 3.9, midi: 65 }, { beat: 7, midi: 64 }]; // prettier-ignore
    expect(beatsMet(notes, chords, 8)).toEqual({ beats: 4, met: 2, changes: 2, changesMet: 2 });
  });
  it('of two notes on a beat the nearer counts; outside the form nothing does', () => {
    expect(beatsMet([{ beat: 1.2, midi: 60 }, { beat: 0.95, midi: 61 }, { beat: 8, midi: 60 }, { beat: -0.4, midi: 60 }], chords, 8)).toEqual({ beats: 1, met: 0, changes: 0, changesMet: 0 }); // prettier-ignore
  });
  it('before the first chord, and where a bar has none, nothing is asked', () => {
    expect(beatsMet([{ beat: 0, midi: 60 }, { beat: 2, midi: 60 }], [{ beat: 1, tones: [] }], 4)).toEqual({ beats: 0, met: 0, changes: 0, changesMet: 0 }); // prettier-ignore
  });
  it('agrees with asking beat by beat', () => {
    const note = fc.record({ beat: fc.double({ min: 0, max: 7.7, noNaN: true }), midi: fc.integer({ min: 40, max: 80 }) });
    fc.assert(
      fc.property(fc.array(note, { maxLength: 30 }), (notes) => {
        let [beats, met] = [0, 0];
        for (let b = 0; b < 8; b++) {
          const near = notes.filter((n) => Math.abs(n.beat - b) <= 0.25).sort((x, y) => Math.abs(x.beat - b) - Math.abs(y.beat - b));
          if (!near.length) continue;
          beats++;
          if ((b < 4 ? [0, 4, 7] : [5, 9, 0]).includes(near[0]!.midi % 12)) met++;
        }
        expect(beatsMet(notes, chords, 8)).toMatchObject({ beats, met });
      }),
    );
  });
});

describe('open strings in cents', () => {
  it('a quarter tone is 50 cents, an octave 1200', () => {
    expect(centsFrom(440 * 2 ** (1 / 24), 69)).toBeCloseTo(50, 9);
    expect(centsFrom(220, 69)).toBeCloseTo(-1200, 9);
    expect(() => centsFrom(0, 69)).toThrow('hz');
  });
  it('tells the string that is meant, the thinner of two alike', () => {
    expect(nearestString(STANDARD, hertzOf(45) * 1.01)).toMatchObject({ string: 5 });
    expect(nearestString(STANDARD, hertzOf(64)).string).toBe(1);
    // E2 is 82.41 Hz, as tables of equal temperament at A 440 give it, rounded (from memory): a tenth of a cent.
    expect(Math.abs(nearestString(STANDARD, 82.41).cents)).toBeLessThan(0.11);
    const twins = { ...STANDARD, strings: [STANDARD.strings[0]!, STANDARD.strings[0]!, ...STANDARD.strings.slice(2)] };
    expect(nearestString(twins, hertzOf(64)).string).toBe(1);
  });
});
