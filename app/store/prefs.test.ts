import fc from 'fast-check';
import { soundPrefs, USUAL_PREFS } from './prefs';

describe('what a player likes', () => {
  it('is as usual where nothing is kept, or nothing sound', () => {
    for (const value of [null, undefined, 'x', 7, [], { size: 'huge', keys: 3, asked: 'all', read: [1, {}] }])
      expect(soundPrefs(value)).toEqual(USUAL_PREFS);
  });
  it('is kept where it holds, field by field', () => {
    expect(soundPrefs({ size: 'large', keys: 'alt', degrees: 'syllables', names: 'nonsense', waysSeen: true, asked: ['a', 3] })).toEqual({
      ...USUAL_PREFS,
      size: 'large',
      keys: 'alt',
      degrees: 'syllables',
      waysSeen: true,
      asked: ['a'],
    });
  });
  it('comes back from what it writes', () => {
    fc.assert(fc.property(fc.jsonValue(), (value) => { const prefs = soundPrefs(value); expect(soundPrefs(JSON.parse(JSON.stringify(prefs)))).toEqual(prefs); })); // prettier-ignore
  });
});
