import { DEMO } from '../../../demo';
import { MANNER_OF, MANNERS, STEADY } from './manners';
import { meantOf, rangeOf } from './meant';
import { noteBegun } from './midi-note';
import { heldUntil, longestStroke, played, strokeOf, type MeantNote } from './simulated';

const neck = DEMO.studies[0]!.body.instrument;
const meant: MeantNote[] = Array.from({ length: 400 }, (_, k) => ({
  midi: 50 + (k % 12),
  atMs: k * 250,
  string: 1 + (k % 6),
  lengthMs: 240,
}));

describe('MIDI messages', () => {
  it('only a note on with a velocity begins a note, on whatever channel (MIDI 1.0, channel voice messages)', () => {
    expect(noteBegun([0x90, 60, 1])).toBe(60);
    expect(noteBegun([0x9f, 40, 127])).toBe(40);
    expect(noteBegun([0x90, 60, 0])).toBeNull(); // as good as a note off
    expect(noteBegun([0x80, 60, 64])).toBeNull();
    expect(noteBegun([0xb0, 60, 64])).toBeNull();
    expect(noteBegun([0xfe])).toBeNull();
    expect(noteBegun([0x90, 200, 64])).toBeNull();
    expect(noteBegun([])).toBeNull();
  });
});

describe('the simulated player', () => {
  it('plays the same with the same seed, and otherwise with another', () => {
    const m = { ...MANNER_OF.learner, seed: 5 };
    expect(played(meant, m)).toEqual(played(meant, m));
    expect(played(meant, { ...m, seed: 6 })).not.toEqual(played(meant, m));
  });
  it('as often wrong, missed and as loose as its manner says, from the first note on', () => {
    const m = MANNER_OF.learner;
    const firsts = Array.from({ length: 300 }, (_, seed) => played(meant.slice(0, 1), { ...m, seed }));
    const share = firsts.filter((f) => !f.length).length / firsts.length;
    expect(share).toBeGreaterThan(0.02);
    expect(share).toBeLessThan(0.09);
    const all = played(meant, { ...m, dropped: 0 });
    const wrong = all.filter((n, k) => n.midi !== meant[k]!.midi).length / all.length;
    expect(wrong).toBeGreaterThan(0.04);
    expect(wrong).toBeLessThan(0.13);
    const offs = all.map((n, k) => n.atMs - meant[k]!.atMs);
    expect(Math.max(...offs.map(Math.abs))).toBeLessThanOrEqual(m.loose);
    expect(Math.max(...offs) - Math.min(...offs)).toBeGreaterThan(m.loose);
  });
  it('rushes by as much as it says; silent it plays nothing', () => {
    const early = played(meant, MANNER_OF.rushing).map((n, k) => n.atMs - meant[k]!.atMs);
    expect(Math.max(...early)).toBeLessThanOrEqual(-55);
    expect(played(meant, MANNER_OF.silent)).toEqual([]);
    expect(MANNERS.filter((m) => m !== 'silent').every((m) => played(meant, MANNER_OF[m]).length > 300)).toBe(true);
  });
  it('a string is damped by its next note; strokes last as long as the longest note', () => {
    const two: MeantNote[] = [
      { midi: 60, atMs: 0, string: 2, lengthMs: 900 },
      { midi: 64, atMs: 100, string: 1, lengthMs: 300 },
      { midi: 62, atMs: 500, string: 2, lengthMs: 200 },
    ];
    expect(heldUntil(two, { ...STEADY, ringOnMs: 100 })).toEqual([500, 500, 800]);
    expect(longestStroke(two, STEADY)).toBeCloseTo(1.4);
    expect(new Set(two.map((n, k) => strokeOf(n, k).kind)).size).toBe(3);
  });
});

describe('a drill as it is meant', () => {
  it('lies on its beats, held for its lengths, each note on its string', () => {
    const heard = { sounds: [{ midi: 60, string: 2 }, { midi: 62, string: 2 }], ticks: [240, 480], slurred: [false, true] }; // prettier-ignore
    expect(meantOf(heard, [0, 0.5], 600)).toEqual([
      { midi: 60, string: 2, atMs: 0, lengthMs: 300 * 0.98, slurred: false },
      { midi: 62, string: 2, atMs: 300, lengthMs: 600 * 0.98, slurred: true },
    ]);
  });
  it('an instrument is heard from its lowest open string to a bend above its highest fret', () => {
    expect(rangeOf(neck)).toEqual([40, 64 + neck.frets + 3]);
  });
});
