import teoria from 'teoria';
import { noteIn, syllableOf } from '../index';

describe('names of notes in other languages', () => {
  // German names as they are taught (common practice, no published source).
  it.each([
    ['B', 'H'],
    ['Bb', 'B'],
    ['A#', 'Ais'],
    ['Ab', 'As'],
    ['Eb', 'Es'],
    ['Db', 'Des'],
    ['Gb', 'Ges'],
    ['Cb', 'Ces'],
    ['F##', 'Fisis'],
    ['Bbb', 'Heses'],
    ['Ebb', 'Eses'],
    ['B#', 'His'],
    ['F♯', 'Fis'],
  ])('%s is %s in German', (name, german) => expect(noteIn(name, 'german')).toBe(german));
  it.each([
    ['C', 'Do'],
    ['F#', 'Fa#'],
    ['Bb', 'Sib'],
    ['G', 'Sol'],
  ])('%s is %s in fixed do', (name, fixed) => expect(noteIn(name, 'fixed-do')).toBe(fixed));
  it('letters, and what is no note, stay', () => {
    expect([noteIn('Bb', 'letters'), noteIn('H', 'german'), noteIn('', 'german'), noteIn('Bb3', 'german')]).toEqual(['Bb', 'H', '', 'Bb3']);
  });
});

describe('movable do', () => {
  it('agrees with a general theory library on the degrees of major and of the chromatic alterations it names', () => {
    const scale = teoria.scale('c', 'major');
    const degrees: [string, string][] = [['c', '1'], ['d', '2'], ['e', '3'], ['f', '4'], ['g', '5'], ['a', '6'], ['b', '7'], ['eb', 'b3'], ['bb', 'b7'], ['ab', 'b6'], ['db', 'b2'], ['gb', 'b5'], ['f#', '#4'], ['g#', '#5']]; // prettier-ignore
    for (const [note, degree] of degrees) {
      const theirs = teoria.note(`${note}4`).solfege(scale);
      expect([degree, syllableOf(degree)]).toEqual([degree, theirs === 'so' ? 'sol' : theirs]);
    }
  });
  it('a degree without a syllable keeps its number', () => expect(syllableOf('bb7')).toBe('bb7'));
});
