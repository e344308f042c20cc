import { gripsOf, parseGrip, type Instrument } from '../../core';
import type { Item } from './drawing';
import { gripItems, gripSize } from './grip';
import { gripPages } from './grips';

const SIX: Instrument = { name: 'six', strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })), frets: 22, scaleLengthMm: 648 }; // prettier-ignore
const FRAME = { x: 0, y: 0, gap: 10, fret: 12 };
const barre = { finger: 1, fret: 5, strings: [5, 4, 3, 2, 1] };
const DM = { title: 'Dm', places: parseGrip('x57765', SIX), fingers: [1, 3, 4, 2, 1], degrees: ['1', '5', '1', 'b3', '5'], barre };
const texts = (items: readonly Item[]): string[] => items.flatMap((i) => (i.kind === 'text' ? [i.text] : []));
const dots = (items: readonly Item[]): Item[] => items.filter((i) => i.kind === 'shape');

describe('a grip as a box', () => {
  it('has its title, fingers, degrees below, x over the damped string, the first fret beside it, and a bar for the barre', () => {
    const items = gripItems(SIX, DM, FRAME);
    expect(texts(items)).toEqual(expect.arrayContaining(['Dm', 'x', '5', '♭3', '1', '2', '3', '4']));
    expect(texts(items).filter((t) => t === 'o')).toEqual([]);
    expect(dots(items)).toHaveLength(6); // five dots and the barre
  });
  it('has the thickest string at the left, and at the right for a left hand', () => {
    const x = (i: Instrument): number => (gripItems(i, DM, FRAME).find((t) => t.kind === 'text' && t.text === 'x') as { x: number }).x;
    expect(x(SIX)).toBe(20);
    expect(x({ ...SIX, handedness: 'left' })).toBe(70);
  });
  it('from the nut: open strings, no fret number; a wide one grows', () => {
    const c = { title: 'C', places: parseGrip('x32010', SIX), fingers: [3, 2, 0, 1, 0], degrees: [] };
    expect(texts(gripItems(SIX, c, FRAME)).filter((t) => t === 'o')).toHaveLength(2);
    const wide = { ...c, places: parseGrip('1xxxx7', SIX), fingers: [0, 0] };
    expect(gripSize(SIX, wide, FRAME).height).toBeGreaterThan(gripSize(SIX, c, FRAME).height);
  });
  it('on paper: so many to a page, none lost, all within the margins', () => {
    const grips = gripsOf(SIX, 'G7', { count: 70 }).map((g, k) => ({
      title: `G7 ${k}`,
      places: g.places,
      fingers: g.fingers,
      degrees: [],
    }));
    const pages = [...gripPages({ name: 'Lantern', instrument: SIX, grips, paper: 'a4', turn: 'portrait' })];
    expect(pages.length).toBeGreaterThan(1);
    expect(pages.flatMap((p) => texts(p.items)).filter((t) => t.startsWith('G7 '))).toHaveLength(70);
    for (const p of pages) for (const i of p.items) if (i.kind === 'text') expect(i.x > 20 && i.x < p.width - 20 && i.y < p.height - 20).toBe(true); // prettier-ignore
  });
});
