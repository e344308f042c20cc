import fc from 'fast-check';
import { guitar } from '../../tests/support/random';
import { fingerNotes, type FingeringSchool, type Hand } from '../index';
import { handModel } from './index';

const anySchool = fc.constantFrom<FingeringSchool>('finger-per-fret', 'first-and-third', 'stretch', 'no-little-finger');
const anyPlace = fc.record({ string: fc.integer({ min: 1, max: 6 }), fret: fc.integer({ min: 0, max: 20 }) });
const effort = (steps: { costMm: number }[]): number => steps.reduce((sum, s) => sum + s.costMm, 0);

describe('a measured hand', () => {
  const mm = (fret: number): number => 648 * 2 ** (-fret / 12);
  /** Frets from here on that make so many millimetres. */
  const fretsIn = (fret: number, wide: number): number => -12 * Math.log2((mm(fret) - wide) / 648) - fret;
  const measured = (wide: number, easy = wide): Hand => ({
    size: 'large',
    reaches: [1, 5, 12].map((fret) => ({ fret, comfortable: fretsIn(fret, easy), most: fretsIn(fret, wide) })),
  });
  it('that opens as wide as the medium one, everywhere at ease, fingers as that one does', () => {
    fc.assert(
      fc.property(fc.array(anyPlace, { minLength: 2, maxLength: 12 }), anySchool, (places, school) => {
        // A hair wider, since frets are counted back from millimetres.
        expect(fingerNotes(guitar(), places, { school, hand: measured(120.001) })).toEqual(fingerNotes(guitar(), places, { school }));
      }),
      { numRuns: 150 },
    );
  });
  it('does not reach beyond what it can at most, and pays twice beyond what is comfortable', () => {
    const wide = [{ string: 6, fret: 5 }, { string: 6, fret: 7 }, { string: 6, fret: 9 }]; // prettier-ignore
    const cost = (hand: Hand): number => effort(fingerNotes(guitar(), wide, { school: 'stretch', hand }));
    const moves = (hand: Hand): boolean => fingerNotes(guitar(), wide, { school: 'stretch', hand }).some((s) => s.move === 'shift');
    expect([moves(measured(120)), moves(measured(98))]).toEqual([false, true]); // 5 to 9 are 100 mm
    const [easy, strained] = [cost(measured(120)), cost(measured(120, 90))];
    const reach = 0.3 * (mm(5) - mm(6));
    expect(strained - easy).toBeCloseTo(reach, 3);
  });
  it('is wide at one fret and narrow at another, in proportion between', () => {
    const reaches = [{ fret: 1, comfortable: 3, most: 3 }, { fret: 12, comfortable: 6, most: 6 }]; // prettier-ignore
    const span = handModel(guitar(), 'stretch', { size: 'medium', reaches }).spanMm;
    const [low, high] = [mm(1) - mm(4), mm(12) - mm(18)];
    expect([span[0], span[1], span[12], span[20]].map((x) => x!.toFixed(6))).toEqual([low, low, high, high].map((x) => x.toFixed(6)));
    expect(span[6]).toBeCloseTo(low + ((high - low) * 5) / 11, 6);
  });
  it.each<[Hand['reaches'], string]>([
    [[], 'hand.reaches: give 1 to 6'],
    [[{ fret: 0, comfortable: 3, most: 4 }], 'hand.reaches[0].fret'],
    [[{ fret: 5, comfortable: 3, most: 4 }, { fret: 5, comfortable: 3, most: 4 }], 'hand.reaches[1].fret'], // prettier-ignore
    [[{ fret: 1, comfortable: 5, most: 4 }], 'hand.reaches[0].comfortable'],
    [[{ fret: 1, comfortable: 3, most: 12 }], 'hand.reaches[0].most'],
  ])('%j is refused: %s', (reaches, words) => {
    expect(() => fingerNotes(guitar(), [{ string: 1, fret: 1 }], { school: 'stretch', hand: { size: 'medium', reaches } })).toThrow(words);
  });
});
