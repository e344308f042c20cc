import { glyphs, type PlanState, type Stands, type TodayItem } from '../../core';
import { dayOf } from '../../contract';
import { counted } from './count-text';

/** How a shape of a plan stands, in words. `waitsFor` is the label of the open one before it. */
export function standWords({ state, due }: Pick<Stands, 'state' | 'due'>, now: number, waitsFor: string | null): string {
  switch (state) {
    case 'open':
      return 'being learnt';
    case 'waiting':
      return waitsFor ? `opens when ${waitsFor} holds its goal` : 'waits';
    case 'skipped':
      return 'skipped';
    case 'known':
    case 'learned': {
      const word = state === 'known' ? 'known' : 'holds its goal';
      return due === null ? word : `${word}, ${backWords(due, now)}`;
    }
  }
}

/** When it comes back: "due today", "back tomorrow", "back in 6 days". */
function backWords(due: number, now: number): string {
  const days = Math.round((Date.parse(dayOf(due)) - Date.parse(dayOf(now))) / 86_400_000);
  if (days <= 0) return 'due today';
  return days === 1 ? 'back tomorrow' : `back in ${days} days`;
}

export const STATE_SIGNS: Readonly<Record<PlanState, string>> = Object.freeze({
  open: '▶',
  waiting: '·',
  learned: '✓',
  known: '✓',
  skipped: '–',
});

/** What there is to do, in words; `label` is the shape's, with its study where that is not the open one. */
export function todayWords(item: TodayItem, label: string): string {
  switch (item.kind) {
    case 'warm-up':
      return glyphs(`Warm-up, slow: ${label}`);
    case 'review':
      return glyphs(`${label}, due again after ${counted(item.inDays, 'day')}`);
    case 'learn':
      return glyphs(label);
    case 'rest':
      return item.after === 'wide' ? 'A breath: shake out the hand' : 'Rest, away from the instrument';
  }
}

/** "6 of 8 min", "8 min". */
export const minutesWords = (done: number, all: number): string => (done > 0 ? `${Math.min(done, all)} of ${all} min` : `${all} min`);
