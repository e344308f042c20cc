import type { Item } from './drawing';

/** Marks on paper that stay together on one page: a row of shapes, a system of a tab, a paragraph. */
export interface Block {
  /** In points. */
  readonly height: number;
  /** Its marks with its top at y. */
  readonly at: (y: number) => Item[];
  /** Left free below it where another follows on the page. */
  readonly after?: number;
}

/** Where blocks may stand on a page, in points from its top: `first` is the top of the first page where that is another. */
export interface Room {
  readonly top: number;
  readonly bottom: number;
  readonly first?: number;
  /** Between two blocks of a page. */
  readonly gap?: number;
}

/**
 * Blocks in their order on as few pages as they need: each stands on the page that is being filled as long as it has room there. That is the smallest number of
 * pages: whatever else is done, the k-th page cannot end later than here. A block higher than a page has one of its own.
 */
export function flow<B extends Block>(
  blocks: readonly B[],
  { top, bottom, first = top, gap = 0 }: Room,
): { readonly block: B; readonly y: number }[][] {
  const pages: { readonly block: B; readonly y: number }[][] = [];
  let y = first;
  for (const block of blocks) {
    const page = pages.at(-1);
    if (!page) pages.push([{ block, y }]);
    else if (y + block.height <= bottom + ROUNDING) page.push({ block, y });
    else {
      y = top;
      pages.push([{ block, y }]);
    }
    y += block.height + (block.after ?? gap);
  }
  return pages;
}
/** What adding up heights may miss by, in points. */
const ROUNDING = 1e-6;

/** The marks of a page. */
export const itemsOf = (page: readonly { readonly block: Block; readonly y: number }[]): Item[] =>
  page.flatMap(({ block, y }) => block.at(y));

/** Two blocks that stay together. */
export const together = (above: Block, below: Block, gap = 0): Block => ({
  ...below,
  height: above.height + gap + below.height,
  at: (y) => [...above.at(y), ...below.at(y + above.height + gap)],
});

/** Members in rows of so many. */
export const inRows = <T>(all: readonly T[], columns: number): T[][] =>
  Array.from({ length: Math.ceil(all.length / columns) }, (_, k) => all.slice(k * columns, (k + 1) * columns));
