import { layOut, type Layout } from '../../core';
import { DEMO } from '../../demo';
import { gripText, pressed } from './grip-sign';
import { readGrip, shapesUnderGrip } from './grip-text';

const { instrument } = DEMO.studies[0]!.body;
const scale = { tonic: 'C', scale: 'ionian' };
const own: Layout = { kind: 'per-string', notes: 3 };
const read = (text: string) => readGrip(text, instrument, scale, own);

describe('shapes under a grip', () => {
  it('are told layout by layout, the study’s own first, and lead to their rungs', () => {
    // A D minor barre at fret 5 lies in box 1 of C major, whose minor root is A: common practice, no published source.
    const answer = read('x57765');
    if ('problem' in answer) throw new Error(answer.problem);
    expect(answer.found[0]!.layout).toEqual(own);
    // The box that players name by the chord: common practice, no published source.
    const named = answer.found.find((u) => u.scale !== scale);
    expect(named).toMatchObject({ title: 'box 4 of D minor pentatonic', detail: 'root on string 5, fret 5', rung: { number: 4 } });
    const box = answer.found.find((u) => u.layout.kind === 'box' && u.scale === scale);
    expect(box).toMatchObject({ title: 'box 1', detail: expect.stringMatching(/^five boxes, frets \d+ to \d+$/) as string });
    for (const u of answer.found) {
      const shape = layOut(instrument, u.scale, u.layout).find((s) => s.number === u.rung.number && s.handFret === u.rung.fret);
      for (const [string, fret] of [[5, 5], [4, 7], [3, 7], [2, 6], [1, 5]]) expect(shape?.notes.some((n) => n.string === string && n.fret === fret)).toBe(true); // prettier-ignore
    }
  });
  it('pressed on the neck, place by place: one a string, the same again lifts it', () => {
    const presses = [[5, 5], [4, 7], [3, 9], [3, 7], [2, 6], [1, 5], [6, 5], [6, 5]]; // prettier-ignore
    const grip = presses.map(([string, fret]) => ({ string: string!, fret: fret! })).reduce(pressed, []);
    expect(gripText(instrument, grip)).toBe('x57765');
    expect(shapesUnderGrip(grip, instrument, scale, own)).toEqual(read('x57765'));
    expect(gripText(instrument, pressed(grip, { string: 6, fret: 12 }))).toBe('12-5-7-7-6-5');
    expect(shapesUnderGrip([], instrument, scale, own)).toHaveProperty('problem');
  });
  it.each([
    ['', 'Write a fret for each string'],
    ['x5776', 'one sign for each of the 6 strings'],
    ['xxxxxx', 'No string sounds'],
    ['x57764', 'off the scale'],
    ['1xxxx9', 'too wide'],
  ])('%j: %s', (text, words) => {
    const answer = read(text);
    expect('problem' in answer && answer.problem).toContain(words);
  });
});
