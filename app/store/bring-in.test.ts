import fc from 'fast-check';
import { barTicks, checkLick, lickTicks, midiOf, placesOf, soundedNotes, TICKS, type PitchedNote } from '../../core';
import type { FileLine, LineChange } from '../../formats/line';
import { guitar } from '../../tests/support/random';
import { licksFromLine, neckThatFits, PLAINLY, reachOf, stretchesOf, type Asked, type Destination, type Made } from './bring-in';

const into: Destination = { instrument: guitar(), tempo: 90, school: 'finger-per-fret', hand: { size: 'medium' }, room: 30 };
const line = (notes: PitchedNote[], more: Partial<FileLine> = {}): FileLine => ({ name: 'Line', open: null, capo: 0, tempo: 100, meter: [4, 4], changes: [], notes, remarks: [], voices: [], voice: 'x', ...more }); // prettier-ignore
const quarters = (...midis: (number | null)[]): PitchedNote[] => midis.map((midi) => ({ midi, ticks: TICKS }));
const made = (l: FileLine, asked: Partial<Asked> = {}): Extract<Made, { licks: unknown }> => {
  const m = licksFromLine(into, l, { ...PLAINLY, ...asked });
  if ('why' in m) throw new Error(m.why);
  return m;
};
const pitches = (m: Extract<Made, { licks: unknown }>): number[][] => m.licks.map((l) => soundedNotes(l.instrument ?? guitar(), l.notes).map((n) => n.midi)); // prettier-ignore

describe('notes beyond the neck', () => {
  const low = line(quarters(36, 40, 43)); // C2 lies a third below the lowest string
  it('are counted and named, and nothing comes in as the file has them', () => {
    expect(licksFromLine(into, low)).toMatchObject({ beyond: 1, why: expect.stringContaining('1 of its 3 notes lies beyond this neck (C2)') as string }); // prettier-ignore
    expect(licksFromLine(into, line(quarters(30, 100)))).toMatchObject({ beyond: 2, why: expect.stringContaining('(from F#1 to E7)') as string }); // prettier-ignore
  });
  it('all an octave up, only what fits, or a neck that fits', () => {
    expect(pitches(made(low, { fit: 'up' }))).toEqual([[48, 52, 55]]);
    const inside = made(low, { fit: 'inside' });
    expect(inside.licks[0]!.notes[0]).toEqual({ place: null, ticks: TICKS });
    expect(inside.remarks).toContain('1 note beyond the neck left out: rests stand in their place.');
    const neck = made(low, { fit: 'neck' });
    expect(pitches(neck)).toEqual([[36, 40, 43]]);
    expect(neck.licks[0]!.instrument?.strings.map((s) => s.open)).toEqual(['E4', 'B3', 'G3', 'D3', 'A2', 'E2', 'B1']);
  });
  it('what still lies beyond after the octave is said', () => {
    expect(licksFromLine(into, low, { ...PLAINLY, fit: 'down' })).toMatchObject({ why: expect.stringContaining('3 of its 3 notes lie') as string }); // prettier-ignore
  });
  it('a note tied to one that is left out goes with it', () => {
    const tied = line([{ midi: 30, ticks: TICKS }, { midi: 30, ticks: TICKS, join: 'tie' }, ...quarters(50)]);
    expect(made(tied, { fit: 'inside' }).licks[0]!.notes.map((n) => n.place === null)).toEqual([true, true, false]);
  });
  it('a neck that fits has every pitch, the strings it had, and is one of ours, whatever the pitches', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 16, max: 120 }), { minLength: 1, maxLength: 12 }), (midis) => {
        const neck = neckThatFits(guitar(), midis);
        const span = Math.max(...midis) - Math.min(...midis);
        if (!neck) return expect(span).toBeGreaterThan(60); // six more strings and 36 frets reach far
        expect(neck.strings.length).toBeLessThanOrEqual(12);
        expect(neck.frets).toBeLessThanOrEqual(36);
        const open = neck.strings.map((s) => midiOf(s.open));
        expect(guitar().strings.every((s) => open.includes(midiOf(s.open)))).toBe(true);
        for (const m of midis) expect(placesOf(neck, m).length).toBeGreaterThan(0);
      }),
    );
  });
  it('the reach of a neck is what has a place on it, with a capo too', () => {
    for (const neck of [guitar(), { ...guitar(), capo: 4 }])
      for (let m = 0; m < 128; m++) expect(reachOf(neck)(m)).toBe(placesOf(neck, m).length > 0);
  });
});

