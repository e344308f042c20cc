import { chordSounds } from '../../core';
import { chordHeard, closePosition, droneOn } from './chord-heard';

const sounds = closePosition(chordSounds('F#m7'));

describe('a chord as it is heard', () => {
  it('in close position: rising, within the chord, each on a string of its own', () => {
    expect(sounds.map((s) => s.midi)).toEqual([54, 57, 61, 64]);
    expect(new Set(sounds.map((s) => s.string)).size).toBe(4);
  });
  it('at once, strummed, or note by note; all end together', () => {
    const starts = (how: 'block' | 'strum' | 'arpeggio') => chordHeard(sounds, how).map((n) => Number(n.beat.toFixed(2)));
    expect(starts('block')).toEqual([0, 0, 0, 0]);
    expect(starts('strum')).toEqual([0, 0.09, 0.18, 0.27]);
    expect(starts('arpeggio')).toEqual([0, 0.5, 1, 1.5]);
    for (const how of ['block', 'strum', 'arpeggio'] as const)
      expect(new Set(chordHeard(sounds, how).map((n) => (n.beat + n.beats).toFixed(6))).size).toBe(1);
  });
  it('over a drone that begins before it, on channels of its own', () => {
    const heard = chordHeard(sounds, 'block', droneOn(6));
    expect(heard.slice(0, 2).map((n) => [n.midi % 12, n.beat])).toEqual([[6, 0], [6, 0]]); // prettier-ignore
    expect(heard[2]!.beat).toBe(2);
    expect(heard.slice(0, 2).every((n) => n.string >= 100)).toBe(true);
  });
});
