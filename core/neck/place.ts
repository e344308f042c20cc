import type { Place } from '../types';

/** Whether two places are the same string and fret; no place is none. */
export const samePlace = (a: Place, b: Place | undefined): boolean => a.string === b?.string && a.fret === b.fret;
/** A place as text, string before fret. Example: string 6, fret 5 is '6/5'. */
export const placeKey = (p: Place): string => `${p.string}/${p.fret}`;
/** A place alone, without what else an object carries. */
export const plainPlace = ({ string, fret }: Place): Place => ({ string, fret });