describe('tempo and meter changes', () => {
  const change = (at: number, tempo: number, meter: [number, number] = [4, 4]): LineChange => ({ at, tempo, meter });
  const eight = quarters(...Array.from({ length: 16 }, (_, k) => 45 + k));
  it('cut a line into licks, each with its own; bars are counted on', () => {
    const m = made(line(eight, { changes: [change(4 * TICKS, 120, [3, 4]), change(10 * TICKS, 80, [3, 4])] }));
    expect(m.licks.map((l) => [l.name, l.tempo, l.meter, l.notes.length])).toEqual([
      ['Line, bar 1', 100, [4, 4], 4],
      ['Line, bars 2 to 3', 120, [3, 4], 6],
      ['Line, bars 4 to 5', 80, [3, 4], 6],
    ]);
    expect(m.remarks.join(' ')).toContain('Cut into 3 where tempo or meter change');
  });
  it('in one piece where that is wished, which is said', () => {
    const m = made(line(eight, { changes: [change(4 * TICKS, 120)] }), { whole: true });
    expect(m.licks).toHaveLength(1);
    expect(m.remarks).toContain('Its tempo or meter changes 1 time: the first is taken for all of it.');
  });
  it('a tempo inside a bar begins at the barline next to it; one that changes nothing there cuts nothing', () => {
    expect(made(line(eight, { changes: [change(5 * TICKS, 120)] })).licks.map((l) => l.notes.length)).toEqual([4, 12]);
    expect(made(line(eight, { changes: [change(7 * TICKS, 120)] })).licks.map((l) => l.notes.length)).toEqual([8, 8]);
    expect(made(line(eight, { changes: [change(4 * TICKS, 120), change(5 * TICKS, 100)] })).licks).toHaveLength(1);
  });
  it('a line that is played freely keeps its first tempo', () => {
    const changes = Array.from({ length: 40 }, (_, k) => change((k + 1) * 4 * TICKS, 60 + k));
    const m = made(line(quarters(...Array.from({ length: 200 }, () => 50)), { changes }));
    expect(m.licks).toHaveLength(1);
    expect(m.remarks.join(' ')).toContain('40 times, too often to be cut');
  });
  it('whatever the notes and changes: every note keeps its time, stretches begin at bars, licks hold', () => {
    const notes = fc.array(fc.record({ midi: fc.option(fc.integer({ min: 40, max: 80 }), { nil: null }), ticks: fc.integer({ min: 1, max: 3840 }) }), { minLength: 1, maxLength: 40 }); // prettier-ignore
    const changes = fc.array(fc.record({ at: fc.integer({ min: 1, max: 30_000 }), tempo: fc.integer({ min: 40, max: 200 }), meter: fc.constantFrom<[number, number]>([4, 4], [3, 4], [7, 8]) }), { maxLength: 5 }); // prettier-ignore
    fc.assert(
      fc.property(notes, changes, (list, marks) => {
        const sorted = [...marks].sort((a, b) => a.at - b.at);
        const whole = line(list, { changes: sorted });
        const stretches = stretchesOf(whole, false);
        const ticks = (all: readonly { ticks: number }[]): number => all.reduce((sum, n) => sum + n.ticks, 0);
        expect(ticks(stretches.flatMap((s) => s.notes))).toBe(ticks(list));
        stretches.slice(0, -1).forEach((s, k) => {
          const next = stretches[k + 1];
          if (s.meter.join() === next!.meter.join() && next!.notes.length) expect(ticks(s.notes) % barTicks(s.meter)).toBe(0);
        });
        const m = licksFromLine(into, whole);
        if ('licks' in m) for (const l of m.licks) {
          checkLick(l.instrument ?? guitar(), l.notes);
          expect(lickTicks(l.notes)).toBeGreaterThan(0);
        }
      }),
      { numRuns: 60 },
    ); // prettier-ignore
  });
});

it('hammer-ons that the places cannot keep are counted', () => {
  const m = made(line([{ midi: 40, ticks: TICKS }, { midi: 76, ticks: TICKS, join: 'hammer' }, ...quarters(50)]));
  expect(m.licks[0]!.notes[1]!.join).toBeUndefined();
  expect(m.remarks).toContain('1 hammer-on, pull-off or slide left out: the notes do not lie on one string.');
});
