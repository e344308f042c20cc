import { glyphs } from '../../core';
import type { Drawing } from './drawing';
import { gripPages, type GripSheetRequest } from './grips';
import { sheetPages, sheetTitle, type SheetRequest } from './sheet';
import { tabPages, type TabSheetRequest } from './tab';

/** Whatever can go on paper: shapes, a line, grips, or shapes with lines and grips after them. */
export type PaperRequest =
  | { readonly shapes: SheetRequest }
  | { readonly tab: TabSheetRequest }
  | { readonly grips: GripSheetRequest }
  | { readonly shapes: SheetRequest; readonly lines: TabSheetRequest[]; readonly grips: GripSheetRequest };

export function* pagesOf(r: PaperRequest): Generator<Drawing> {
  if ('shapes' in r) yield* sheetPages(r.shapes);
  for (const line of 'tab' in r ? [r.tab] : 'lines' in r ? r.lines : []) yield* tabPages(line);
  if ('grips' in r) yield* gripPages(r.grips);
}
export const titleOf = (r: PaperRequest): string =>
  'tab' in r ? glyphs(r.tab.name) : 'shapes' in r ? sheetTitle(r.shapes) : glyphs(r.grips.name);
