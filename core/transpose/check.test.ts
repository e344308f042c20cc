import { guitar } from '../../tests/support/random';
import { checkLine, containing, scalesWith, type Join, type LineFault, type Place, type ScaleRef } from '../index';

const i = guitar();
const at = (string: number, fret: number): Place => ({ string, fret });
const E_MINOR: ScaleRef = { tonic: 'E', scale: 'natural minor' };
const told = (faults: LineFault[]): string => faults.map((f) => `${f.index} ${f.problem}`).join('; ');
const WIDE: ScaleRef = { tonic: 'E', scale: 'chromatic' };

// Reaches, speeds and slurs: common practice, no published source.
describe('a line checked as it is played', () => {
  const slur = (join: Join, ...places: Place[]): string => told(checkLine(i, WIDE, places, { joins: [null, join] }));
  it('finds hammer-ons and pull-offs that no hand reaches, however far', () => {
    expect(slur('hammer', at(2, 1), at(2, 13))).toBe('1 too-wide');
    expect(slur('hammer', at(2, 8), at(2, 20))).toBe('1 too-wide');
    expect(slur('pull', at(2, 13), at(2, 1))).toBe('1 too-wide');
    expect(slur('hammer', at(2, 5), at(2, 8))).toBe('');
    expect(slur('pull', at(2, 12), at(2, 0))).toBe(''); // to the open string the hand need not reach
    expect(slur('slide', at(2, 1), at(2, 13))).toBe(''); // a slide goes there
  });
  it('finds leaps that there is no time for, and lets those pass that have it', () => {
    const leap = (ticks: number, tempo: number): string => told(checkLine(i, WIDE, [at(5, 3), at(5, 15)], { ticks: [ticks, 480], tempo }));
    expect(leap(480, 120)).toBe(''); // a quarter: half a second for some 27 cm
    expect(leap(120, 160)).toBe('1 too-fast'); // a sixteenth: under a tenth of a second
    expect(told(checkLine(i, WIDE, [at(5, 3), at(5, 15)], { ticks: [120, 120] }))).toBe('');
  });
  it('finds slurs on one finger', () => {
    const places = [at(3, 3), at(3, 4), at(3, 5)];
    const joins: Join[] = ['tie', 'hammer', 'hammer'];
    expect(told(checkLine(i, WIDE, places, { joins, fingers: [1, 1, 2] }))).toBe('1 same-finger');
    expect(told(checkLine(i, WIDE, places, { joins, fingers: [1, 2, 3] }))).toBe('');
    expect(told(checkLine(i, WIDE, [at(3, 0), at(3, 2)], { joins: [null, 'hammer'], fingers: [0, 1] }))).toBe('');
  });
  it('finds frets that the neck does not have, and names a place that it has', () => {
    const [fault] = checkLine(guitar(22), E_MINOR, [at(1, 12), at(1, 30)]);
    expect(fault).toMatchObject({ index: 1, problem: 'off-neck' });
    expect(fault!.suggestion?.fret).toBeLessThanOrEqual(22);
  });
});

describe('what a strange note would make of the scale', () => {
  const scales = (ref: ScaleRef, sound: number): string => {
    const found = scalesWith(ref, sound);
    return `${found.degree}: ${found.scales.map((s) => `${s.tonic} ${String(s.scale)}`).join(', ')}`;
  };
  it('replaces its neighbour in a scale of seven notes', () => {
    expect(scales(E_MINOR, 9)).toBe('6: E dorian'); // C♯ is the 6 of E
    expect(scales({ tonic: 'C', scale: 'ionian' }, 6)).toMatch(/^#4: C lydian/);
    expect(scales({ tonic: 'C', scale: 'ionian' }, 10)).toMatch(/^b7: C mixolydian/);
    expect(scales({ tonic: 'A', scale: 'natural minor' }, 1)).toMatch(/^b2: A phrygian/);
  });
  it('is named by the modes that hold it, in a smaller scale', () => {
    expect(scales({ tonic: 'A', scale: 'minor pentatonic' }, 9)).toMatch(/^6: A dorian/);
    expect(scales({ tonic: 'A', scale: 'minor pentatonic' }, 1)).toMatch(/^b2: A phrygian/);
    expect(containing([0, 3, 5, 7, 9])).toContain('dorian');
    for (const id of containing([0, 3, 5, 7, 9])) expect(['ionian', 'aeolian', 'phrygian', 'mixolydian']).not.toContain(id);
  });
  it('stands with the fault', () => {
    const [fault] = checkLine(i, E_MINOR, [at(5, 7), at(5, 4), at(5, 7)]);
    expect(fault).toMatchObject({ index: 1, problem: 'off-scale', degree: '6', scales: [{ tonic: 'E', scale: 'dorian' }] });
  });
});
