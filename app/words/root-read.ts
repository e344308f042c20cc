import { countWord, nameAgainst, openMidis, samePlace, type Instrument, type Place, type ScaleRef, type Shape } from '../../core';
import { rootWords, type RootWish } from './root-text';
import { NTH_FINGER } from './shape-text';

/** What was typed for a root: part of a place, a place, a place with a finger, or why it is none. */
export type TypedRoot =
  { readonly string?: number; readonly fret?: number; readonly number?: number; readonly finger?: number } | { readonly problem: string };

const PLACE =
  /^(?:string\s+)?(\d{1,2})(?:(?:\s*[/,]\s*|\s+)(?:fret\s+)?(\d{1,2})(?:\s*,?\s*(?:under\s+)?(?:the\s+)?(?:finger\s*|f\s*)?([0-9])(?:st|nd|rd|th)?(?:\s+finger)?)?)?$/;
const HOW = 'Write the string, then the fret, and a finger if you like: 6 5, or 6 5 finger 2.';

/** Reads "6 5", "6/5", "6 5 finger 2", "6 5 2", "6/5 f2", "string 6, fret 5 under the 2nd finger", or one number. */
export function readRoot(text: string, instrument: Instrument, scale: ScaleRef): TypedRoot {
  const typed = text.trim().toLowerCase();
  if (!typed) return {};
  const m = PLACE.exec(typed);
  if (!m) return { problem: `“${typed.slice(0, 30)}” is no place. ${HOW}` };
  const [first, fret, finger] = m.slice(1).map((n) => (n === undefined ? undefined : Number(n)));
  if (fret === undefined) return { number: first };
  const strings = instrument.strings.length;
  const string = first ?? 0;
  if (string < 1 || string > strings) return { problem: `There is no string ${string}: this neck has ${countWord(strings)}.` };
  const [low, high] = [instrument.capo ?? 0, instrument.frets];
  if (fret < low || fret > high) return { problem: `Fret ${fret} is off the neck, which goes from ${low} to ${high}.` };
  if (finger !== undefined && (finger < 1 || finger > 4))
    return { problem: `There is no finger ${finger}: 1 is the index, 4 the little finger.` };
  const sounds = nameAgainst(scale.tonic, openMidis(instrument)[string - 1]! + fret);
  if (sounds.degree !== '1') return { problem: `String ${string}, fret ${fret} is ${sounds.name}, not the root ${scale.tonic}.` };
  return { string, fret, ...(finger === undefined ? {} : { finger }) };
}

/** Roots of all rungs that were asked for, from the thickest string up; with a finger only those that some rung gives it. */
export function rootsFor(typed: TypedRoot, shapes: readonly Shape[]): RootWish[] {
  if ('problem' in typed) return [];
  const { string, fret, number, finger } = typed;
  const fits = (r: Place): boolean =>
    number !== undefined ? r.string === number || r.fret === number : string === undefined || (r.string === string && r.fret === fret);
  const fingered = (s: Shape, r: Place): boolean => finger === undefined || s.notes.some((n) => samePlace(n, r) && n.finger === finger);
  const all = new Map(shapes.flatMap((s) => s.roots.filter((r) => fits(r) && fingered(s, r))).map((r) => [rootWords(r), r]));
  return [...all.values()].sort((a, b) => b.string - a.string || a.fret - b.fret).map((r) => (finger === undefined ? r : { ...r, finger }));
}

/** Why nothing was found. */
export function noRootWords(typed: TypedRoot): string {
  if ('problem' in typed) return typed.problem;
  if (typed.finger !== undefined)
    return `No shape of this layout puts the ${NTH_FINGER[typed.finger]} finger on string ${typed.string}, fret ${typed.fret}.`;
  return typed.fret === undefined
    ? `No shape has a root there. ${HOW}`
    : `No shape of this layout has string ${typed.string}, fret ${typed.fret}.`;
}
