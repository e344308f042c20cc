import { COLUMN, columnX, lineY, stepColumn, systemHeight, systemOf, tabGeometry } from './layout';

describe('the tab’s layout', () => {
  const g = tabGeometry(25, 6, 34 + 10 * COLUMN);
  it('breaks columns into systems that fit', () => {
    expect(g.systems.map((s) => [s.from, s.to])).toEqual([[0, 10], [10, 20], [20, 25]]); // prettier-ignore
    expect(g.height).toBe(3 * systemHeight(6));
    for (const s of g.systems) expect(columnX(g, s, s.to - 1) + COLUMN / 2).toBeLessThanOrEqual(g.width);
  });
  it('puts string 1 on top, and every system below the one before', () => {
    expect(lineY(g.systems[0]!, 6)).toBeGreaterThan(lineY(g.systems[0]!, 1));
    expect(lineY(g.systems[1]!, 1)).toBeGreaterThan(lineY(g.systems[0]!, 6));
    expect(systemOf(g, 9).from).toBe(0);
    expect(systemOf(g, 10).from).toBe(10);
  });
  it('holds four columns even where there is no room, and one system where there are no notes', () => {
    expect(tabGeometry(9, 6, 20).systems.map((s) => s.to)).toEqual([4, 8, 9]);
    expect(tabGeometry(0, 4, 300).systems).toHaveLength(1);
  });
  it.each([
    [0, 'ArrowRight', 1],
    [0, 'ArrowLeft', 0],
    [3, 'ArrowDown', null],
    [13, 'ArrowUp', null],
    [5, 'End', 24],
    [5, 'Home', 0],
    [5, 'x', null],
  ])('from column %i, %s leads to %s', (from, key, to) => {
    expect(stepColumn(g, from, key)).toBe(to);
  });
});
