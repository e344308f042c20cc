import { glyphs } from '../../core';
import { flow, itemsOf, together, type Block } from '../sheet/blocks';
import { sheetText } from '../sheet/diagram';
import { pageSize, type Drawing, type Item, type Measure, type Paper } from '../sheet/drawing';
import { gripBlocks, type GripSheetRequest } from '../sheet/grips';
import { sheetBlocks, type SheetRequest } from '../sheet/sheet';
import { tabBlocks, type TabSheetRequest } from '../sheet/tab';
import { wrapped } from './wrap';

/** What a section of a booklet shows. */
export type BookletContent =
  | { readonly shapes: SheetRequest }
  | { readonly tab: TabSheetRequest }
  | { readonly grips: GripSheetRequest }
  | { readonly text: string }
  /** A table: its head, and rows of as many cells. */
  | { readonly table: { readonly head: string[]; readonly rows: string[][] } };

export interface BookletSection {
  /** Over it, in the contents, and as a bookmark; empty: none of these (text between others). */
  readonly title: string;
  /** Small lines under the title: key, tuning, tempo. */
  readonly about: string[];
  readonly content: BookletContent;
}

/** A booklet on paper. Plain data, so that it can be handed to a worker. */
export interface BookletRequest {
  readonly title: string;
  /** As typed; empty: not named. */
  readonly teacher: string;
  readonly pupil: string;
  readonly paper: Paper;
  readonly sections: BookletSection[];
}

const MARGIN = 42;
/** From the lower edge of the paper to the foot line. */
const FOOT = 26;
const GREY = '#444444';
const BLACK = '#000000';
const TEXT = 10.5;
const LEADING = 15;
const AFTER = 18;
const CONTENTS_ROW = 17;
const CAUTION = 'Fingers: 1 index to 4 little, 0 open. Stop a stretch that hurts; see a clinician if pain lasts.';

interface Lay {
  readonly r: BookletRequest;
  readonly width: number;
  readonly measure: Measure;
}

/** Lines of text, each a block. */
function textBlocks({ width, measure }: Lay, text: string, { size = TEXT, leading = LEADING, bold = false, colour = BLACK } = {}): Block[] {
  const lines = wrapped(glyphs(text), width - 2 * MARGIN, (t) => measure(t, size, bold));
  return lines.map((line) => ({ height: leading, at: (y) => [sheetText(MARGIN, y + size, size, line, { bold, colour })] }));
}

const stacked = (blocks: readonly Block[]): Block => blocks.reduce((a, b) => together(a, b));
const space = (height: number): Block => ({ height, at: () => [] });

/** Title, names and the caution, over the contents. */
function front(lay: Lay): Block {
  const { title, teacher, pupil } = lay.r;
  const names = [pupil && `For ${pupil}`, teacher && `from ${teacher}`].filter(Boolean).join(', ');
  return stacked([
    ...textBlocks(lay, title, { size: 22, leading: 28, bold: true }),
    ...(names ? textBlocks(lay, names[0]!.toUpperCase() + names.slice(1), { size: 12, leading: 18 }) : []),
    space(4),
    ...textBlocks(lay, CAUTION, { size: 9, leading: 13, colour: GREY }),
    { height: 12, at: (y) => [{ kind: 'line', x1: MARGIN, y1: y + 4, x2: lay.width - MARGIN, y2: y + 4, width: 0.8, colour: BLACK }] },
  ]);
}

/** One line of the contents; its page is known when all is laid. */
function contentsRow({ width, measure }: Lay, title: string, page: () => number): Block {
  const [line] = wrapped(glyphs(title), width - 2 * MARGIN - 50, (t) => measure(t, TEXT, false));
  return {
    height: CONTENTS_ROW,
    at: (y) => {
      const from = MARGIN + measure(line!, TEXT, false) + 6;
      const dots = width - MARGIN - 26;
      return [
        sheetText(MARGIN, y + TEXT, TEXT, line!),
        ...(dots > from
          ? [{ kind: 'line', x1: from, y1: y + TEXT - 1, x2: dots, y2: y + TEXT - 1, width: 0.4, colour: '#999999' } as Item]
          : []),
        sheetText(width - MARGIN, y + TEXT, TEXT, String(page()), { anchor: 'end' }),
      ];
    },
  };
}

