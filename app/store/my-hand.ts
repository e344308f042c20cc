import { useSyncExternalStore } from 'react';
import { handSchema, problemsOf } from '../../contract';
import type { Hand, HandReach } from '../../core';

const KEY = 'crow-ladder:hand';
const listeners = new Set<() => void>();
let known: { text: string | null; reaches: HandReach[] | null } = { text: null, reaches: null };

/** The player's hand as it was measured in this browser, or null; what is kept there and does not hold counts as none. */
export function myHand(): HandReach[] | null {
  let text: string | null = null;
  try {
    text = localStorage.getItem(KEY);
  } catch {
    return null;
  }
  if (text !== known.text) known = { text, reaches: text === null ? null : read(text) };
  return known.reaches;
}

function read(text: string): HandReach[] | null {
  try {
    const value: unknown = JSON.parse(text);
    return problemsOf(handSchema, { size: 'medium', reaches: value }).length === 0 ? (value as HandReach[]) : null;
  } catch {
    return null;
  }
}

/** Keeps a measured hand for this player; false where the browser keeps nothing. */
export function keepMyHand(reaches: HandReach[]): boolean {
  try {
    localStorage.setItem(KEY, JSON.stringify(reaches));
  } catch {
    return false;
  }
  listeners.forEach((l) => l());
  return true;
}

export const useMyHand = (): HandReach[] | null => useSyncExternalStore((l) => (listeners.add(l), () => listeners.delete(l)), myHand);

/** The hand that a new study begins with. */
export const usualHand = (): Hand => {
  const reaches = myHand();
  return { size: 'medium', ...(reaches ? { reaches } : {}) };
};
