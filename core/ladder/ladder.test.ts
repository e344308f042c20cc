import fc from 'fast-check';
import { guitar, namedScale, usualInstrument } from '../../tests/support/random';
import type { CoreError } from '../index';
import { fretDistanceMm, ladder, type Layout } from '../index';

const LAYOUTS: Layout[] = [{ kind: 'box' }, { kind: 'per-string', notes: 3 }, { kind: 'window' }];

describe('the ladder', () => {
  it('joins neighbours by exactly the places they share, with either hand’s finger', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, fc.constantFrom(...LAYOUTS), (i, ref, layout) => {
        let found;
        try {
          found = ladder(i, ref, layout);
        } catch (e) {
          return expect((e as CoreError).code).toMatch(/NO_SHAPE_FITS|NO_SKELETON/);
        }
        const { rungs, seams } = found;
        expect(seams).toHaveLength(rungs.length - 1);
        seams.forEach((seam, k) => {
          const naive: string[] = [];
          for (const a of rungs[k]!.notes)
            for (const b of rungs[k + 1]!.notes)
              if (a.string === b.string && a.fret === b.fret) naive.push(`${a.string}/${a.fret} ${a.finger} ${b.finger}`);
          const got = seam.shared.map((s) => `${s.place.string}/${s.place.fret} ${s.fingerBelow} ${s.fingerAbove}`);
          expect(new Set(got)).toEqual(new Set(naive));
        });
      }),
      { numRuns: 40 },
    );
  });

  it('counts a place once, though a split run touches it twice', () => {
    for (const seam of ladder(guitar(), { tonic: 'C', scale: 'ionian' }, { kind: 'split' }).seams) {
      const places = seam.shared.map((s) => `${s.place.string}/${s.place.fret}`);
      expect(new Set(places).size).toBe(places.length);
      expect(places.length).toBeGreaterThan(0);
    }
  });

  it('measures the shift from hand to hand', () => {
    const { rungs, seams } = ladder(guitar(), { tonic: 'F#', scale: 'dorian' }, { kind: 'box' });
    expect(rungs.map((r) => r.handFret)).toEqual([2, 4, 6, 9, 11, 14, 16, 18]);
    expect(seams.map((s) => s.shiftFrets)).toEqual([2, 2, 3, 2, 3, 2, 2]);
    expect(seams[0]!.shiftMm).toBeCloseTo(fretDistanceMm(guitar(), 1, 2, 4), 9);
    expect(seams[0]!.shared).toHaveLength(9);
  });

  it('has one rung and no seam where a layout has one shape', () => {
    expect(ladder(guitar(), { tonic: 'C', scale: 'ionian' }, { kind: 'one-string', string: 2 })).toMatchObject({ rungs: [{}], seams: [] });
  });
});
