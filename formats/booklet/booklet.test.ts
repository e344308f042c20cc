import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { DEMO } from '../../demo';
import { flow, type Block } from '../sheet/blocks';
import { pageSize, type Item, type Measure } from '../sheet/drawing';
import { pdfOf } from '../sheet/pdf';
import { bookletPages, type BookletRequest, type BookletSection } from './booklet';
import { wrapped } from './wrap';

const { body } = DEMO.studies[0]!;
const [lick] = body.licks;
/** Every letter as wide as half its size. */
const plain: Measure = (text, size) => [...text].length * size * 0.5;
const shapes = (what: 'rungs' | 'shape' = 'rungs'): BookletSection['content'] => ({
  shapes: { ...body, layoutWords: 'five boxes', over: null, what, copies: false, shapeId: 'none', paper: 'a4', turn: 'portrait', ink: 'black' } as never, // prettier-ignore
});
const line: BookletSection['content'] = { tab: { ...lick!, instrument: body.instrument, scale: body.scale, school: 'finger-per-fret', hand: body.hand, paper: 'a4', turn: 'portrait' } }; // prettier-ignore
const section = (title: string, content: BookletSection['content'], about: string[] = []): BookletSection => ({ title, about, content });
const request = (sections: BookletSection[], change: Partial<BookletRequest> = {}): BookletRequest => ({ title: 'Weathervane, week one', teacher: 'M. Ferrow', pupil: 'Ines', paper: 'a4', sections, ...change }); // prettier-ignore
const texts = (items: readonly Item[]): Extract<Item, { kind: 'text' }>[] => items.filter((i) => i.kind === 'text');
const block = (height: number): Block => ({ height, at: () => [] });

describe('blocks on pages', () => {
  it('as few as any way of cutting the same order: against all ways there are', () => {
    const fewest = (heights: number[], first: number, room: number): number => {
      const over = (from: number, left: number): number => {
        if (from === heights.length) return 0;
        let best = Infinity;
        let sum = 0;
        for (let to = from; to < heights.length; to++) {
          sum += heights[to]!;
          if (sum > left && to > from) break;
          best = Math.min(best, 1 + over(to + 1, room));
        }
        return best;
      };
      return over(0, first);
    };
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 60 }), { maxLength: 9 }), fc.integer({ min: 0, max: 50 }), (heights, used) => {
        const pages = flow(heights.map(block), { top: 0, bottom: 100, first: used });
        expect(pages.flat().map(({ block: b }) => b.height)).toEqual(heights);
        if (heights.length && heights[0]! + used <= 100) expect(pages).toHaveLength(fewest(heights, 100 - used, 100));
        for (const { block: b, y } of pages.flat()) expect(y + b.height <= 100 || y === 0 || y === used).toBe(true);
      }),
    );
  });
  it('room below a block falls off the page with it', () => {
    const pages = flow([{ ...block(60), after: 30 }, block(40), block(10)], { top: 0, bottom: 100 });
    expect(pages.map((p) => p.map(({ y }) => y))).toEqual([[0], [0, 40]]);
    expect(flow([{ ...block(100), after: 30 }], { top: 0, bottom: 100 })).toHaveLength(1);
  });
});

describe('text in lines', () => {
  const wide = (t: string): number => [...t].length;
  it('between words; a word wider than a line is cut, letters with their accents whole; new lines stay', () => {
    expect(wrapped('one two three four', 9, wide)).toEqual(['one two', 'three', 'four']);
    expect(wrapped('abcdefgh ij', 4, wide)).toEqual(['abcd', 'efgh', 'ij']);
    expect(wrapped('a\n\nb', 9, wide)).toEqual(['a', '', 'b']);
    expect(wrapped('e\u0301e\u0301e\u0301', 4, wide)).toEqual(['e\u0301e\u0301', 'e\u0301']);
  });
  it('no line is wider than it may be and no letter is lost, whatever the text', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), fc.integer({ min: 2, max: 30 }), (text, width) => {
        const lines = wrapped(text, width, wide);
        expect(lines.every((l) => wide(l) <= width)).toBe(true);
        expect(lines.join('').replace(/\s/g, '')).toBe(text.replace(/\s/g, ''));
      }),
    );
  });
});

