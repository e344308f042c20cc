import type { Place } from './types';

/**
 * Whether two places are the same string and fret; no place is none.
 * @example samePlace({ string: 6, fret: 5 }, { string: 6, fret: 5 }) // true
 */
export const samePlace = (a: Place, b: Place | undefined): boolean => a.string === b?.string && a.fret === b.fret;
/**
 * A place as text, string before fret. Example: string 6, fret 5 is '6/5'.
 * @example placeKey({ string: 6, fret: 5 }) // '6/5'
 */
export const placeKey = (p: Place): string => `${p.string}/${p.fret}`;
/**
 * A place as a number, strings of 64 frets one after another: for tables that are asked very often.
 * @example placeIndex({ string: 6, fret: 5 }) // 389
 */
export const placeIndex = (p: Place): number => p.string * 64 + p.fret;
/**
 * A place alone, without what else an object carries.
 * @example plainPlace({ string: 6, fret: 5 }) // { string: 6, fret: 5 }
 */
export const plainPlace = ({ string, fret }: Place): Place => ({ string, fret });
/** MIDI number of a place; `open` holds those of the open strings by string number. */
export const midiOn = (open: readonly number[], p: Place): number => open[p.string]! + p.fret;

/** Cuts the neck into a lower and a higher region (common practice, no published source). The border fret itself is on the lower side. */
export const BORDER_FRET = 7;
/**
 * Whether a fret lies at or below the border, where players count a shape as the lower one.
 */
export const isBelow = (fret: number, border = BORDER_FRET): boolean => fret <= border;
