import { readFileSync } from 'node:fs';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { guitar } from '../../tests/support/random';
import { layOut } from '../../core';
import { pageSize, runsOf } from './drawing';
import { pdfOf } from './pdf';
import { sheetPages, sheetTitle, type SheetRequest } from './sheet';
import { svgOf } from './svg';

const request = (change: Partial<SheetRequest> = {}): SheetRequest => ({
  instrument: guitar(),
  scale: { tonic: 'F#', scale: 'dorian' },
  layout: { kind: 'box' },
  layoutWords: 'five boxes',
  school: null,
  hand: { size: 'medium' },
  labels: 'degrees',
  over: null,
  what: 'rungs',
  copies: true,
  shapeId: '',
  paper: 'a4',
  turn: 'portrait',
  ink: 'black',
  ...change,
});
const texts = (r: SheetRequest): string[] => [...sheetPages(r)].flatMap((p) => p.items.flatMap((i) => (i.kind === 'text' ? [i.text] : [])));

describe('pages', () => {
  it('hold every rung once, with title, tuning, formula and fingers', () => {
    const all = texts(request());
    expect(all.filter((t) => /^box \d$/.test(t))).toEqual(['box 1', 'box 2', 'box 3', 'box 4', 'box 5', 'box 1', 'box 2', 'box 3']);
    expect(all).toEqual(expect.arrayContaining(['F♯ Dorian', 'E A D G B E', '1-3-4']));
    expect(all.join(' ')).toContain('W H W W W H W');
  });
  it('hold every shape once where copies are not wanted, whole rather than cut, the lowest first', () => {
    const all = texts(request({ copies: false }));
    expect(all.filter((t) => /^box \d$/.test(t))).toEqual(['box 1', 'box 2', 'box 3', 'box 4', 'box 5']);
    expect(texts(request({ copies: false, layout: { kind: 'window' } })).filter((t) => /position/.test(t)).length).toBeLessThan(
      texts(request({ layout: { kind: 'window' } })).filter((t) => /position/.test(t)).length,
    );
  });
  it('lie the other way round under a left hand: nut at the right, words still to be read', () => {
    const [right] = [...sheetPages(request({ what: 'rungs' }))];
    const [left] = [...sheetPages(request({ what: 'rungs', instrument: { ...guitar(), handedness: 'left' } }))];
    const at = (page: typeof right, text: string): number[] =>
      page!.items.flatMap((i) => (i.kind === 'text' && i.text === text ? [i.x] : []));
    const [rights, lefts] = [at(right, 'B'), at(left, 'B')];
    expect(lefts).toHaveLength(rights.length);
    expect(rights.every((x, k) => x < lefts[k]!)).toBe(true); // the names of the strings stand by the nut
    expect(at(left, 'box 1')).toEqual(at(right, 'box 1'));
  });
  it('show what a scale laid over leaves out and adds', () => {
    const over = { tonic: 'F#', scale: 'aeolian' };
    const [plain] = [...sheetPages(request())];
    const [laid] = [...sheetPages(request({ over }))];
    const diamonds = (page: typeof laid): number => page!.items.filter((i) => i.kind === 'shape' && i.path.startsWith('M0 ')).length;
    expect([diamonds(plain), diamonds(laid) > 0]).toEqual([0, true]);
    expect(texts(request({ over })).join(' ')).toContain('Over it: Aeolian; crossed out: left out, diamond: new');
    expect(texts(request({ over, what: 'keys' })).filter((t) => t === '♭6').length).toBeGreaterThan(24); // in every key
  });
  it('hold one shape when one is asked for', () => {
    const [, second] = layOut(guitar(), { tonic: 'F#', scale: 'dorian' }, { kind: 'box' });
    const pages = [...sheetPages(request({ what: 'shape', shapeId: second!.id }))];
    expect(pages).toHaveLength(1);
    expect(pages[0]!.items.filter((i) => i.kind === 'shape')).toHaveLength(second!.notes.length);
  });
  it('go through the twelve keys, each on pages of its own, layouts with a root included', () => {
    const titles = texts(request({ what: 'keys' })).filter((t) => / Dorian$/.test(t));
    expect(titles).toEqual([
      'F♯ Dorian',
      'G Dorian',
      'A♭ Dorian',
      'A Dorian',
      'B♭ Dorian',
      'B Dorian',
      'C Dorian',
      'C♯ Dorian',
      'D Dorian',
      'E♭ Dorian',
      'E Dorian',
      'F Dorian',
    ]);
    expect([...sheetPages(request({ what: 'keys', layout: { kind: 'diagonal', root: { string: 6, fret: 2 } } }))].length).toBe(12);
  });
  it('keep everything on the paper', () => {
    for (const paper of ['a4', 'letter'] as const)
      for (const turn of ['portrait', 'landscape'] as const)
        for (const page of sheetPages(request({ paper, turn, layout: { kind: 'window' } }))) {
          expect({ width: page.width, height: page.height }).toEqual(pageSize(paper, turn));
          for (const i of page.items) {
            const [x, y] = i.kind === 'line' ? [i.x2, i.y2] : [i.x, i.y];
            expect(x >= 0 && x <= page.width && y >= 0 && y <= page.height).toBe(true);
          }
        }
  });
  it('are black and white unless colour is asked for', () => {
    const colours = (ink: SheetRequest['ink']): string[] =>
      [...sheetPages(request({ ink }))]
        .flatMap((p) => p.items.flatMap((i) => (i.kind === 'shape' ? [i.fill, i.stroke] : [i.colour])))
        .filter((c): c is string => c !== null);
    const grey = (hex: string): boolean => hex.slice(1, 3) === hex.slice(3, 5) && hex.slice(3, 5) === hex.slice(5, 7);
    expect(colours('black').every(grey)).toBe(true);
    expect(colours('colour').every(grey)).toBe(false);
  });
  it('say why there are none', () => {
    expect(() => [...sheetPages(request({ scale: { tonic: 'C', scale: 'whole tone' } }))]).toThrow('no five-box layout');
  });
});

