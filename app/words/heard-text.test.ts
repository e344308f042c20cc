import { scorePass, weakSpots, type NoteVerdict, type Spot } from '../../core';
import { offWords, scoreWords, timingWords, troubleSign, troubleWords, weakWords } from './heard-text';
import { LISTEN } from './views/listen';

const score = (...notes: NoteVerdict[]) => ({ notes, extra: [], clean: false });
const right = (offMs: number): NoteVerdict => ({ verdict: 'right', heardMidi: 60, offMs });
const spot = (fields: Partial<Spot>): Spot => ({ played: 4, wrong: 0, missed: 0, untimely: 0, offMs: null, trouble: 0.5, ...fields });

describe('what was heard, in words', () => {
  it('counts right, wrong, missed and too many; one is one', () => {
    expect(scoreWords(score(right(0)))).toBe('all 1 note right');
    expect(scoreWords(score(right(0), right(9)))).toBe('all 2 notes right');
    expect(scoreWords({ ...score(right(0), { verdict: 'wrong' }, { verdict: 'missed' }), extra: [7] })).toBe(
      '1 of 3 right, 1 wrong, 1 missed, 1 too many',
    );
  });
  it('tells early from late, and says nothing of time where nothing was right', () => {
    expect(timingWords(score(right(-12), right(-30)))).toBe('21 ms early on the whole, 30 ms at the widest');
    expect(timingWords(score(right(0.3), right(-0.4)))).toBe('in time on the whole, 0 ms at the widest');
    expect(timingWords(score({ verdict: 'missed' }))).toBe('');
    expect([offWords(1.6), offWords(-1.6), offWords(0.4)]).toEqual(['2 ms late', '2 ms early', 'in time']);
  });
  it('says what was wrong with a spot, and how it lay in time only where that was the trouble', () => {
    expect(troubleWords(spot({ wrong: 2, missed: 1, offMs: 90 }))).toBe('wrong 2 of 4, missed 1 of 4');
    expect(troubleWords(spot({ untimely: 3, offMs: 72 }))).toBe('out of time 3 of 4, 72 ms late');
  });
  it('signs say what happened most, of equal ones the worse', () => {
    expect(troubleSign(spot({}))).toBeNull();
    expect(troubleSign(spot({ wrong: 1, missed: 1, untimely: 1 }))).toBe('×');
    expect(troubleSign(spot({ missed: 2, wrong: 1 }))).toBe('○');
    expect([troubleSign(spot({ untimely: 1, offMs: -70 })), troubleSign(spot({ untimely: 1, offMs: 70 }))]).toEqual(['◂', '▸']);
  });
  it('names the weakest note, string, shift and fingers, and leaves out what is fine', () => {
    const steps = [
      { string: 6, fret: 2, finger: 1 as const, handFret: 2 },
      { string: 6, fret: 7, finger: 4 as const, handFret: 4 },
    ];
    const names = ['F#', 'B'];
    const words = (v: NoteVerdict): string[] => weakWords(weakSpots(steps, [[right(0), v]], 60), steps, (k) => names[k]!);
    expect(words({ verdict: 'missed' })).toEqual([
      'B on string 6, fret 7: missed 1 of 1',
      'string 6: missed 1 of 2',
      'the shift of the hand from fret 2 to 4: missed 1 of 1',
      'index to little finger: missed 1 of 1',
    ]);
    expect(words(right(10))).toEqual([]);
  });
  it('cents are said as in tune, sharp or flat, one of them as one', () => {
    expect([0.4, 1, -1.2, 38, -2].map(LISTEN.cents)).toEqual(['in tune', '1 cent sharp', '1 cent flat', '38 cents sharp', '2 cents flat']);
    expect(LISTEN.silent(1)).toContain('in the last pass:');
    expect(LISTEN.silent(3)).toContain('in the last 3 passes:');
    expect(LISTEN.met(1, 1)).toBe('1 of 1 beat you played on met a tone of the chord');
    expect(LISTEN.met(5, 9)).toContain('5 of 9 beats');
  });
  it('a pass as it is scored reads the same', () => {
    const notes = [60, 62].map((midi, k) => ({ midi, atMs: k * 500 }));
    expect(scoreWords(scorePass(notes, [{ midi: 60, atMs: 0 }, { midi: 61, atMs: 500 }]))).toBe('1 of 2 right, 1 wrong'); // prettier-ignore
  });
});
