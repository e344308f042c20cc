import { handSchema, problemsOf } from '../../contract';
import type { Hand, HandReach } from '../../core';
import { keptValue } from './kept-value';

/** The player's hand as it was measured in this browser, or null; what is kept there and does not hold counts as none. */
const hand = keptValue<HandReach[] | null>('hand', (value) =>
  value !== null && problemsOf(handSchema, { size: 'medium', reaches: value }).length === 0 ? (value as HandReach[]) : null,
);

/** Keeps a measured hand for this player; false where the browser keeps nothing. */
export const keepMyHand = (reaches: HandReach[]): boolean => hand.set(reaches);
export const useMyHand = hand.use;

/** The hand that a new study begins with. */
export const usualHand = (): Hand => {
  const reaches = hand.get();
  return { size: 'medium', ...(reaches ? { reaches } : {}) };
};
