import { keysOf } from '../../core';
import { EBONY, MARK_INK, PLATE } from '../neck/mark-colours';
import { markWordsOn, MARK_WORDS } from './mark-text';

/** Contrast of two colours, after WCAG 2.2, "relative luminance" and "contrast ratio". */
function contrast(a: string, b: string): number {
  const light = (hex: string): number => {
    const [r, g, bl] = [1, 3, 5].map((k) => parseInt(hex.slice(k, k + 2), 16) / 255).map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)); // prettier-ignore
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * bl!;
  };
  const [x, y] = [light(a), light(b)].sort((p, q) => q - p);
  return (x! + 0.05) / (y! + 0.05);
}

describe('the legend', () => {
  it('tells what is on the neck, each once, in one order', () => {
    const marks = [
      { look: 'stud' as const },
      { look: 'root' as const, bar: true },
      { look: 'root-stud' as const },
      { look: 'solid' as const, aside: true },
    ];
    expect(markWordsOn(marks)).toEqual(['root', 'solid', 'bar', 'aside', 'stud']);
  });
  it('has one meaning for each mark, and no meaning twice', () => {
    expect(new Set(Object.values(MARK_WORDS)).size).toBe(Object.keys(MARK_WORDS).length);
  });
});

describe('contrast on the board', () => {
  const written = keysOf(MARK_INK);
  it.each(written)('letters on a %s mark have at least 4.5 to 1 (WCAG 2.2, 1.4.3)', (look) => {
    expect(contrast(MARK_INK[look] ?? '', PLATE[look].fill)).toBeGreaterThanOrEqual(4.5);
  });
  it.each(written)('a %s mark stands out from the board by at least 3 to 1 (WCAG 2.2, 1.4.11)', (look) => {
    const { fill, stroke } = PLATE[look];
    for (const board of EBONY) expect(Math.max(contrast(fill, board), stroke ? contrast(stroke, board) : 0)).toBeGreaterThanOrEqual(3);
  });
});
