import { fieldsOf, isOneOf } from '../../core';
import { keptValue } from './kept-value';

/** What a player likes, kept in this browser for all studies. */
export interface Prefs {
  /** What "degrees" says on the marks. */
  readonly degrees: 'numbers' | 'syllables';
  /** What "notes" says on the marks, and how strings are named. */
  readonly names: 'letters' | 'german' | 'fixed-do';
  /** How large marks and letters are. */
  readonly size: 'normal' | 'large';
  /** How single-letter commands are pressed. */
  readonly keys: 'alone' | 'alt' | 'off';
  /** Whether what other windows and devices change of the open study is shown here as it happens. */
  readonly follow: 'on' | 'off';
  /** Whether the legend of the marks lies open. */
  readonly legend: boolean;
  /** Whether "What do you want to do?" was sent away. */
  readonly waysSeen: boolean;
  /** Demo studies that the player was asked about. */
  readonly asked: string[];
  /** Own words whose line was read. */
  readonly read: string[];
}

export const USUAL_PREFS: Readonly<Prefs> = Object.freeze({
  degrees: 'numbers',
  names: 'letters',
  size: 'normal',
  keys: 'alone',
  follow: 'on',
  legend: false,
  waysSeen: false,
  asked: [],
  read: [],
});

/** What is one of a few, in the order that it is offered in. */
export const PREF_CHOICES = {
  degrees: ['numbers', 'syllables'],
  names: ['letters', 'german', 'fixed-do'],
  size: ['normal', 'large'],
  keys: ['alone', 'alt', 'off'],
  follow: ['on', 'off'],
} as const satisfies { [K in keyof Prefs]?: readonly Prefs[K][] };

export type PrefChoice = keyof typeof PREF_CHOICES;

const MOST = 200;
const words = (value: unknown): string[] =>
  Array.isArray(value) ? value.filter((v): v is string => typeof v === 'string').slice(0, MOST) : [];

/** Whatever the browser kept, as sound preferences; what does not hold is as usual. */
export function soundPrefs(value: unknown): Prefs {
  const from = fieldsOf(value);
  const chosen = Object.fromEntries(
    Object.entries(PREF_CHOICES).map(([key, all]) => [key, isOneOf(all, from[key]) ? from[key] : USUAL_PREFS[key as keyof Prefs]]),
  ) as Pick<Prefs, PrefChoice>;
  return { ...chosen, legend: from.legend === true, waysSeen: from.waysSeen === true, asked: words(from.asked), read: words(from.read) };
}

const prefs = keptValue('prefs', soundPrefs);

export const whenPrefsChange = prefs.subscribe;

export const usePrefs = prefs.use;
export const prefsNow = prefs.get;
export const setPrefs = (change: Partial<Prefs>): boolean => prefs.set({ ...prefs.get(), ...change });
