import { useEffect } from 'react';
import { glyphs } from '../../core';
import { viewStands } from '../ui/first-view';
import { viewName } from '../words/view-text';

/** Names the page in the window's title and for screen readers: "Map: Weathervane – Crow Ladder". */
export function usePageTitle(view: string, about = ''): void {
  const title = [[viewName(view) ?? 'Crow Ladder', glyphs(about)].filter(Boolean).join(': '), 'Crow Ladder'].join(' – ');
  useEffect(() => {
    document.title = title;
    viewStands();
  }, [title]);
}
