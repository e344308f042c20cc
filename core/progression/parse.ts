import { checkWhole } from '../errors';
import { chordFault, movedChord, plainSigns } from '../harmony';
import type { NoteName } from '../types';
import { SILENT, type Bar, type ProgressionFault } from './types';

/** Bars of a form, repeats written out. */
export const MOST_BARS = 500;
/** Chords of one bar. */
const MOST_IN_BAR = 16;

interface Token {
  /** As typed. */
  readonly text: string;
  /** Its first sign, from 0. */
  readonly at: number;
}

const TOKEN = /:\|:?|\|:|\|\|?|\[[^\]\n|]*\]|[^\s|:]+|:/g;
const ENDING = /^\[?([12])[.\]]?$/;
const SECTION = /^\[(.*)\]$/;
const NO_CHORD = /^N\.?C\.?$/i;
const BARLINE = /[|]/;

const fault = (t: Token, message: string, nearest: string[] = []): ProgressionFault => ({ at: t.at, length: t.text.length, message, nearest }); // prettier-ignore

/** A chord as it may be typed: the root's letter may be small, signs may be ♯ and ♭. */
const written = (text: string): string => plainSigns(/^[a-g]/.test(text) ? text.charAt(0).toUpperCase() + text.slice(1) : text);

/**
 * A typed progression with every chord that can be read written anew; whatever else stands there stays, sign by sign.
 * @example rewritten('| Am |', () => 'C') // '| C |'
 */
export const rewritten = (text: string, chord: (symbol: string) => string): string =>
  text.replace(TOKEN, (t) => {
    if (BARLINE.test(t) || SECTION.test(t) || ENDING.test(t) || NO_CHORD.test(t) || t === '.' || t === '%') return t;
    return chordFault(written(t)) ? t : chord(written(t));
  });

/**
 * A typed progression in another key, each chord spelled in it: moved as far as one tonic lies from the other.
 * @example movedProgression('| Am | E7 |', 'A', 'C') // '| Cm | G7 |'
 */
export const movedProgression = (text: string, from: NoteName, to: NoteName): string =>
  rewritten(text, (symbol) => movedChord(symbol, from, to));

/** What is being read. */
interface Reading {
  /** Bars read so far. */
  readonly bars: Bar[];
  /** What could not be read. */
  readonly faults: ProgressionFault[];
  /** Beats of a bar. */
  readonly beats: number;
  /** Bar that a repeat goes back to, and where its first ending begins. */
  from: number;
  /** The ending it is in, or null. */
  ending: number | null;
  /** The section it is in, or null. */
  section: string | null;
}

/** A chord as typed. Unreadable ones are told and silent. */
function symbolOf(r: Reading, t: Token): string {
  if (NO_CHORD.test(t.text)) return SILENT;
  const symbol = written(t.text);
  const wrong = chordFault(symbol);
  if (!wrong) return symbol;
  r.faults.push({ at: t.at + wrong.at, length: Math.max(1, wrong.length), message: wrong.message, nearest: wrong.nearest });
  return SILENT;
}

/** Chords and dots of one bar: with a dot every sign is a beat, without one the chords share the bar. */
function chordsOf(r: Reading, tokens: Token[]): Bar['chords'] {
  const { beats } = r;
  if (!tokens.some((t) => t.text === '.')) {
    const few = tokens.slice(0, MOST_IN_BAR);
    tokens.slice(MOST_IN_BAR).forEach((t) => r.faults.push(fault(t, `a bar has ${MOST_IN_BAR} chords at most`)));
    return few.map((t) => ({ symbol: symbolOf(r, t), beats: beats / few.length }));
  }
  const chords: Bar['chords'] = [];
  tokens.forEach((t, beat) => {
    if (beat >= beats) return void r.faults.push(fault(t, `this bar has ${tokens.length} beats, the meter ${beats}`));
    const before = chords.at(-1) ?? null;
    if (t.text !== '.') chords.push({ symbol: symbolOf(r, t), beats: 1 });
    else if (before) before.beats++;
    else chords.push({ symbol: r.bars.at(-1)?.chords.at(-1)?.symbol ?? SILENT, beats: 1 });
  });
  const used = Math.min(tokens.length, beats);
  chords[chords.length - 1]!.beats += beats - used;
  return chords;
}

