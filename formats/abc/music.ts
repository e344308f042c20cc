import type { Join, PitchedNote } from '../../core';
import { refuseFile } from '../errors';
import { CHORD_NOTE, type Left } from '../left';
import { GRACE, PLAIN, type Marks } from '../score/line';
import { ACCIDENTALS } from './key';
import { LEFT, put, struckLast, unitOf, type BarSign, type VoiceState } from './state';

interface On {
  readonly left: Left;
  /** Line of the file, from 1. */
  readonly line: number;
  readonly state: () => VoiceState;
  readonly field: (letter: string, text: string) => void;
  /** One more thing was read, or one more note. */
  readonly token: () => void;
  readonly note: () => void;
  readonly bar: (sign: BarSign) => void;
}

const LENGTH = String.raw`\d{0,5}\/{0,6}\d{0,5}`;
const PITCH = String.raw`(?:\^\^|__|\^|_|=)?[A-Ga-g][,']{0,8}`;
/** What music is made of: the letters that it begins with, and its form; each tried where the one before ended. */
const TOKENS: readonly [name: string, starts: string, pattern: RegExp][] = [
  ['field', '[', /\[([A-Za-z]):([^\]]{0,200})\]/y],
  ['bar', ':|[', /(:{0,4}\|[\]|]?:{0,4}|\[\|\]?:{0,4}|::)[ \t]*(?:\[?(\d(?:[\d,-]{0,20})))?/y],
  ['ending', '[', /\[(\d[\d,-]{0,20})/y],
  ['chord', '[', new RegExp(String.raw`\[([^\]\n]{0,120})\](${LENGTH})`, 'y')],
  ['note', '^_=ABCDEFGabcdefg', new RegExp(String.raw`(\^\^|__|\^|_|=)?([A-Ga-g])([,']{0,8})(${LENGTH})`, 'y')],
  ['rest', 'zx', new RegExp(String.raw`([zx])(${LENGTH})`, 'y')],
  ['bars', 'ZX', /([ZX])(\d{0,4})/y],
  ['spacer', 'y', new RegExp(String.raw`y${LENGTH}`, 'y')],
  ['tie', '-', /-/y],
  ['tuplet', '(', /\((\d{1,3})(?::(\d{0,3}))?(?::(\d{0,3}))?/y],
  ['slur', '.(', /\.?\(/y],
  ['unslur', ')', /\)/y],
  ['broken', '><', /(>{1,3}|<{1,3})/y],
  ['grace', '{', /\{([^}\n]{0,120})\}/y],
  ['mark', '!+', /([!+])([A-Za-z0-9<>.()^+-]{1,30}?)\1/y],
  ['short', '.~HLMOPSTuvhijklmnopqrstw', /[.~HLMOPSTuvh-w](?=[^:])/y],
  ['text', '"', /"([^"\n]{0,300})"/y],
  ['overlay', '&', /&[^|\n]*/y],
  ['quiet', ' \t\r\n\f\v`\\$*;?@!', /[\s`\\$*;?@]+|!/y],
];

/** What may begin with a letter, in order. */
const BEGINS = new Map<string, [name: string, pattern: RegExp][]>();
for (const [name, starts, pattern] of TOKENS) for (const c of starts) BEGINS.set(c, [...(BEGINS.get(c) ?? []), [name, pattern]]);

const SHORT: Record<string, string> = { '.': 'staccato', '~': 'roll', 'H': 'fermata', 'L': 'accent', 'M': 'lowermordent', 'O': 'coda', 'P': 'uppermordent', 'S': 'segno', 'T': 'trill', 'u': 'upbow', 'v': 'downbow' }; // prettier-ignore
/** Notes of a tuplet without a second number: in the time of how many (ABC 2.1, section 4.13); 0: by the meter. */
const IN_TIME: Record<number, number> = { 2: 3, 3: 2, 4: 3, 5: 0, 6: 2, 7: 0, 8: 3, 9: 0 };
const isCompound = ([beats, unit]: readonly [number, number]): boolean => unit >= 8 && beats % 3 === 0;

/** "3", "/2", "3/4", "//": how many units. */
function unitsOf(text: string): number {
  const m = /^(\d*)(\/*)(\d*)$/.exec(text);
  if (!m) return 1;
  const [, above, slashes, below] = m;
  const over = slashes ? (below ? Number(below) * 2 ** (slashes.length - 1) : 2 ** slashes.length) : 1;
  return over > 0 ? (above === '' ? 1 : Number(above)) / over : 0;
}

const numbersIn = (text: string): ReadonlySet<number> => {
  const out = new Set<number>();
  for (const m of text.matchAll(/(\d+)(?:-(\d+))?/g))
    for (let n = Number(m[1]); n <= Math.min(16, Number(m[2] ?? m[1])); n++) if (n >= 1) out.add(n);
  return out;
};

/** Reads a line of music. What a lick has no room for is counted; what is no ABC is counted as a sign by itself. */
export function readMusic(text: string, on: On): void {
  let at = 0;
  while (at < text.length) {
    on.token();
    const found = tokenAt(text, at);
    if (!found) {
      on.left.sign(`“${text[at]}”`);
      at++;
      continue;
    }
    const { name, m } = found;
    at += m[0].length;
    READ[name]!(m, on);
  }
}

function tokenAt(text: string, at: number): { readonly name: string; readonly m: RegExpExecArray } | null {
  for (const [name, pattern] of BEGINS.get(text[at]!) ?? []) {
    pattern.lastIndex = at;
    const m = pattern.exec(text);
    if (m?.[0]) return { name, m };
  }
  return null;
}

const READ: Record<string, (m: RegExpExecArray, on: On) => void> = {
  field: ([, letter, text], on) => on.field(letter!, text!),
  bar: ([, sign, ending], on) => on.bar({ sign: sign!, ending: ending ? numbersIn(ending) : null }),
  ending: ([, ending], on) => on.bar({ sign: '', ending: numbersIn(ending!) }),
  chord: ([, inside, length], on) => readChord(inside!, length!, on),
  note: ([, accidental, letter, octave, length], on) => sound(on, [pitchOf(on.state(), accidental, letter!, octave!)], unitsOf(length!)),
  rest: ([, , length], on) => sound(on, [], unitsOf(length!)),
  bars: ([, , count], on) => {
    const v = on.state();
    const quarters = (v.meter[0] * 4) / v.meter[1];
    put(v, PLAIN, { length: quarters * Math.max(1, Number(count) || 1), midi: null, tieStop: false, slurred: false });
  },
  spacer: () => undefined,
  tie: (_, on) => {
    const { music, open } = on.state();
    const struck = struckLast(open);
    music.tied = struck[0]?.midi == null ? null : struck.flatMap((n) => n.midi ?? []);
  },
  tuplet: ([, p, q, r], on) => {
    const { music, meter } = on.state();
    const count = Number(p);
    const time = Number(q) || IN_TIME[count] || (count in IN_TIME ? (isCompound(meter) ? 3 : 2) : count);
    if (count) music.tuplet = { factor: time / count, left: Number(r) || count };
  },
  slur: (_, on) => void on.state().music.slurs++,
  unslur: (_, on) => {
    const { music } = on.state();
    music.slurs = Math.max(0, music.slurs - 1);
    if (!music.slurs) music.slurred = false;
  },
  broken: ([, signs], on) => {
    const v = on.state();
    const short = 1 / 2 ** signs!.length;
    const [here, next] = signs!.startsWith('>') ? [2 - short, short] : [short, 2 - short];
    const struck = struckLast(v.open);
    if (!struck.length) return;
    if (v.music.broken) return on.left.sign(`“${signs}” twice`);
    for (const n of struck) n.length *= here;
    v.at = struck[0]!.at + struck[0]!.length;
    v.music.broken = next;
  },
  grace: ([, inside], on) => {
    const v = on.state();
    const count = inside!.match(/[A-Ga-g]/g)?.length ?? 0;
    v.extras.push(...Array.from({ length: count }, () => ({ kind: GRACE, staff: 1, voice: '1', bar: v.measures.length })));
  },
  mark: ([, , name], on) => void on.state().music.marks.push(name!),
  short: ([sign], on) => {
    if (SHORT[sign]) on.state().music.marks.push(SHORT[sign]);
    else on.left.sign(`“${sign}”`);
  },
  text: ([, text], on) => on.left.sign(/^[\^_<>@]/.test(text!) ? 'words' : 'chord symbol'),
  overlay: (_, on) => on.left.leave(LEFT.OVERLAY, on.state().measures.length + 1),
  quiet: () => undefined,
};

const STEPS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const MIDDLE_C = 60;

/** MIDI number of a note: C is middle C; accidentals hold to the end of the bar for the letter in every octave (ABC 2.1, section 11.3). */
function pitchOf({ key, music }: VoiceState, accidental: string | undefined, letter: string, octave: string): number | null {
  const upper = letter.toUpperCase();
  if (accidental) music.accidentals.set(upper, ACCIDENTALS[accidental]!);
  const alter = music.accidentals.get(upper) ?? key.signature[upper] ?? 0;
  const octaves = (letter === upper ? 0 : 1) + [...octave].reduce((sum, c) => sum + (c === "'" ? 1 : -1), 0);
  const midi = MIDDLE_C + STEPS[upper]! + alter + 12 * octaves + key.shift;
  return midi >= 0 && midi <= 127 ? midi : null;
}

function readChord(inside: string, length: string, on: On): void {
  const v = on.state();
  const all = [...inside.matchAll(new RegExp(`(${PITCH})(${LENGTH})`, 'g'))];
  if (!all.length) return on.left.sign(`“[${inside.slice(0, 12)}]”`);
  const pitches = all.map((m) => {
    const [, accidental, letter, octave] = /^(\^\^|__|\^|_|=)?([A-Ga-g])([,']*)$/.exec(m[1]!)!;
    return pitchOf(v, accidental, letter!, octave!);
  });
  sound(on, pitches, unitsOf(all[0]![2]!) * unitsOf(length));
}

/** Decorations as marks of a lick, and the names of the others. */
function marksOf(names: readonly string[]): Marks {
  const stroke: PitchedNote['stroke'] = names.includes('downbow') ? 'down' : names.includes('upbow') ? 'up' : undefined;
  const finger = Number(names.find((n) => /^[1-4]$/.test(n)) ?? 0);
  const join: Join | null = names.includes('slide') ? 'slide' : null;
  const taken = new Set(['downbow', 'upbow', 'slide', ...(finger ? [String(finger)] : [])]);
  return { ...PLAIN, ...(stroke ? { stroke } : {}), finger, join, signs: names.filter((n) => !taken.has(n)) };
}

/** Pitches struck together for so many units; none is a rest. */
function sound(on: On, pitches: readonly (number | null)[], units: number): void {
  const v = on.state();
  const { music } = v;
  let length = units * unitOf(v);
  if (music.broken) length *= music.broken;
  music.broken = 0;
  if (music.tuplet) {
    length *= music.tuplet.factor;
    if (--music.tuplet.left <= 0) music.tuplet = null;
  }
  on.note();
  if (length > MOST_QUARTERS) refuseFile('a note in this line is longer than a thousand whole notes.', on.line);
  if (length <= 0) return;
  const marks = music.marks.length ? marksOf(music.marks) : PLAIN;
  if (music.marks.length) music.marks = [];
  const first = pitches.length ? pitches.reduce((a, b) => ((b ?? -1) > (a ?? -1) ? b : a)) : null;
  for (let k = 1; k < pitches.length; k++) on.left.leave(CHORD_NOTE, v.measures.length + 1);
  const tieStop = first !== null && (music.tied?.includes(first) ?? false);
  put(v, marks, { length, midi: first, tieStop, slurred: music.slurred });
  music.tied = null;
  music.slurred = music.slurs > 0 && first !== null;
}
const MOST_QUARTERS = 4000;
