import fc from 'fast-check';
import { guitar } from '../../tests/support/random';
import { fingerNotes, layOut, type FingeringSchool, type Place } from '../index';
import { handModel } from './index';
import { holdsOf, passCost, type Hold } from './model';

const SCHOOLS: FingeringSchool[] = ['finger-per-fret', 'first-and-third', 'stretch', 'no-little-finger'];
const fretted = fc.record({ string: fc.integer({ min: 1, max: 6 }), fret: fc.integer({ min: 1, max: 20 }) });

/** Every fingering there is, one after another: the naive twin of the search. */
function cheapestByForce(places: Place[], school: FingeringSchool): number {
  const m = handModel(guitar(), school);
  let best = Infinity;
  const walk = (k: number, last: Hold | null, cost: number): void => {
    if (cost >= best) return;
    if (k === places.length) return void (best = cost);
    const p = places[k];
    for (const h of holdsOf(m, p.string, p.fret)) {
      walk(k + 1, h, cost + h.cost + (last ? passCost(m, last, h) : 0));
    }
  };
  walk(0, null, 0);
  return best;
}

describe('the search', () => {
  it.each(SCHOOLS)('finds the least effort there is, by %s', (school) => {
    fc.assert(
      fc.property(fc.array(fretted, { minLength: 1, maxLength: 5 }), (places) => {
        const cost = fingerNotes(guitar(), places, { school }).reduce((sum, s) => sum + s.costMm, 0);
        expect(cost).toBeCloseTo(cheapestByForce(places, school), 6);
      }),
      { numRuns: 250 },
    );
  });

  it('never puts a lower finger on a higher fret of one string without moving the hand', () => {
    fc.assert(
      fc.property(fc.array(fretted, { minLength: 2, maxLength: 30 }), fc.constantFrom(...SCHOOLS), (places, school) => {
        const steps = fingerNotes(guitar(), places, { school });
        steps.slice(1).forEach((b, k) => {
          const a = steps[k];
          if (a.string === b.string && a.handFret === b.handFret && a.fret !== b.fret)
            expect(Math.sign(b.fret - a.fret)).toBe(Math.sign(b.finger - a.finger));
        });
      }),
      { numRuns: 150 },
    );
  });

  it('leaves open strings to no finger and lets the hand wait there', () => {
    const line = [{ string: 6, fret: 3 }, { string: 5, fret: 0 }, { string: 5, fret: 3 }]; // prettier-ignore
    const steps = fingerNotes(guitar(), line, { school: 'finger-per-fret' });
    expect(steps[1].finger).toBe(0);
    expect(steps[1].handFret).toBe(steps[0].handFret);
    expect(fingerNotes(guitar(), [{ string: 1, fret: 0 }], { school: 'stretch' })[0]).toMatchObject({ finger: 0, move: 'start' });
  });

  it('plays the diagonal with index and ring and slides only (common practice, no published source)', () => {
    const [shape] = layOut(guitar(24), { tonic: 'Eb', scale: 'minor pentatonic' }, { kind: 'diagonal', root: { string: 6, fret: 11 } });
    expect(new Set(shape.notes.map((n) => n.finger))).toEqual(new Set([1, 3]));
    const moves = fingerNotes(guitar(24), shape.notes, { school: 'first-and-third' }).filter((s) => s.handFret !== shape.handFret || s.move !== 'stay').map((s) => s.move); // prettier-ignore
    expect(moves).toContain('slide');
    expect(shape.roots[0]).toEqual({ string: 6, fret: 11 });
    expect(shape.cells[0].fingers).toEqual([1, 3]);
  });

  it('names each move by the first that applies', () => {
    const steps = fingerNotes(guitar(), [{ string: 6, fret: 5 }, { string: 5, fret: 5 }, { string: 5, fret: 7 }, { string: 1, fret: 15 }], { school: 'finger-per-fret' }); // prettier-ignore
    expect(steps.map((s) => s.move)).toEqual(['start', 'roll', 'stay', 'shift']);
  });

  it('refuses what is no school, hand or place', () => {
    const one = [{ string: 1, fret: 1 }];
    expect(() => fingerNotes(guitar(), one, { school: 'thumb' as FingeringSchool })).toThrow('school: "thumb" is none of');
    expect(() => fingerNotes(guitar(), one, { school: 'stretch', hand: { size: 'vast' as 'large' } })).toThrow('hand.size');
    expect(() => fingerNotes(guitar(), [{ string: 7, fret: 1 }], { school: 'stretch' })).toThrow('places[0].string');
  });
});
