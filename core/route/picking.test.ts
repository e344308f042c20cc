import { guitar } from '../../tests/support/random';
import { fingerNotes, pickStrokes, type FingeredStep, type Picking, type Place } from '../index';

const line = (...at: [number, number][]): Place[] => at.map(([string, fret]) => ({ string, fret }));
const finger = (places: Place[]): FingeredStep[] => fingerNotes(guitar(), places, { school: 'finger-per-fret' });
const strokes = (places: Place[], picking: Picking): string =>
  pickStrokes(guitar(), finger(places), picking)
    .map((s) => s[0])
    .join('');

const THREES = line([6, 5], [6, 7], [6, 8], [5, 5], [5, 7], [5, 8], [4, 5], [4, 7]);

describe('pick strokes', () => {
  it('alternate: down and up by turns, whatever the string', () => {
    expect(strokes(THREES, 'alternate')).toBe('dudududu');
  });
  // Common practice, no published source: with three notes a string, economy picking sweeps on every change of string.
  it('economy: on to the next string in the direction that leads there', () => {
    expect(strokes(THREES, 'economy')).toBe('duddudd' + 'u');
    expect(strokes([...THREES].reverse(), 'economy')).toBe('duuduudu'.slice(0, 8));
  });
  it('hammered: one stroke a string, the rest hammered up and pulled down', () => {
    expect(strokes(THREES, 'hammered')).toBe('dhhuhhdh');
    expect(strokes([...THREES].reverse(), 'hammered')).toBe('dpuppdpp');
  });
  it('hammered: a slide slides, a hand that moves picks, the same note again is picked', () => {
    const far = line([6, 2], [6, 4], [6, 12]);
    const steps = finger(far);
    const got = pickStrokes(guitar(), steps, 'hammered');
    expect(got[0]).toBe('down');
    expect(got[2]).toBe(steps[2]!.move === 'slide' ? 'slide' : 'up');
    expect(strokes(line([3, 5], [3, 5]), 'hammered')).toBe('du');
  });
  it('hammered: from and to the open string', () => {
    expect(strokes(line([1, 0], [1, 3], [1, 0]), 'hammered')).toBe('dhp');
  });
  it('tells strings by their sound, not their number', () => {
    const reentrant = { ...guitar(), strings: [...guitar().strings.slice(0, 4), { open: 'A4' }, { open: 'E2' }] };
    const steps = fingerNotes(reentrant, line([4, 2], [5, 2]), { school: 'finger-per-fret' });
    expect(pickStrokes(reentrant, steps, 'economy')).toEqual(['down', 'down']);
  });
});
