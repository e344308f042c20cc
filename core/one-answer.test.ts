import fc from 'fast-check';
import { guitar, namedScale } from '../tests/support/random';
import { fingerLick, fingerNotes, layOut, planRoute, type FingeringSchool, type Layout, type Place } from './index';

const LAYOUTS: Layout[] = [
  { kind: 'box' },
  { kind: 'per-string', notes: 3 },
  { kind: 'per-string', notes: 2 },
  { kind: 'split', notes: 3 },
  { kind: 'region', fromFret: 4, toFret: 9 },
];
const SCHOOLS: FingeringSchool[] = ['finger-per-fret', 'first-and-third', 'stretch', 'no-little-finger'];

/** Shapes of many scales with the fingers that the Map shows. */
function* shapes(school: FingeringSchool): Generator<{ places: Place[]; fingers: number[] }> {
  for (const tonic of ['C', 'F#', 'Bb'])
    for (const scale of ['ionian', 'minor pentatonic', 'harmonic minor'])
      for (const layout of [
        ...LAYOUTS,
        { kind: 'diagonal', root: { string: 6, fret: tonic === 'C' ? 8 : tonic === 'F#' ? 2 : 6 } } as const,
      ])
        try {
          for (const s of layOut(guitar(), { tonic, scale }, layout, { school })) {
            const places = s.notes.map(({ string, fret }) => ({ string, fret }));
            yield { places, fingers: s.notes.map((n) => n.finger ?? 0) };
          }
        } catch {
          continue; // a layout that this scale does not have
        }
}

describe('one answer everywhere: the same notes, school and hand have the same fingers', () => {
  it.each(SCHOOLS)('on the Map, in Licks and in the core, by %s', (school) => {
    let count = 0;
    for (const { places, fingers } of shapes(school)) {
      count++;
      expect(fingerNotes(guitar(), places, { school }).map((s) => s.finger)).toEqual(fingers);
      const lick = places.map((place) => ({ place, ticks: 240 }));
      expect(fingerLick(guitar(), lick, { school }).map((s) => s?.finger)).toEqual(fingers);
    }
    expect(count).toBeGreaterThan(150);
  });
  it('and along a route on the same places, whatever the line', () => {
    const place = fc.record({ string: fc.integer({ min: 1, max: 6 }), fret: fc.integer({ min: 0, max: 15 }) });
    const open = [0, 64, 59, 55, 50, 45, 40];
    fc.assert(
      fc.property(fc.array(place, { minLength: 2, maxLength: 16 }), fc.constantFrom(...SCHOOLS), namedScale, (places, school, ref) => {
        const pitches = places.map((p) => open[p.string]! + p.fret);
        const held = places.map((p, index) => ({ ...p, index }));
        const [route] = planRoute(guitar(), ref, { pitches, held, school, count: 1 });
        const effort = fingerNotes(guitar(), places, { school }).reduce((sum, s) => sum + s.costMm, 0);
        const as = fingerNotes(guitar(), places, { school, pins: route!.steps.flatMap((s, index) => (s.finger ? [{ index, finger: s.finger }] : [])) }); // prettier-ignore
        // Where two ways cost the same either may be shown; none may cost more than the other's.
        expect(as.reduce((sum, s) => sum + s.costMm, 0)).toBeCloseTo(effort, 6);
      }),
      { numRuns: 200 },
    );
  });
});
