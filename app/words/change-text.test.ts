import { listScales } from '../../core';
import { blankLeaf } from '../store/loose';
import { doneWords } from './change-text';
import { counted } from './count-text';
import { matchScales } from './scale-text';

const leaf = blankLeaf();

describe('a change, said when it is made', () => {
  it.each([
    [{ scale: { tonic: 'Bb', scale: 'minor pentatonic' } }, 'Key is now Bb'],
    [{ scale: { tonic: 'A', scale: 'dorian' } }, 'Scale is now A Dorian'],
    [{ instrument: { ...leaf.instrument, capo: 3 } }, 'Capo is now at 3'],
    [{ layout: { kind: 'per-string' as const, notes: 3 } }, 'Layout is now three notes a string'],
    [{ chord: 'A7' }, 'Chord to A7'],
    [{ licks: [{} as never] }, '1 lick more'],
  ])('%#: %s', (after, words) => {
    const before = Object.fromEntries(Object.keys(after).map((k) => [k, leaf[k as keyof typeof leaf]]));
    expect(doneWords({ before, after })).toBe(words);
  });
});

describe('counts', () => {
  it('are right in singular and plural', () => {
    expect([0, 1, 2].map((n) => counted(n, 'note'))).toEqual(['no notes', '1 note', '2 notes']);
    expect(counted(3, 'study', 'studies')).toBe('3 studies');
  });
});

describe('a scale asked for by its whole name', () => {
  it('is found first, whatever dashes it has', () => {
    for (const { id } of listScales())
      expect(matchScales(`A ${id}`, { tonic: 'C', scale: 'ionian' })[0]).toEqual({ tonic: 'A', scale: id });
  });
});
