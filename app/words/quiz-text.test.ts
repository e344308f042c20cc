import { all, everywhere, ground } from '../../tests/support/quiz';
import { QUIZ_KINDS, type Question, type QuizKind } from '../../core';
import { QUIZ_GROUPS, QUIZ_WORDS, questionWords, rightWords, secondsWords } from './quiz-text';

describe('questions in words', () => {
  it('every kind has a name, a place in the chooser, and a question without gaps on every neck', () => {
    expect(Object.keys(QUIZ_WORDS)).toEqual([...QUIZ_KINDS]);
    expect(QUIZ_GROUPS.flatMap((g) => g.kinds).sort()).toEqual([...QUIZ_KINDS].sort());
    for (const kind of QUIZ_KINDS)
      for (const [, q] of everywhere(kind)) {
        expect(questionWords(q)).toMatch(/^[A-Z].*[.?]$/);
        expect(questionWords(q)).not.toMatch(/undefined|NaN|\b0 places|\b1 places|\b1 notes|[A-G][#b]\b/);
        expect(rightWords(q)).not.toBe('');
      }
  });
  it('one is one: place, note, root', () => {
    const q = (kind: QuizKind, about: Question['about']): Question<QuizKind> => ({
      kind,
      fact: '',
      level: 1,
      about,
      shown: [],
      at: null,
      answer: { by: 'names', names: [] },
    });
    expect(questionWords(q('find', { note: 'F#', count: 1 }))).toBe('Mark every F♯: 1 place.');
    expect(questionWords(q('roots', { tonic: 'Bb', string: 3, count: 1 }))).toBe('Mark the root of B♭ on string 3: 1 place.');
    expect(questionWords(q('roots', { tonic: 'Bb', string: 3, count: 2 }))).toBe('Mark the roots of B♭ on string 3: 2 places.');
    expect(questionWords(q('next-cell', { label: 'box 1', string: 2, count: 3 }))).toBe('What does string 2 carry in box 1? Three places.');
    expect(questionWords(q('put', { label: 'box 1', strings: '6, 5', count: 1 }))).toBe('Put box 1 down on strings 6, 5: 1 note more.');
  });
  it('says what was right: notes with their signs, shapes by their names, places on the neck', () => {
    const [spelled] = all(ground(), 'spell', 3).filter((q) => q.about.tonic === 'F#');
    expect(rightWords(spelled!)).toBe('It is F♯ G♯ A B C♯ D♯ E.');
    expect(rightWords(all(ground(), 'change', 1).filter((q) => q.fact === 'change/dorian>aeolian')[0]!)).toBe('It is 6 → ♭6.');
    expect(rightWords(all(ground(), 'find', 1)[0]!)).toBe('What was missed is ringed.');
    expect(rightWords(all(ground(), 'octave', 1)[0]!)).toMatch(/^Any of \d places?, ringed, will do\.$/);
    expect(secondsWords(2345)).toBe('2.3 s');
  });
});
