import { DEMO } from '../../demo';
import { layOut } from '../../core';
import { noRootWords, readRoot, rootsFor } from './root-read';
import { rootWords } from './root-text';

const { instrument } = DEMO.studies[0]!.body;
const scale = { tonic: 'A', scale: 'ionian' };
const read = (text: string) => readRoot(text, instrument, scale);

describe('a root as it is typed', () => {
  it.each(['6 5 finger 2', '6 5 2', '6/5 f2', '6/5 f 2', ' 6 5 2nd ', '6, 5, finger 2', 'string 6, fret 5 under the 2nd finger'])(
    '%s',
    (text) => {
      expect(read(text)).toEqual({ string: 6, fret: 5, finger: 2 });
    },
  );
  it.each([
    ['', {}],
    ['6', { number: 6 }],
    ['6 5', { string: 6, fret: 5 }],
    ['5/12', { string: 5, fret: 12 }],
  ])('%j', (text, typed) => expect(read(text)).toEqual(typed));
  it.each([
    ['6 5.5', 'no place'],
    ['-1 5', 'no place'],
    ['abc', 'no place'],
    ['6 5 2 1', 'no place'],
    ['9 5', 'There is no string 9'],
    ['6 23', 'Fret 23 is off the neck, which goes from 0 to 22'],
    ['6 5 7', 'There is no finger 7'],
    ['6 6', 'String 6, fret 6 is Bb, not the root A'],
  ])('%s is refused: %s', (text, words) => {
    const typed = read(text);
    expect('problem' in typed && typed.problem).toContain(words);
    expect(rootsFor(typed, layOut(instrument, scale, { kind: 'window' }))).toEqual([]);
    expect(noRootWords(typed)).toContain(words);
  });
  it('finds the rungs that have it', () => {
    const windows = layOut(instrument, scale, { kind: 'window' });
    expect(rootsFor(read('6 5 2'), windows)).toEqual([{ string: 6, fret: 5, finger: 2 }]);
    expect(rootsFor(read('5'), windows).every((r) => r.string === 5 || r.fret === 5)).toBe(true);
    expect(rootsFor(read(''), windows)[0]).toEqual({ string: 6, fret: 5 });
    const boxes = layOut(instrument, scale, { kind: 'box' });
    const none = [1, 2, 3, 4].find((f) => !rootsFor(read(`6 5 ${f}`), boxes).length) ?? 0;
    expect(noRootWords(read(`6 5 ${none}`))).toMatch(/^No shape of this layout puts the \d\w\w finger on string 6, fret 5\.$/);
  });
  it('is said as it can be typed', () => {
    const wish = { string: 6, fret: 5, finger: 2 };
    expect(read(rootWords(wish))).toEqual(wish);
  });
});
