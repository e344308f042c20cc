import { isolated } from './name-text';
import {
  ascii,
  bestTonic,
  degreesOf,
  isScale,
  listScales,
  nameScale,
  parentOf,
  scaleNotes,
  scaleSteps,
  scaleTitle,
  semitonesOf,
  skeletonOf,
  type DegreeName,
  type ScaleInfo,
  type ScaleRef,
} from '../../core';

/** "F# Dorian". */
export const scaleName = (ref: ScaleRef): string => `${ref.tonic} ${scaleTitle(ref.scale)}`;

/** What schools call a mode first. */
const SCHOOL_NAMES: Readonly<Record<string, string>> = Object.freeze({ ionian: 'major', aeolian: 'natural minor' });

/** The scale as it is asked for: "C major (Ionian)"; one of the player's own by the name it was given. */
export function askedScale(ref: ScaleRef, own: readonly { readonly name: string; readonly degrees: DegreeName[] }[] = []): string {
  const degrees = isScale(ref.scale) ? degreesOf(ref.scale).join(' ') : null;
  const named = degrees !== null && !nameScale(degrees.split(' ')) ? own.find((o) => o.degrees.join(' ') === degrees) : undefined;
  if (named) return `${ref.tonic} ${isolated(named.name)}`;
  const title = scaleTitle(ref.scale);
  const school = Object.hasOwn(SCHOOL_NAMES, title.toLowerCase()) ? SCHOOL_NAMES[title.toLowerCase()] : null;
  return `${ref.tonic} ${school ? `${school} (${title})` : title}`;
}

/** A letter with signs may touch the next word ("F#dorian"); a bare letter must stand alone, or "bebop" would be B. */
const TONIC = /^\s*([a-g](?:##|bb|#|b)(?=$|\s|[a-z0-9])|[a-g](?=$|\s))/i;
const SPOKEN: [RegExp, string][] = [
  [/\b([a-g])[\s-]*sharp\b/gi, '$1#'],
  [/\b([a-g])[\s-]*flat\b/gi, '$1b'],
];

/** What was typed, as a tonic (if it starts with one) and the words after it. Example: "Bb mixo" is Bb and "mixo". */
export function splitScaleText(text: string): { readonly tonic: string | null; readonly words: string } {
  const plain = SPOKEN.reduce((t, [from, to]) => t.replace(from, to), ascii(text));
  const match = TONIC.exec(plain);
  if (!match) return { tonic: null, words: plain.trim() };
  const tonic = match[1]![0]!.toUpperCase() + match[1]!.slice(1);
  return { tonic, words: plain.slice(match[0].length).trim() };
}

const plain = (text: string): string => ascii(text).toLowerCase();

/** 0 is an exact name, larger is further off; null where the words do not fit. */
function distance(scale: ScaleInfo, words: string): number | null {
  const wanted = plain(words)
    .split(/[\s-]+/)
    .filter(Boolean);
  const names = [scale.name, scale.id, ...scale.aliases].map(plain);
  if (names.some((name) => name.split(/[\s-]+/).join(' ') === wanted.join(' '))) return 0;
  const fits = (name: string): boolean => {
    const parts = name.split(/[\s-]+/);
    return wanted.every((w) => parts.some((p) => p.startsWith(w)));
  };
  const at = names.findIndex(fits);
  return at < 0 ? null : 1 + at / 10;
}

const DEGREES = /^[b#]{0,2}[1-7]([\s,]+[b#]{0,2}[1-7])+$/;

/** Scales that fit what was typed, best first, on the typed tonic or else the current one. */
export function matchScales(text: string, current: ScaleRef): ScaleRef[] {
  const { tonic, words } = splitScaleText(text);
  if (DEGREES.test(words)) return ownScale(words, tonic ?? current.tonic);
  const ranked = listScales().flatMap((s, order) => {
    const d = words ? distance(s, words) : order;
    return d === null ? [] : [{ id: s.id, d, order }];
  });
  ranked.sort((a, b) => a.d - b.d || a.order - b.order);
  return ranked.map(({ id }) => ({ tonic: tonic ?? current.tonic, scale: id }));
}

/** A list of degrees as typed, if it makes a scale. */
function ownScale(words: string, tonic: string): ScaleRef[] {
  try {
    const degrees = degreesOf(words.split(/[\s,]+/));
    return [{ tonic, scale: nameScale(degrees)?.id ?? degrees }];
  } catch {
    return [];
  }
}

/** The twelve tonics, each in the spelling that writes this scale with fewest accidentals. */
export const tonicsFor = (scale: ScaleRef['scale']): string[] => Array.from({ length: 12 }, (_, k) => bestTonic(k, scale));

/** "minor pentatonic + 2 and 6", or null where the scale is not a named skeleton and more. */
export function skeletonWords(scale: ScaleRef['scale']): string | null {
  const skeleton = skeletonOf(scale);
  const degrees = degreesOf(scale);
  if (!skeleton || skeleton.length === degrees.length) return null;
  const added = degrees.filter((d) => !skeleton.some((s) => semitonesOf(s) === semitonesOf(d)));
  return `${nameScale(skeleton)?.name ?? skeleton.join(' ')} + ${listWords(added)}`;
}

/** "2, 4 and 6". */
export const listWords = (words: string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`;

/** The degree that is the relative root: the major one of a minor skeleton, the minor one of a major skeleton; null for others. */
export function twinRoot(scale: ScaleRef['scale']): DegreeName | null {
  const skeleton = isScale(scale) ? skeletonOf(scale)?.join(' ') : null;
  if (skeleton === '1 b3 4 5 b7') return 'b3';
  return skeleton === '1 2 3 5 6' ? '6' : null;
}

/** The line under the sentence: notes, steps, parent, skeleton. */
export function scaleFacts(ref: ScaleRef): string[] {
  if (!isScale(ref.scale)) return [];
  const parent = parentOf(ref);
  const mode = parent && parent.mode > 1 ? `mode ${parent.mode} of ${scaleName(parent.ref)}` : null;
  const notes = scaleNotes(ref).map((n) => n.name).join(' '); // prettier-ignore
  return [notes, scaleSteps(ref.scale).join(' '), mode, skeletonWords(ref.scale)].filter((f): f is string => f !== null);
}