/** Closes a bar: % says the one before again. */
function close(r: Reading, tokens: Token[]): void {
  const again = tokens.find((t) => t.text === '%');
  const last = r.bars.at(-1);
  let chords: Bar['chords'];
  if (again && tokens.length === 1 && last) chords = last.chords.map((c) => ({ ...c }));
  else if (again) {
    r.faults.push(fault(again, last ? '% stands alone in its bar' : '% repeats the bar before, and there is none'));
    const rest = tokens.filter((t) => t.text !== '%');
    chords = rest.length ? chordsOf(r, rest) : [{ symbol: SILENT, beats: r.beats }];
  } else chords = chordsOf(r, tokens);
  r.bars.push({ chords, ...(r.section === null ? {} : { section: r.section }) });
  r.section = null;
}

/** Says the bars since the last repeat sign once more, without its first ending. */
function repeat(r: Reading): void {
  const again = r.bars.slice(r.from, r.ending ?? r.bars.length);
  r.bars.push(...again.map((b) => ({ chords: b.chords.map((c) => ({ ...c })) })));
  r.from = r.bars.length;
  r.ending = null;
}

/**
 * A progression as players type it: bars between |, chords sharing a bar evenly, or with dots a beat a sign (`Ab7 . Gm7 .`); % the
 * bar before again, N.C. no chord, |: and :| repeats with endings 1. and 2., [A] a section. `beats` of a bar are 4 unless said, 2 to
 * 15. A chord that cannot be read keeps its time, silent; every fault has its place in the text. Never throws for what is typed.
 * @example parseProgression('| Dm7 | G7 |').bars.length // 2
 */
export function parseProgression(
  text: string,
  o: { readonly beats?: number } = {},
): { readonly bars: Bar[]; readonly faults: ProgressionFault[] } {
  const beats = checkWhole('BAD_OPTION', 'beats', o.beats ?? 4, 1, 15);
  const r: Reading = { bars: [], faults: [], beats, from: 0, ending: null, section: null };
  let tokens: Token[] = [];
  /** The barline before, while nothing stands after it on its line. */
  let line: Token | null = null;
  const ended = (t: Token): void => {
    if (tokens.length) close(r, tokens);
    else if (line && !/\n/.test(text.slice(line.at, t.at)) && r.section === null && line.text !== '||' && t.text !== '||') {
      r.faults.push({ at: line.at, length: t.at + t.text.length - line.at, message: 'this bar is empty: write a chord, % or N.C.', nearest: [] }); // prettier-ignore
      r.bars.push({ chords: [{ symbol: SILENT, beats }] });
    }
    tokens = [];
  };
  for (const m of text.matchAll(TOKEN)) {
    const t: Token = { text: m[0], at: m.index };
    if (BARLINE.test(t.text)) {
      ended(t);
      if (t.text.startsWith(':')) repeat(r);
      if (t.text.endsWith(':')) r.from = r.bars.length;
      line = t;
    } else if (!tokens.length && line && ENDING.test(t.text)) {
      if (ENDING.exec(t.text)?.[1] === '1') r.ending = r.bars.length;
    } else if (!tokens.length && SECTION.test(t.text)) r.section = SECTION.exec(t.text)?.[1] ?? null;
    else tokens.push(t);
    if (r.bars.length > MOST_BARS) break;
  }
  if (tokens.length) close(r, tokens);
  if (r.bars.length > MOST_BARS) {
    r.faults.push({ at: 0, length: text.length, message: `a form has ${MOST_BARS} bars at most; the rest is left out`, nearest: [] });
    r.bars.length = MOST_BARS;
  }
  return { bars: r.bars, faults: r.faults };
}