/** A table: columns share the width by their longest cell; a row is as high as its highest cell. The head stands over the first rows. */
function tableBlocks({ width, measure }: Lay, { head, rows }: { readonly head: string[]; readonly rows: string[][] }): Block[] {
  const inner = width - 2 * MARGIN;
  const wants = head.map((h, c) =>
    Math.min(inner, Math.max(...[h, ...rows.map((row) => row[c] ?? '')].map((t) => measure(glyphs(t), TEXT, true))) + 12),
  );
  const all = wants.reduce((a, b) => a + b, 0);
  const widths = all <= inner ? wants : wants.map((w) => (w / all) * inner);
  const xs = widths.map((_, c) => MARGIN + widths.slice(0, c).reduce((a, b) => a + b, 0));
  const rowBlock = (cells: readonly string[], bold: boolean): Block => {
    const lines = widths.map((w, c) => wrapped(glyphs(cells[c] ?? ''), w - 8, (t) => measure(t, TEXT, bold)));
    const height = Math.max(...lines.map((l) => l.length)) * LEADING + 5;
    return {
      height,
      at: (y) => [
        ...lines.flatMap((cell, c) => cell.map((line, k) => sheetText(xs[c]!, y + TEXT + k * LEADING, TEXT, line, { bold }))),
        {
          kind: 'line',
          x1: MARGIN,
          y1: y + height - 2,
          x2: width - MARGIN,
          y2: y + height - 2,
          width: bold ? 0.8 : 0.3,
          colour: bold ? BLACK : '#999999',
        },
      ],
    };
  };
  const [first, ...others] = rows.map((row) => rowBlock(row, false));
  const top = rowBlock(head, true);
  return [first ? together(top, first) : top, ...others];
}

function contentBlocks(lay: Lay, content: BookletContent): Block[] {
  if ('text' in content) return textBlocks(lay, content.text);
  if ('table' in content) return tableBlocks(lay, content.table);
  const { paper } = lay.r;
  return 'shapes' in content
    ? sheetBlocks({ ...content.shapes, paper, turn: 'portrait' })
    : 'tab' in content
      ? tabBlocks({ ...content.tab, paper, turn: 'portrait' })
      : gripBlocks({ ...content.grips, paper, turn: 'portrait' });
}

/** A section: its head stays with the first of what it shows. */
function sectionBlocks(lay: Lay, { title, about, content }: BookletSection): Block[] {
  const [first = space(0), ...others] = contentBlocks(lay, content);
  if (!title) return spaced([first, ...others], AFTER / 2);
  const head = stacked([
    ...textBlocks(lay, title, { size: 14, leading: 19, bold: true }),
    ...about.flatMap((line) => textBlocks(lay, line, { size: 9, leading: 12, colour: GREY })),
    space(6),
  ]);
  return spaced([together(head, first), ...others], AFTER);
}

/** Blocks with room below the last of them. */
const spaced = (blocks: readonly Block[], after: number): Block[] => blocks.map((b, k) => (k === blocks.length - 1 ? { ...b, after } : b));

/** A page of a booklet, with the sections that begin on it. */
export interface BookletPage extends Drawing {
  readonly bookmarks: { readonly title: string; readonly y: number }[];
}

/**
 * The pages of a booklet: title and contents, then its sections, no row of shapes and no system of a tab split, on as few pages as they need in that order.
 * The whole is laid out before the first page is given, as the contents stand at its begin.
 */
export function* bookletPages(r: BookletRequest, measure: Measure): Generator<BookletPage> {
  const { width, height } = pageSize(r.paper, 'portrait');
  const lay: Lay = { r, width, measure };
  const named = r.sections.filter((s) => s.title);
  const pageOf = new Map<BookletSection, number>();
  const opens = new Map<Block, BookletSection>();
  const contents = named.map((s) => contentsRow(lay, s.title, () => pageOf.get(s) ?? 0));
  const sections = r.sections.flatMap((s) => {
    const blocks = sectionBlocks(lay, s);
    opens.set(blocks[0]!, s);
    return blocks;
  });
  const pages = flow([...spaced([front(lay), ...contents], AFTER), ...sections], { top: MARGIN, bottom: height - MARGIN });
  pages.forEach((page, k) => {
    for (const { block } of page) {
      const section = opens.get(block);
      if (section) pageOf.set(section, k + 1);
    }
  });
  for (const [k, page] of pages.entries()) {
    const bookmarks = page.flatMap(({ block, y }) => {
      const title = opens.get(block)?.title;
      return title ? [{ title: glyphs(title), y }] : [];
    });
    yield { width, height, items: [...itemsOf(page), ...foot(lay, height, k + 1, pages.length)], bookmarks };
  }
}

function foot({ r, width, measure }: Lay, height: number, page: number, of: number): Item[] {
  const [line = ''] = wrapped(glyphs([r.title, r.pupil].filter(Boolean).join(' · ')), width - 2 * MARGIN - 90, (t) => measure(t, 8, false)); // prettier-ignore
  return [
    sheetText(MARGIN, height - FOOT, 8, line, { colour: GREY }),
    sheetText(width - MARGIN, height - FOOT, 8, `page ${page} of ${of}`, { anchor: 'end', colour: GREY }),
  ];
}
