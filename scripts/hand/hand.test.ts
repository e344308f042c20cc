import { readFileSync } from 'node:fs';
import { LINES } from './lines';
import { costTables, fingeringsPage, lineOf } from './print';

// A change of the model shows as a difference in the pages: print them anew with `npm run hand`, and read what changed.
describe('the pages about the hand', () => {
  it('show the fingers of a hundred lines as they are', () => {
    expect(LINES).toHaveLength(100);
    expect(new Set(LINES.map((l) => `${l.of} ${l.name}`)).size).toBe(100);
    expect(readFileSync('docs/fingerings.md', 'utf8')).toBe(fingeringsPage());
  });
  it('show the costs as they are', () => {
    expect(readFileSync('docs/hand.md', 'utf8')).toContain(costTables());
  });
  it('read joins and bends', () => {
    expect(lineOf('3/5 h 3/7b2 2/5')).toEqual({
      places: [{ string: 3, fret: 5 }, { string: 3, fret: 7 }, { string: 2, fret: 5 }],
      joins: [null, 'hammer', null],
      bends: [null, 2, null],
    }); // prettier-ignore
  });
});
