/** Sharps and flats of a key, as half steps by letter. */
export type Signature = Readonly<Record<string, number>>;

/** Places of the letters in the circle of fifths, F first; the tonic of a mode lies so many fifths above that of its major key. */
const CIRCLE = 'FCGDAEB';
const MODES: Record<string, number> = { maj: 0, ion: 0, mix: 1, dor: 2, m: 3, min: 3, aeo: 3, phr: 4, loc: 5, lyd: -1 };
const MOST_FIFTHS = 14;

/** A signature of so many sharps (flats below 0). Example: 3 is F sharp, C sharp, G sharp. */
export function signatureOf(fifths: number): Record<string, number> {
  const out: Record<string, number> = {};
  for (const [k, letter] of [...CIRCLE].entries()) {
    const sharps = Math.floor((fifths - k + 6) / 7);
    if (sharps) out[letter] = sharps;
  }
  return out;
}

/** Sharps of a key by its tonic and mode; null where the letters name none. Example: F sharp Dorian has four. */
export function fifthsOf(tonic: string, mode: string): number | null {
  const at = CIRCLE.indexOf(tonic[0]!);
  const offset = MODES[mode.slice(0, 3).toLowerCase()] ?? (mode === '' ? 0 : null);
  if (at < 0 || offset === null) return null;
  const signs = [...tonic.slice(1)].reduce((sum, c) => sum + (c === '#' ? 7 : c === 'b' ? -7 : 0), 0);
  const fifths = at - 1 + signs - offset;
  return Math.abs(fifths) <= MOST_FIFTHS ? fifths : null;
}

/** Half steps of a written accidental: ^ _ = doubled or not. */
export const ACCIDENTALS: Record<string, number> = { '^': 1, '^^': 2, _: -1, __: -2, '=': 0 };

/** What a K: field says. */
export interface KeyField {
  readonly signature: Signature;
  /** Half steps by which notes sound higher than written. */
  readonly shift: number;
  /** Words in it that are not read. */
  readonly unknown: string[];
}

const TONIC = /^([A-G])([#b]?)\s*([A-Za-z]*)/;
const HIGHLAND = signatureOf(2);
const CLEF = /^(?:clef=)?(?:treble|alto|tenor|bass|perc|none|auto|[GFC])\d?(?:([-+^_])(8|15))?$/i;
const QUIET = /^(?:middle|m|stafflines|stafftext|snm|subname|nm|name|score|gchord|cue|style|up|down|stem|merge|bracket|brace|staffscale|map|strings|capo|cs|scale|tuning)=?/i; // prettier-ignore

/** Reads a K: field of ABC 2.1 (section 3.1.14), or the clef words of a V: field (`voice`). Accidentals after the key change it, "exp" leaves only them. */
export function readKey(text: string, before: KeyField, voice = false): KeyField {
  let signature: Record<string, number> = { ...before.signature };
  let rest = text.trim().slice(0, 200);
  const unknown: string[] = [];
  if (!voice) {
    const m = TONIC.exec(rest);
    if (/^HP\b/i.test(rest)) {
      signature = rest.startsWith('HP') ? {} : { ...HIGHLAND };
      rest = rest.slice(2);
    } else if (/^none\b/i.test(rest)) {
      signature = {};
      rest = rest.slice(4);
    } else if (m) {
      const word = m[3]!.toLowerCase();
      const explicit = word === 'exp';
      const isMode = word === '' || word.slice(0, 3) in MODES;
      const fifths = fifthsOf(`${m[1]}${m[2]}`, isMode ? word : '');
      signature = explicit || fifths === null ? {} : signatureOf(fifths);
      rest = rest.slice(isMode || explicit ? m[0].length : m[1]!.length + m[2]!.length);
    }
  }
  let shift = before.shift;
  let octave = 0;
  let clef: number | null = null;
  for (const word of rest.split(/\s+/).filter(Boolean)) {
    const accidental = /^(\^\^|__|\^|_|=)([A-Ga-g])$/.exec(word);
    const move = /^(octave|transpose|t)=(-?\d{1,2})$/.exec(word);
    const clefs = CLEF.exec(word);
    if (accidental) signature[accidental[2]!.toUpperCase()] = ACCIDENTALS[accidental[1]!]!;
    else if (word.toLowerCase() === 'exp') signature = {};
    else if (move) octave += move[1] === 'octave' ? 12 * Number(move[2]) : Number(move[2]);
    else if (clefs) clef = clefs[1] ? (clefs[2] === '15' ? 24 : 12) * (/[-_]/.test(clefs[1]) ? -1 : 1) : 0;
    else if (!QUIET.test(word)) unknown.push(word.slice(0, 20));
  }
  if (clef !== null || octave) shift = (clef ?? 0) + octave;
  return { signature, shift, unknown };
}
