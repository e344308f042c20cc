import { glyphs } from '../../core';
import type { Drawing } from './drawing';
import { sheetPages, sheetTitle, type SheetRequest } from './sheet';
import { tabPages, type TabSheetRequest } from './tab';

/** Whatever can go on paper: shapes, a line, or both one after another. */
export type PaperRequest = { shapes: SheetRequest } | { tab: TabSheetRequest } | { shapes: SheetRequest; lines: TabSheetRequest[] };

export function* pagesOf(r: PaperRequest): Generator<Drawing> {
  if ('shapes' in r) yield* sheetPages(r.shapes);
  for (const line of 'tab' in r ? [r.tab] : 'lines' in r ? r.lines : []) yield* tabPages(line);
}
export const titleOf = (r: PaperRequest): string => ('tab' in r ? glyphs(r.tab.name) : sheetTitle(r.shapes));