describe('paper', () => {
  it.each([
    ['a4', 'portrait', 595.28, 841.89],
    ['letter', 'landscape', 792, 612],
  ] as const)('%s %s is %d by %d points (ISO 216; ANSI letter)', (paper, turn, width, height) => {
    expect(pageSize(paper, turn).width).toBeCloseTo(width, 1);
    expect(pageSize(paper, turn).height).toBeCloseTo(height, 1);
  });
});

describe('SVG', () => {
  it('is whole XML with a path for every note, and escapes what needs it', () => {
    const [page] = sheetPages(request());
    const svg = svgOf(page!, 'a < b & "c"', { regular: ['data:x', 'data:y'], bold: ['data:x', 'data:y'], music: 'data:x' });
    expect(XMLValidator.validate(svg)).toBe(true);
    const parsed = new XMLParser({ ignoreAttributes: false }).parse(svg) as {
      svg: { path: unknown[]; title: string; '@_width': string; style: string };
    };
    expect(parsed.svg.path).toHaveLength(page!.items.filter((i) => i.kind === 'shape').length);
    expect(parsed.svg.title).toBe('a < b & "c"');
    expect(parsed.svg['@_width']).toBe('595.28pt');
    expect(parsed.svg.style).toContain('@font-face');
    expect(svg).toContain(`font-family="'Crow Text', 'Crow Text 2', 'Commissioner Variable', sans-serif"`);
  });
  it('cuts text where the font changes', () => {
    expect(runsOf('F♯ A♭♭')).toEqual([{ text: 'F', sign: false }, { text: '♯', sign: true }, { text: ' A', sign: false }, { text: '♭♭', sign: true }]); // prettier-ignore
  });
});

it('a PDF tells of every page as it is done', async () => {
  const font = (path: string): Uint8Array => readFileSync(new URL(`../../node_modules/@fontsource/${path}.woff`, import.meta.url));
  const fonts = {
    regular: { latin: font('commissioner/files/commissioner-latin-400-normal') },
    bold: { latin: font('commissioner/files/commissioner-latin-600-normal') },
    music: font('noto-music/files/noto-music-music-400-normal'),
  };
  const done: number[] = [];
  const pdf = await pdfOf(
    () => sheetPages(request({ what: 'keys' })),
    sheetTitle(request()),
    fonts,
    (n) => done.push(n),
  );
  expect(new TextDecoder().decode(pdf.slice(0, 5))).toBe('%PDF-');
  expect(done).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
});
