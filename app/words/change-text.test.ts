import { listScales } from '../../core';
import { blankLeaf } from '../store/loose';
import { changeWords, doneWords } from './change-text';
import { counted } from './count-text';
import { matchScales } from './scale-text';
import { PLAIN_CLIMB, PLAIN_DRILL, type DrillForm } from '../../contract';
import { orderWords, timeWords } from './drill-text';

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

describe('what is practised', () => {
  const practice = { form: PLAIN_DRILL, climb: PLAIN_CLIMB };
  it('a change of the drill, of its ladder, of the plan and of kept drills is said', () => {
    const groups = { ...practice, form: { ...PLAIN_DRILL, order: 'groups' as const } };
    expect(changeWords({ practice }, { practice: groups })).toBe('drill to in groups of four, triplets');
    expect(changeWords({ practice }, { practice: { ...practice, climb: { ...PLAIN_CLIMB, goal: 120 } } })).toBe('ladder from 60 to 120');
    expect(changeWords({ practice: null }, { practice })).toContain('from the root');
    expect(changeWords({ plan: null }, { plan: { items: [], scale: { tonic: 'C', scale: 'dorian' }, layout: { kind: 'box' } } })).toBe('the plan'); // prettier-ignore
    expect(changeWords({ drills: [] }, { drills: [{ id: 'a', name: 'A', ...practice }] })).toBe('1 kept drill more');
  });
});

describe('a drill in words', () => {
  const words = (fields: Partial<DrillForm>): string => orderWords({ ...PLAIN_DRILL, ...fields });
  it.each([
    [{}, 'from the root, up, down and home'],
    [{ home: 1 }, 'from the second root, up, down and home'],
    [{ root: 'relative', everyRoot: true }, 'from each relative root in turn, up, down and home'],
    [{ order: 'up-down', turn: 'twice', strings: [1] }, 'up and down, the top twice, on string 1'],
    [{ order: 'intervals', interval: 6, back: false, strings: [1, 2] }, 'in sixths, on strings 1, 2'],
    [{ order: 'random', count: 1, endOnRoot: true }, 'jumping about, 1 note, ending on the root'],
    [{ order: 'up', of: 'lick' }, 'as it is written'],
  ] as [Partial<DrillForm>, string][])('%j', (fields, said) => expect(words(fields)).toBe(said));
  it('times', () => {
    expect([7.857, 59, 60, 125, 3840].map(timeWords)).toEqual(['7.9 s', '59 s', '1 min', '2 min 5 s', '1 h 4 min']);
  });
});
