import { DEMO } from '../../demo';
import { studySummary, type StudySummary } from '../../contract';
import { countWords, entriesOf, sifted, tagsIn } from './notebook-text';

const studies = DEMO.studies.map(({ id, body }, k): StudySummary => ({
  id,
  revision: 1,
  createdAt: k,
  updatedAt: k,
  ...studySummary(body),
  problems: [],
}));
const entries = entriesOf(studies);
const names = (text: string, kind: 'all' | 'study' | 'lick' = 'all', tag = ''): string[] =>
  sifted(entries, { text, kind, tag }).map((e) => e.name);

describe('the notebook’s entries', () => {
  it('are every study and its licks after it', () => {
    expect(entries.map((e) => e.name)).toEqual([
      'Weathervane, F♯ Dorian',
      'Latch',
      'Cold Forge, C♯ Phrygian dominant',
      'Rails',
      'Slow Tram, E♭ Lydian',
      'Tilt',
      'Salt Ferry, B♭ Mixolydian',
      'Mooring',
    ]);
    expect(countWords(entries)).toBe('4 studies, 4 licks');
    expect(new Set(entries.map((e) => e.key)).size).toBe(8);
  });
  it('are found by name, scale, tuning, set and tag, in any order of words', () => {
    expect(names('forge')).toEqual(['Cold Forge, C♯ Phrygian dominant', 'Rails']);
    expect(names('seven phrygian', 'study')).toEqual(['Cold Forge, C♯ Phrygian dominant']);
    expect(names('f# dorian')).toEqual(['Weathervane, F♯ Dorian', 'Latch']);
    expect(names('F♯', 'lick')).toEqual(['Latch']);
    expect(names('lantern', 'study')).toHaveLength(4);
    expect(names('', 'lick', 'riff')).toEqual(['Rails']);
    expect(names('nothing such')).toEqual([]);
  });
  it('tell their tags, the commonest first', () => {
    const twice = entriesOf([
      ...studies,
      { ...studies[0]!, id: 'x', licks: [], tags: ['riff', 'slow'] },
      { ...studies[0]!, id: 'y', licks: [], tags: ['riff'] },
    ]);
    expect(tagsIn(twice)[0]).toBe('riff'); // three times; bend and slow twice
  });
});
