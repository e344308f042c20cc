import { barsOf, barTicks, glyphs, midiOf, pitchName, spellerIn, type BarPiece, type LickNote, type ScaleRef } from '../../core';
import type { LickOut } from '../line';
import { ACCIDENTALS, fifthsOf, signatureOf, type Signature } from './key';

export interface AbcLick extends LickOut {
  /** Spells the notes; a mode of the major scale is the key too. */
  readonly scale: ScaleRef;
}

/** ABC's names of the seven modes, by the scales that they are. */
const MODES: Record<string, string> = { 'ionian': '', 'major': '', 'dorian': 'dor', 'phrygian': 'phr', 'lydian': 'lyd', 'mixolydian': 'mix', 'aeolian': 'min', 'minor': 'min', 'locrian': 'loc' }; // prettier-ignore
const SIGNS = new Map(Object.entries(ACCIDENTALS).map(([sign, steps]) => [steps, sign]));
/** Notes are written an octave above where they sound, as for every guitar; the clef says so. */
const WRITTEN_UP = 12;
const BARS_A_LINE = 4;
/** A sign's length by its name, in quarters: the nth of these is 4 / 2^n. */
const QUARTERS: Record<string, number> = { 'whole': 4, 'half': 2, 'quarter': 1, 'eighth': 0.5, '16th': 1 / 4, '32nd': 1 / 8, '64th': 1 / 16, '128th': 1 / 32, '256th': 1 / 64, '512th': 1 / 128, '1024th': 1 / 256 }; // prettier-ignore

/** A tempo in whole numbers where a shorter beat makes it one: 92.5 quarters are 185 eighths. */
function tempoField(tempo: number): string {
  const parts = [1, 2, 4, 8].find((p) => Number.isInteger(tempo * p)) ?? 1;
  return `1/${4 * parts}=${tempo * parts}`;
}

/** A length of so many quarters behind a note, the unit being a quarter: 1 is nothing, a half is "/2", three quarters are "3/4". */
function lengthText(quarters: number): string {
  let below = 1;
  while (!Number.isInteger(quarters * below)) below *= 2;
  const above = quarters * below;
  return `${above === 1 ? '' : above}${below === 1 ? '' : `/${below}`}`;
}

/** A field's text: one line, and no comment sign that would end it. */
const plain = (text: string): string => glyphs(text).replace(/\p{Cc}+/gu, ' ').replace(/%/g, '\\%').trim(); // prettier-ignore

/**
 * A lick as ABC 2.1: one tune with title, meter, tempo and key; rhythm with tuplets of any ratio, ties, slides, slurs over what is hammered on or pulled off,
 * settled strokes and fingers. Strings, frets, bends and palm muting are not in the format.
 */
export function writeAbc(lick: AbcLick): string {
  const { tonic, scale } = lick.scale;
  const mode = typeof scale === 'string' ? MODES[scale] : undefined;
  const fifths = mode === undefined ? null : fifthsOf(tonic, mode);
  const isKey = fifths !== null && Math.abs(fifths) <= 7;
  const signature = isKey ? signatureOf(fifths) : {};
  const bars = barsOf(lick.notes, barTicks(lick.meter));
  const spell = spellerIn(lick.scale);
  const texts = bars.map((bar) => barText(lick, bar, signature, spell));
  const lines = Array.from({ length: Math.ceil(texts.length / BARS_A_LINE) }, (_, k) =>
    texts.slice(k * BARS_A_LINE, (k + 1) * BARS_A_LINE),
  );
  return [
    '%abc-2.1',
    'X:1',
    `T:${plain(lick.name)}`,
    `M:${lick.meter[0]}/${lick.meter[1]}`,
    'L:1/4',
    `Q:${tempoField(lick.tempo)}`,
    `K:${isKey ? `${tonic}${mode ?? ''}` : 'C'} clef=treble-8`,
    ...lines.map((l, k) => `${l.join(' | ')} ${k + 1 < lines.length ? '|' : '|]'}`),
    '',
  ].join('\n');
}

function barText({ instrument, notes }: AbcLick, bar: readonly BarPiece[], signature: Signature, spell: (midi: number) => string): string {
  /** Letters that have had an accidental in this bar: readers differ in whether it holds for other octaves, so each is written again. */
  const altered = new Set<string>();
  const isSlur = (n: LickNote | undefined): boolean => n?.join === 'hammer' || n?.join === 'pull';
  return bar
    .map((p, k) => {
      const n = notes[p.index];
      const first = !p.tiedFrom;
      const last = !p.tiedTo;
      const opens = first && !isSlur(n) && isSlur(notes[p.index + 1 + tiesAfter(notes, p.index)]);
      const closes = last && isSlur(headOf(notes, p.index)) && !isSlur(notes[p.index + 1]);
      const group = p.tuplet?.first ? bar.slice(k, bar.findIndex((q, at) => at >= k && !!q.tuplet?.last) + 1).length : 0;
      return [
        p.tuplet?.first ? `(${p.tuplet.actual}:${p.tuplet.normal}:${group}` : '',
        opens ? '(' : '',
        first && n!.place ? marks(n!) : '',
        n!.place ? noteText(midiOf(instrument.strings[n!.place.string - 1]!.open) + n!.place.fret, spell, signature, altered) : 'z',
        lengthText(QUARTERS[p.type]! * (2 - 1 / 2 ** p.dots)),
        p.tiedTo ? '-' : '',
        closes ? ')' : '',
      ].join('');
    })
    .join(' ');
}

/** How many notes are tied on after one. */
function tiesAfter(notes: readonly LickNote[], at: number): number {
  let count = 0;
  while (notes[at + 1 + count]?.join === 'tie') count++;
  return count;
}

/** The note that a tied one goes on. */
function headOf(notes: readonly LickNote[], at: number): LickNote | undefined {
  let k = at;
  while (notes[k]?.join === 'tie') k--;
  return notes[k];
}

const marks = (n: LickNote): string =>
  `${n.join === 'slide' ? '!slide!' : ''}${n.stroke === 'down' ? 'v' : n.stroke === 'up' ? 'u' : ''}${n.finger ? `!${n.finger}!` : ''}`;

/** A pitch: C is middle C, c the one above it, commas and apostrophes for other octaves. */
function noteText(midi: number, spell: (midi: number) => string, signature: Signature, altered: Set<string>): string {
  const usual = spell(midi + WRITTEN_UP);
  const spelled = /[#b]{3}/.test(usual) ? pitchName(midi + WRITTEN_UP) : usual; // there is no sign for three
  const [, letter, signs, octave] = /^([A-G])([#b]*)(-?\d+)$/.exec(spelled)!;
  const steps = signs!.startsWith('b') ? -signs!.length : signs!.length;
  const sign = altered.has(letter!) || steps !== (signature[letter!] ?? 0) ? (SIGNS.get(steps) ?? '') : '';
  if (sign) altered.add(letter!);
  const at = Number(octave);
  const name = at > 4 ? `${letter!.toLowerCase()}${"'".repeat(at - 5)}` : `${letter}${','.repeat(4 - at)}`;
  return `${sign}${name}`;
}
