import { CoreError, shown } from '../errors';
import { chromaOf } from '../pitch';
import { checkDegree, DEGREE_SEMITONES, degreeOfNote, mod12, noteOnDegree, semitonesOf } from '../scale';
import type { DegreeName, NoteName } from '../types';

/** A tone of a chord. `step` is its place in the stack: 1, 3 (2 or 4 where they stand in for it), 5, 6, 7, 9, 11, 13. */
export interface ChordTone {
  /** Steps of the scale above the root, 0 to 12. */
  readonly step: number;
  /** Against the chord's root, tensions by their letter: the ninth is '2', the eleventh '4', the thirteenth '6'. */
  readonly degree: DegreeName;
  /** Above the root, 0 to 11. */
  readonly semitones: number;
  /** Its name. */
  readonly note: NoteName;
}

/** A chord as its symbol says it. */
export interface Chord {
  /** The note it is built on. */
  readonly root: NoteName;
  /** The note written after the slash; the root where none is. */
  readonly bass: NoteName;
  /** Root first, in the order of the stack. A bass that is no tone of the chord is not among them. */
  readonly tones: ChordTone[];
}

/** What of a symbol cannot be read, counted in characters from 0, and what may have been meant. */
export interface ChordFault {
  /** The first sign that is wrong, from 0. */
  readonly at: number;
  /** How many signs are. */
  readonly length: number;
  /** What is wrong, in words. */
  readonly message: string;
  /** Symbols that may have been meant. */
  readonly nearest: string[];
}

