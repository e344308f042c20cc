import { CoreError, TUNINGS, countWord, midiOf, parseTuning, registerOf, spellTuning, type Instrument } from '../../core';

/** "six strings", "one string". */
export const stringsWord = (n: number): string => `${countWord(n)} string${n === 1 ? '' : 's'}`;

/** "six strings, E A D G B E", with the capo if there is one. */
export function instrumentWords(i: Instrument): string {
  const strings = stringsWord(i.strings.length);
  const register = registerOf(i);
  const other = register === 0 ? '' : `, ${register < 0 ? 'lower' : 'higher'} than usual`;
  return `${strings}, ${spellTuning(i)}${other}${i.capo ? `, capo at ${i.capo}` : ''}`;
}

export interface TuningChoice {
  readonly name: string;
  /** Open pitches, string 1 first. */
  readonly open: string[];
  readonly scaleLengthMm?: number;
}

const NAMED: TuningChoice[] = TUNINGS.map((t) => ({ name: t.name, open: t.low.split(' ').reverse(), scaleLengthMm: t.scaleLengthMm }));
const letters = (open: string[]): string => open.map((p) => midiOf(p) % 12).join();
const same = (a: string[], b: string[]): boolean => a.map((p) => midiOf(p)).join() === b.map((p) => midiOf(p)).join();

/** What was typed, read as notes; the reason why not, where it looks like notes but is none. */
export function readTuning(text: string): { readonly open: string[] } | { readonly why: string } {
  try {
    return { open: parseTuning(text) };
  } catch (e) {
    if (e instanceof CoreError) return { why: e.message };
    throw e;
  }
}

const looksLikeNotes = (text: string): boolean =>
  /^\s*[a-g](#|b|♯|♭)*-?\d?([\s,]+|$|(?=[A-G]))/i.test(text) && !/[h-z]/i.test(text.replace(/[\s,]/g, ''));

/** Whether each word begins a word of the name, each its own: "H H H" is no half step down. */
function isNamedBy(t: TuningChoice, words: readonly string[]): boolean {
  const left = t.name.toLowerCase().split(/[\s,]+/);
  return words.every((w) => {
    const at = left.findIndex((p) => p.startsWith(w));
    if (at >= 0) left.splice(at, 1);
    return at >= 0;
  });
}

/** Tunings for what was typed: notes find the tunings that have them and make one that has not been named; words find names. */
export function matchTunings(text: string, current: Instrument): TuningChoice[] {
  const typed = text.trim();
  const here = (t: TuningChoice): number => Number(t.open.length === current.strings.length);
  const nearCount = (a: TuningChoice, b: TuningChoice): number => here(b) - here(a);
  if (!typed) return [...NAMED].sort(nearCount);
  const words = typed.toLowerCase().split(/[\s,]+/);
  const byName = NAMED.filter((t) => isNamedBy(t, words));
  const read = looksLikeNotes(typed) ? readTuning(typed) : { why: '' };
  if ('why' in read) return byName;
  // A single letter is more likely part of a name, "open A" or "drop A", than an instrument of one string.
  const hasWord = (t: TuningChoice): boolean => t.name.toLowerCase().split(/[\s,]+/).includes(typed.toLowerCase()); // prettier-ignore
  if (read.open.length === 1) return [...byName.filter(hasWord).sort(nearCount), { name: 'as typed', open: read.open }];
  const alike = NAMED.filter((t) => letters(t.open) === letters(read.open));
  const own = alike.some((t) => same(t.open, read.open)) ? [] : [{ name: 'as typed', open: read.open }];
  return [...alike.filter((t) => same(t.open, read.open)), ...own, ...alike.filter((t) => !same(t.open, read.open))];
}

/** The instrument in another tuning. Gauges stay where the number of strings does; a different count starts afresh. */
export function retuned(i: Instrument, choice: TuningChoice): Instrument {
  const sameCount = choice.open.length === i.strings.length;
  const strings = choice.open.map((open, k) => (sameCount ? { ...i.strings[k], open } : { open }));
  const scaleLengthMm = sameCount ? i.scaleLengthMm : (choice.scaleLengthMm ?? i.scaleLengthMm);
  return { ...i, name: sameCount ? i.name : stringsWord(choice.open.length), strings, scaleLengthMm };
}