describe('a booklet', () => {
  it('names the page on which each section begins, and bookmarks it there', () => {
    const sections = Array.from({ length: 9 }, (_, k) => section(`Part ${k + 1}`, k % 2 ? line : shapes()));
    const pages = [...bookletPages(request(sections), plain)];
    const begins = pages.flatMap((p, k) => p.bookmarks.map(({ title }) => [title, k + 1] as const));
    expect(begins.map(([title]) => title)).toEqual(sections.map((s) => s.title));
    const first = texts(pages[0]!.items);
    for (const [title, page] of begins) {
      const row = first.find((t) => t.text === title && t.size === 10.5);
      expect(first.find((t) => t.y === row?.y && t.anchor === 'end')?.text).toBe(String(page));
      expect(texts(pages[page - 1]!.items).some((t) => t.text === title && t.size === 14)).toBe(true);
    }
    pages.forEach((p, k) => expect(texts(p.items).at(-1)?.text).toBe(`page ${k + 1} of ${pages.length}`));
  });
  it('says for whom and from whom, and the caution; nothing of that where it was not typed', () => {
    const said = (r: BookletRequest): string => texts([...bookletPages(r, plain)][0]!.items).map((t) => t.text).join('\n'); // prettier-ignore
    expect(said(request([]))).toContain('For Ines, from M. Ferrow');
    expect(said(request([], { pupil: '' }))).toContain('From M. Ferrow');
    expect(said(request([], { pupil: '', teacher: '' }))).not.toMatch(/For|from/);
    expect(said(request([]))).toContain('Stop a stretch that hurts; see a clinician if pain lasts.');
  });
  it('nothing lies beyond the edges of A4 or Letter, however long titles, words and cells are', () => {
    const long = 'Zwölftonreihenübungsheft'.repeat(12);
    const table = { table: { head: ['day', long, 'done'], rows: Array.from({ length: 80 }, (_, k) => [`Day ${k}`, `${long} ${'walk '.repeat(50)}`, '']) } }; // prettier-ignore
    const sections = [section(long, shapes(), [long]), section('', { text: `${long} ${'slow '.repeat(600)}` }), section('Week', table), section('Lick', line)]; // prettier-ignore
    for (const paper of ['a4', 'letter'] as const)
      for (const page of bookletPages(request(sections, { paper, title: long, pupil: long, teacher: long }), plain)) {
        expect({ width: page.width, height: page.height }).toEqual(pageSize(paper, 'portrait'));
        for (const t of texts(page.items)) {
          const width = plain(t.text, t.size, t.bold);
          const left = t.x - { start: 0, middle: width / 2, end: width }[t.anchor];
          expect([t.text.slice(0, 20), left >= 20, left + width <= page.width - 20, t.y <= page.height - 20]).toEqual([t.text.slice(0, 20), true, true, true]); // prettier-ignore
        }
      }
  });
  it('a section’s head stays with the first of what it shows', () => {
    for (let n = 1; n < 12; n++) {
      const sections = [section('', { text: 'x\n'.repeat(n * 4) }), section('Lick', line)];
      const page = [...bookletPages(request(sections), plain)].find((p) => p.bookmarks.some((b) => b.title === 'Lick'));
      const head = texts(page?.items ?? []).find((t) => t.text === 'Lick' && t.size === 14);
      expect(texts(page?.items ?? []).some((t) => t.text.startsWith('Frets') && t.y > (head?.y ?? Infinity))).toBe(true);
    }
  });
});

describe('read back by poppler', () => {
  const font = (name: string): Uint8Array => new Uint8Array(readFileSync(join('node_modules/@fontsource', name)));
  const files = {
    regular: { latin: font('commissioner/files/commissioner-latin-400-normal.woff') },
    bold: { latin: font('commissioner/files/commissioner-latin-600-normal.woff') },
    music: font('noto-music/files/noto-music-music-400-normal.woff'),
  };
  it('pages, text, bookmarks at their pages, fonts embedded; sixty pages with progress', async () => {
    const sections = Array.from({ length: 160 }, (_, k) => section(`Part ${k + 1}`, k % 2 ? line : shapes()));
    const done: number[] = [];
    const pdf = await pdfOf(
      (m) => bookletPages(request(sections), m),
      'Week',
      files,
      (n) => done.push(n),
    );
    const file = join(mkdtempSync(join(tmpdir(), 'crow-booklet-')), 'b.pdf');
    writeFileSync(file, pdf);
    const run = (program: string, ...args: string[]): string => execFileSync(program, args, { encoding: 'utf8', maxBuffer: 1 << 26 });
    const pages = Number(/Pages:\s+(\d+)/.exec(run('pdfinfo', file))?.[1]);
    expect(pages).toBeGreaterThanOrEqual(60);
    expect(done).toEqual(Array.from({ length: pages }, (_, k) => k + 1));
    const fonts = run('pdffonts', file).trim().split('\n').slice(2);
    expect(fonts).toHaveLength(3);
    expect(fonts.every((f) => /\byes\b/.test(f))).toBe(true);
    const outline = [...run('pdftohtml', '-xml', '-i', '-stdout', file).matchAll(/<item page="(\d+)">([^<]*)<\/item>/g)].map((m) => [m[2], Number(m[1])]); // prettier-ignore
    expect(outline).toHaveLength(160);
    const text = run('pdftotext', '-layout', file, '-').split('\f');
    for (const [title, page] of outline) expect(text[Number(page) - 1]).toMatch(new RegExp(`^${title}\\s*$`, 'm'));
    expect(text[0]).toContain('For Ines, from M. Ferrow');
    expect(text[pages - 1]).toContain(`page ${pages} of ${pages}`);
  });
});