/** No symbol is longer. */
const LONGEST = 40;
const ROOT = /^[A-G](?:##|bb|#|b)?/;
const UGLY: readonly [RegExp, string][] = [
  [/♯/g, '#'],
  [/♭/g, 'b'],
  [/𝄪/gu, '##'],
  [/𝄫/gu, 'bb'],
  [/[−–]/g, '-'],
];
/**
 * A symbol in plain signs; 𝄪 and 𝄫 grow by one.
 * @example plainSigns('B♭△') // 'Bb△'
 */
export const plainSigns = (symbol: string): string => UGLY.reduce((s, [from, to]) => s.replace(from, to), symbol.trim());

/** Semitones of the natural steps of a stack. */
const NATURAL: Readonly<Record<number, number>> = { 1: 0, 2: 2, 3: 4, 4: 5, 5: 7, 6: 9, 7: 11, 9: 2, 11: 5, 13: 9 };
const letter = (step: number): number => ((step - 1) % 7) + 1;

/** What has been read so far: the tones by step, in semitones; a step may stand twice (7b5#5). */
interface Draft {
  /** Semitones of the tones at each step. */
  readonly tones: Map<number, number[]>;
  /** Whether a seventh, added by an extension, is a major one; or as small as a diminished one. */
  seventh: 'minor' | 'major' | 'diminished';
  /** What the triad is. */
  quality: 'major' | 'minor' | 'diminished' | 'augmented';
  /** The letters that stand for a major seventh have been read. */
  major: boolean;
}

const set = (d: Draft, step: number, ...semitones: number[]): void => void d.tones.set(step, semitones);
const SEVENTHS = { minor: 10, major: 11, diminished: 9 } as const;

/** The extension 6, 7, 9, 11 or 13: a seventh, and what is stacked on it as players mean it (no third in 11, no eleventh in 13). */
function extend(d: Draft, to: number): void {
  if (to === 6) return set(d, 6, 9);
  set(d, 7, SEVENTHS[d.major ? 'major' : d.seventh]);
  if (to >= 9) set(d, 9, 2);
  if (to === 11) {
    set(d, 11, 5);
    if (d.quality === 'major' && !d.major) d.tones.delete(3);
  }
  if (to === 13) set(d, 13, 9);
}

/** An altered step: a fifth gives way to it, another alteration of the same step stays beside it. */
function alter(d: Draft, sign: string, step: number): void {
  const by = sign === '#' || sign === '+' ? 1 : -1;
  const to = step === 4 ? 11 : step === 6 ? 13 : step;
  const sound = mod12(NATURAL[to]! + by);
  const here = d.tones.get(to) ?? [];
  set(d, to, ...here.filter((s) => s !== NATURAL[to] && s !== sound), sound);
}

function suspend(d: Draft, how: string): void {
  d.tones.delete(3);
  if (how.includes('2')) set(d, 2, 2);
  if (how.includes('4') || !how) set(d, 4, 5);
}

function add(d: Draft, sign: string, step: number): void {
  const to = step === 2 ? 9 : step === 4 ? 11 : step;
  const by = sign === '#' ? 1 : sign === 'b' ? -1 : 0;
  const sound = mod12((to === 7 ? SEVENTHS.minor : NATURAL[to]!) + by);
  set(d, to, ...(d.tones.get(to) ?? []).filter((s) => s !== sound), sound);
}

/** One sign of a symbol: what it looks like, and what it does. */
type Sign = [RegExp, (d: Draft, m: RegExpExecArray) => void];

const MAJOR_7 = String.raw`(?:maj|Maj|MAJ|ma|M|Δ|\^)`;

/** What may stand right after the root. */
const QUALITIES: Sign[] = [
  [/^5(?![\d#b])/, (d) => d.tones.delete(3)],
  [new RegExp(`^${MAJOR_7}(?=7|9|11|13)`), (d) => void (d.major = true)],
  [/^Δ/, (d) => ((d.major = true), extend(d, 7))],
  [/^(maj|Maj|MAJ|ma(?!dd)|M|\^)(?!in?)/, () => undefined],
  [/^(min|mi|m|-(?!5))/, (d) => ((d.quality = 'minor'), set(d, 3, 3))],
  [/^(dim|°|o)/, (d) => ((d.quality = 'diminished'), (d.seventh = 'diminished'), set(d, 3, 3), set(d, 5, 6))],
  [/^(ø|Ø|h)7?/, (d) => ((d.quality = 'diminished'), set(d, 3, 3), set(d, 5, 6), set(d, 7, 10))],
  [/^(aug|\+)(?![49]|11)5?/, (d) => ((d.quality = 'augmented'), set(d, 5, 8))],
  [/^dom(?=$|7|9|11|13)/, (d) => extend(d, 7)],
];

/** What may stand anywhere after that. */
const SIGNS: Sign[] = [
  [/^[(),\s]+/, () => undefined],
  [/^6\/?9|^\/9(?=$|[(#b])/, (d) => (set(d, 6, 9), set(d, 9, 2))],
  [/^(?:add|Add)(#|b|)(2|4|6|7|9|11|13)/, (d, m) => add(d, m[1]!, Number(m[2]))],
  [/^(?:sus|Sus)(24|42|2|4|)/, (d, m) => suspend(d, m[1]!)],
  [/^(?:no|omit)(1|3|5|7|9|11)(?:rd|th|st)?/, (d, m) => d.tones.delete(Number(m[1]))],
  [/^alt7?/, (d) => (set(d, 7, 10), set(d, 5, 8), set(d, 9, 3))],
  [new RegExp(`^/?${MAJOR_7}(7|9|11|13)`), (d, m) => ((d.major = true), extend(d, Number(m[1])))],
  [/^Δ/, (d) => ((d.major = true), extend(d, 7))],
  [/^(13|11|9|7|6)/, (d, m) => extend(d, Number(m[1]))],
  [/^2/, (d) => set(d, 9, 2)],
  [/^([#b+-])(13|11|9|6|5|4)/, (d, m) => alter(d, m[1]!, Number(m[2]))],
  [/^(\+|aug)/, (d) => set(d, 5, 8)],
];

/** A chord by its degrees, where no usual symbol says it: "C(1,b3,b4)". */
const SPELLED = /^\(1(?:,(?:bb|b|#|)[1-7])*\)$/;

type Reading = { readonly chord: Chord } | { readonly fault: ChordFault };

const fault = (at: number, length: number, message: string, nearest: string[]): Reading => ({ fault: { at, length, message, nearest } });

function readPlain(text: string): Reading {
  if (!text) return fault(0, 0, 'no chord is written', []);
  if (text.length > LONGEST) return fault(LONGEST, text.length - LONGEST, `a chord is written in ${LONGEST} signs at most`, []);
  const root = ROOT.exec(text)?.[0];
  if (!root) return fault(0, 1, `“${text[0]}” is no note; a chord begins with one of A to G`, guessedRoot(text));
  const slash = /\/([A-G](?:##|bb|#|b)?)$/.exec(text);
  const body = text.slice(root.length, slash ? slash.index : undefined);
  const bass = slash?.[1] ?? root;
  if (SPELLED.test(body)) return spelled(root, bass, body);
  const draft: Draft = { tones: new Map([[1, [0]], [3, [4]], [5, [7]]]), seventh: 'minor', quality: 'major', major: false }; // prettier-ignore
  const quality = QUALITIES.find(([sign]) => sign.test(body));
  let at = 0;
  const take = ([sign, does]: Sign): boolean => {
    const m = sign.exec(body.slice(at));
    if (m) does(draft, m);
    at += m?.[0].length ?? 0;
    return !!m;
  };
  if (quality) take(quality);
  while (at < body.length && SIGNS.some(take));
  if (at < body.length) return unread(text, root.length + at, body.length - at, root);
  return { chord: { root, bass, tones: tonesOf(root, draft) } };
}

function spelled(root: NoteName, bass: NoteName, body: string): Reading {
  const degrees = body.slice(1, -1).split(',');
  const unknown = degrees.find((d) => !Object.hasOwn(DEGREE_SEMITONES, d));
  if (unknown) return fault(root.length + 1, body.length - 2, `“${unknown}” is no degree`, []);
  const tones = degrees.map((d) => ({ step: Number(d.slice(-1)), degree: checkDegree(d), semitones: semitonesOf(d), note: noteOnDegree(root, d) })); // prettier-ignore
  return { chord: { root, bass, tones } };
}

function tonesOf(root: NoteName, { tones }: Draft): ChordTone[] {
  const steps = [...tones].flatMap(([step, sounds]) => sounds.map((semitones) => ({ step, semitones })));
  steps.sort((a, b) => a.step - b.step || a.semitones - b.semitones);
  return steps.map(({ step, semitones }) => {
    const degree = degreeAt(step, semitones);
    return { step, degree, semitones, note: noteOnDegree(root, degree) };
  });
}

/** The degree of a step that is so many semitones high; by its sound where that letter has no such name. */
function degreeAt(step: number, semitones: number): DegreeName {
  const by = mod12(semitones - NATURAL[step]! + 6) - 6;
  const named = (by < 0 ? 'b'.repeat(-by) : '#'.repeat(by)) + letter(step);
  return Object.hasOwn(DEGREE_SEMITONES, named) ? named : degreeOfNote('C', noteOnDegree('C', named));
}

const unread = (text: string, at: number, length: number, root: string): Reading =>
  fault(at, length, `“${text.slice(at, at + length)}” says nothing of a chord`, nearestTo(text, root));

/** Ends of symbols that players write, for guesses. */
const USUAL = ['', 'm', '7', 'm7', 'maj7', '6', 'm6', 'sus4', 'sus2', 'dim', 'dim7', 'aug', 'm7b5', '9', 'm9', 'maj9', 'add9', '7sus4', '7b9', '7#9', '13', '11', '69', 'mM7', 'maj7#11']; // prettier-ignore

/** The three usual symbols on this root that are fewest signs away. */
const nearestTo = (text: string, root: string): string[] =>
  USUAL.map((end, k) => ({ symbol: root + end, far: distance(text, root + end), k }))
    .sort((a, b) => a.far - b.far || a.k - b.k)
    .slice(0, 3)
    .map((u) => u.symbol);

/** A small letter for a big one, and the B that some call H. */
const guessedRoot = (text: string): string[] => {
  const guess = (text[0]!.toUpperCase() === 'H' ? 'B' : text[0]!.toUpperCase()) + text.slice(1);
  return /^[A-G]/.test(guess) && 'chord' in readPlain(guess) ? [guess] : [];
};

/** Signs to put in, take out or change. */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, k) => k);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let k = 1; k <= b.length; k++) next[k] = Math.min(next[k - 1]! + 1, row[k]! + 1, row[k - 1]! + (a[i - 1] === b[k - 1] ? 0 : 1));
    row = next;
  }
  return row[b.length]!;
}

/**
 * What is wrong with a symbol, where in it, and up to three that may have been meant; null where it can be read.
 * @example chordFault('C7') // null
 */
export function chordFault(symbol: string): ChordFault | null {
  const read = readPlain(typeof symbol === 'string' ? plainSigns(symbol) : '');
  return 'fault' in read ? read.fault : null;
}

/**
 * A chord by its symbol: root, quality (m, dim, aug, sus, maj, ø), extension (6 to 13), alterations, additions and omissions in any
 * order, a bass after a slash; or by its degrees, as C(1,b3,b4). Throws BAD_OPTION with the place that cannot be read and what may
 * have been meant. Symbols as in common practice, no published source; held against two libraries in tests/outside/harmony.test.ts.
 * @example parseChord('Ebmaj7').root // 'Eb'
 */
export function parseChord(symbol: string): Chord {
  const read = readPlain(typeof symbol === 'string' ? plainSigns(symbol) : '');
  if ('chord' in read) return read.chord;
  const { message, nearest } = read.fault;
  const meant = nearest.length ? ` Did you mean ${nearest.join(' or ')}?` : ' Write a root and a kind, such as F#m7, Bb7 or Cmaj7.';
  throw new CoreError('BAD_OPTION', 'chord', `chord: "${shown(symbol)}" cannot be read: ${message}.${meant}`);
}

/**
 * The notes of a chord symbol, root first, spelled by the chord; throws as parseChord. Example: chordNotes('F#m7') is F# A C# E.
 * @example chordNotes('Dm7') // ['D', 'F', 'A', 'C']
 * @example chordNotes('C13') // ['C', 'E', 'G', 'Bb', 'D', 'A']
 */
export const chordNotes = (symbol: string): NoteName[] => parseChord(symbol).tones.map((t) => t.note);

/**
 * Pitch classes of a chord symbol.
 * @example chordSounds('C') // [0, 4, 7]
 */
export const chordSounds = (symbol: string): number[] => chordNotes(symbol).map(chromaOf);
