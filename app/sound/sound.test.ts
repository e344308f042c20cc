import { PitchDetector } from 'pitchy';
import { hertzOf } from '../../core';
import { pluck } from './pluck';
import { upAndDown } from './useHear';

describe('the plucked string', () => {
  it.each([28, 40, 52, 57, 64, 76, 84])('MIDI %d is in tune within three cents, by an independent detector', (midi) => {
    const rate = 44100;
    const samples = pluck(hertzOf(midi), 1, rate);
    const size = 8192;
    const [hz, clarity] = PitchDetector.forFloat32Array(size).findPitch(samples.slice(4000, 4000 + size), rate);
    expect(clarity).toBeGreaterThan(0.8);
    expect(Math.abs(1200 * Math.log2(hz / hertzOf(midi)))).toBeLessThan(3);
  });
  it('starts and ends in silence, stays in range, and dies away', () => {
    const s = pluck(220, 1, 44100);
    const peak = (from: number, to: number): number => Math.max(...s.slice(from, to).map(Math.abs));
    expect([Math.abs(s[0]), Math.abs(s[s.length - 1])].every((v) => v < 0.01)).toBe(true);
    expect(peak(0, s.length)).toBeLessThanOrEqual(1);
    expect(peak(35000, 40000)).toBeLessThan(peak(500, 5500) / 2);
  });
});

it('goes up and down with the top once and the last note held', () => {
  const { notes, index } = upAndDown([60, 62, 64]);
  expect(index).toEqual([0, 1, 2, 1, 0]);
  expect(notes.map((n) => [n.midi, n.beat, n.beats])).toEqual([[60, 0, 0.5], [62, 0.5, 0.5], [64, 1, 0.5], [62, 1.5, 0.5], [60, 2, 2]]); // prettier-ignore
  expect(upAndDown([])).toEqual({ notes: [], index: [] });
});
