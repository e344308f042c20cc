import { glyphs } from '../../core';
import type { Drawing } from './drawing';
import { sheetPages, sheetTitle, type SheetRequest } from './sheet';
import { tabPages, type TabSheetRequest } from './tab';

/** Whatever can go on paper. */
export type PaperRequest = { shapes: SheetRequest } | { tab: TabSheetRequest };

export const pagesOf = (r: PaperRequest): Generator<Drawing> => ('tab' in r ? tabPages(r.tab) : sheetPages(r.shapes));
export const titleOf = (r: PaperRequest): string => ('tab' in r ? glyphs(r.tab.name) : sheetTitle(r.shapes));
