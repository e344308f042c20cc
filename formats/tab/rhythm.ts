import { NOTE_VALUES, noteValue, type NoteType } from '../../core';

/**
 * Lengths as letters over a tab: W H Q E S, T for a thirty-second, X for a sixty-fourth; "." for each dot, "3" for a triplet.
 * (Common practice, no published source.)
 */
const LETTERS: Record<NoteType, string> = { whole: 'W', half: 'H', quarter: 'Q', eighth: 'E', '16th': 'S', '32nd': 'T', '64th': 'X' };

/** The letters of a length, joined by "+" where it takes more than one sign; lengths without a sign as "=ticks". */
export function lengthText(ticks: number, parts: readonly { readonly ticks: number }[]): string {
  const sum = parts.reduce((s, p) => s + p.ticks, 0);
  if (sum !== ticks) return `=${ticks}`;
  return parts.map((p) => oneText(p.ticks)).join('+');
}

function oneText(ticks: number): string {
  const v = noteValue(ticks);
  return v ? `${LETTERS[v.type]}${'.'.repeat(v.dots)}${v.triplet ? '3' : ''}` : '';
}

/** One length as it stands over a tab, an r behind it for a rest. */
export const LENGTH_WORD = /^(?:=\d{1,5}|[WHQESTX]\.{0,2}3?(?:\+[WHQESTX]\.{0,2}3?){0,15})r?$/i;

const BY_TEXT = new Map(NOTE_VALUES.map((v) => [oneText(v.ticks), v.ticks]));

/** Ticks of such letters; null where they are none. */
export function lengthOf(text: string): number | null {
  if (/^=\d{1,5}$/.test(text)) return Number(text.slice(1)) || null;
  const parts = text.toUpperCase().split('+').map((p) => BY_TEXT.get(p)); // prettier-ignore
  return parts.every((p) => p !== undefined) ? parts.reduce((a, b) => a + b, 0) : null;
}
