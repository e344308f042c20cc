import fc from 'fast-check';
import { scorePass, type TimedNote } from '../index';

const line = (...midis: number[]): TimedNote[] => midis.map((midi, k) => ({ midi, atMs: k * 500 }));

describe('a pass that was heard', () => {
  it('all right, early and late as played, in any order', () => {
    const heard = [{ midi: 62, atMs: 520 }, { midi: 60, atMs: -10 }, { midi: 64, atMs: 1000 }]; // prettier-ignore
    expect(scorePass(line(60, 62, 64), heard)).toEqual({
      notes: [{ verdict: 'right', heardMidi: 60, offMs: -10 }, { verdict: 'right', heardMidi: 62, offMs: 20 }, { verdict: 'right', heardMidi: 64, offMs: 0 }],
      extra: [],
      clean: true,
    }); // prettier-ignore
  });
  it('wrong, missed and extra', () => {
    const heard = [{ midi: 60, atMs: 0 }, { midi: 63, atMs: 510 }, { midi: 71, atMs: 800 }]; // prettier-ignore
    const { notes, extra, clean } = scorePass(line(60, 62, 64), heard);
    expect(notes.map((n) => n.verdict)).toEqual(['right', 'wrong', 'missed']);
    expect(notes[1]).toEqual({ verdict: 'wrong', heardMidi: 63, offMs: 10 });
    expect([extra, clean]).toEqual([[2], false]);
  });
  it('equal pitch goes before nearness: two notes that came close together are each their own', () => {
    const expected = [{ midi: 60, atMs: 0 }, { midi: 62, atMs: 100 }]; // prettier-ignore
    const heard = [{ midi: 62, atMs: 20 }, { midi: 60, atMs: 80 }]; // prettier-ignore
    expect(scorePass(expected, heard).notes.map((n) => n.verdict)).toEqual(['right', 'right']);
  });
  it('the latency is set off; the window is where it ends', () => {
    expect(scorePass(line(60), [{ midi: 60, atMs: 230 }], { latencyMs: 80 }).notes[0]).toEqual({
      verdict: 'right',
      heardMidi: 60,
      offMs: 150,
    });
    expect(scorePass(line(60), [{ midi: 60, atMs: 231 }], { latencyMs: 80 }).notes[0]).toEqual({ verdict: 'missed' });
    expect(scorePass(line(60), [{ midi: 60, atMs: 231 }], { latencyMs: 80, windowMs: 160 }).notes[0]!.verdict).toBe('right');
  });
  it('clean needs all notes and 95 % of them in time: one late of twenty is, two are not', () => {
    const twenty = line(...Array.from({ length: 20 }, (_, k) => 50 + k));
    const late = (n: number): TimedNote[] => twenty.map((t, k) => ({ ...t, atMs: t.atMs + (k < n ? 61 : 60) }));
    expect([0, 1, 2].map((n) => scorePass(twenty, late(n)).clean)).toEqual([true, true, false]);
    expect(scorePass(twenty, [...late(0), { midi: 99, atMs: 9990 }]).clean).toBe(false);
    expect(scorePass(twenty, late(2), { lateMs: 61 }).clean).toBe(true);
    expect(scorePass([], []).clean).toBe(false);
  });
  it('every heard note is one note’s or extra, every expected one has a verdict, and right means the pitch: random passes', () => {
    const note = fc.record({ midi: fc.integer({ min: 60, max: 63 }), atMs: fc.integer({ min: 0, max: 2000 }) });
    fc.assert(
      fc.property(fc.array(note, { maxLength: 12 }), fc.array(note, { maxLength: 12 }), (expected, heard) => {
        const { notes, extra } = scorePass(expected, heard);
        expect(notes).toHaveLength(expected.length);
        expect(notes.filter((n) => n.verdict !== 'missed').length + extra.length).toBe(heard.length);
        notes.forEach((n, k) => {
          if (n.verdict === 'missed') return;
          expect(n.verdict === 'right').toBe(n.heardMidi === expected[k]!.midi);
          expect(Math.abs(n.offMs ?? 999)).toBeLessThanOrEqual(150);
        });
        // Nothing within reach of an extra note was missed.
        for (const h of extra) notes.forEach((n, k) => { if (n.verdict === 'missed') expect(Math.abs(heard[h]!.atMs - expected[k]!.atMs)).toBeGreaterThan(150); }); // prettier-ignore
      }),
      { numRuns: 400 },
    );
  });
  it('a played pass comes back as it was played, however it is shuffled', () => {
    const notes = fc.array(fc.record({ midi: fc.integer({ min: 40, max: 80 }), off: fc.integer({ min: -70, max: 70 }), lost: fc.boolean() }), { minLength: 1, maxLength: 40 }); // prettier-ignore
    fc.assert(
      fc.property(notes, fc.integer({ min: 0, max: 1e6 }), (played, seed) => {
        const expected = played.map(({ midi }, k) => ({ midi, atMs: k * 400 }));
        const heard = played.flatMap(({ midi, off, lost }, k) => (lost ? [] : [{ midi, atMs: k * 400 + off }]));
        const mixed = heard.map((h, k) => ({ h, key: Math.sin(seed + k * 12.9898) })).sort((a, b) => a.key - b.key).map((x) => x.h); // prettier-ignore
        const score = scorePass(expected, mixed);
        expect(score.extra).toEqual([]);
        score.notes.forEach((n, k) => expect(n).toEqual(played[k]!.lost ? { verdict: 'missed' } : { verdict: 'right', heardMidi: played[k]!.midi, offMs: played[k]!.off })); // prettier-ignore
      }),
      { numRuns: 200 },
    );
  });
  it('refuses limits out of range', () => {
    expect(() => scorePass([], [], { windowMs: 5 })).toThrow('windowMs');
    expect(() => scorePass([], [], { latencyMs: 5000 })).toThrow('latencyMs');
    expect(() => scorePass([], [], { lateMs: 0 })).toThrow('lateMs');
  });
});
