import { openMidis, pitchName, hertzOf, A4_MIDI, type Instrument } from '../core';
import { quoted, refuseFile } from './errors';
import { plainName } from './line';

/**
 * Scala files for tunings of twelve equal steps. The .scl lists each string's interval above the thickest string,
 * thickest first, in cents; the .kbm says which MIDI note the thickest string is. Written from the published
 * description of both formats: lines that begin with "!" are comments; a pitch with a dot is in cents, else a ratio.
 */

/** Pitches further than this many cents from a half step are not a tuning of twelve equal steps. */
const TOLERANCE_CENTS = 1;
const MOST_STEPS = 127;

interface Line {
  readonly text: string;
  readonly number: number;
}

const linesOf = (file: string): Line[] =>
  file
    .split(/\r\n|\r|\n/)
    .map((text, k) => ({ text, number: k + 1 }))
    .filter((l) => !l.text.startsWith('!'));

/** The .scl text of an instrument's open strings. */
export function writeScl(i: Instrument): string {
  const open = openMidis(i).reverse();
  const cents = open.slice(1).map((m) => ` ${((m - open[0]!) * 100).toFixed(1)}`);
  return [`! ${i.name}.scl`, '!', i.name.replace(/^!+/, '').trim() || 'Open strings', ` ${cents.length}`, '!', ...cents, ''].join('\n');
}

/** The .kbm text that goes with it: the thickest string's MIDI note, and A4 = 440 Hz. */
export function writeKbm(i: Instrument): string {
  const open = openMidis(i).reverse();
  const rows = [
    `! ${i.name}.kbm`,
    '! size of map',
    '0',
    '! first and last MIDI note',
    '0',
    '127',
    '! middle note: the thickest string',
    String(open[0]),
  ];
  return [
    ...rows,
    '! reference note and its frequency',
    String(A4_MIDI),
    hertzOf(A4_MIDI).toFixed(6),
    '! scale degree of the octave',
    '0',
    '',
  ].join('\n');
}

/** Intervals of an .scl file in half steps above 1/1, in the order of the file. Throws FormatError with the line. */
export function readScl(file: string): { readonly description: string; readonly semitones: number[] } {
  const [title, count, ...pitches] = linesOf(file);
  if (!title || !count) return refuseFile('an .scl file has a description, a count, then the pitches.');
  const wanted = /^\s*(\d+)/.exec(count.text);
  if (!wanted) return refuseFile(`expected the number of pitches, found ${quoted(count.text)}.`, count.number);
  const rows = pitches.filter((l) => l.text.trim() !== '');
  if (rows.length < Number(wanted[1])) refuseFile(`${wanted[1]} pitches are promised, ${rows.length} are there.`, count.number);
  return { description: title.text.trim(), semitones: rows.slice(0, Number(wanted[1])).map(halfSteps) };
}

function halfSteps(line: Line): number {
  const cents = centsOf(line);
  const steps = Math.round(cents / 100);
  if (Math.abs(steps) > MOST_STEPS) refuseFile(`${quoted(line.text)} lies beyond ten octaves; no string is that high.`, line.number);
  if (Math.abs(cents - steps * 100) > TOLERANCE_CENTS)
    refuseFile(`${cents.toFixed(2)} cents lie between two frets; only twelve equal steps can be taken over.`, line.number);
  return steps;
}

/** Digits of a ratio's number at most. */
const MOST_DIGITS = 1000;

/** Base-2 logarithm of a whole number of any length, by its first digits. */
function log2Of(digits: string): number {
  const plain = digits.replace(/^0+/, '');
  const head = plain.slice(0, 15);
  return plain ? Math.log2(Number(head)) + (plain.length - head.length) * Math.log2(10) : NaN;
}

function centsOf({ text, number }: Line): number {
  const word = /^\s{0,200}(-?\d+\.\d*|-?\d+\/\d+|-?\d+)(\s|$)/.exec(text)?.[1];
  if (!word) return refuseFile(`expected cents such as 500.0 or a ratio such as 4/3, found ${quoted(text)}.`, number);
  if (word.length > 2 * MOST_DIGITS) return refuseFile(`this pitch has ${word.length} digits; no tuning needs that.`, number);
  if (word.includes('.')) return Number(word);
  const [above, below = '1'] = word.split('/');
  const cents = 1200 * (log2Of(above!) - log2Of(below));
  return above!.startsWith('-') || Number.isNaN(cents) ? refuseFile(`the ratio ${quoted(word)} is not above zero.`, number) : cents;
}

/** The MIDI note of 1/1 in a .kbm file, and how far its reference lies from A4 = 440 Hz, in cents. Throws FormatError with the line. */
export function readKbm(file: string): { readonly middle: number; readonly offCents: number } {
  const rows = linesOf(file).filter((l) => l.text.trim() !== '');
  const row = rows.at(3);
  const middle = Number(row?.text.trim());
  if (rows.length < 7 || !Number.isInteger(middle) || middle < 0 || middle > 127)
    return refuseFile('expected a keyboard mapping whose fourth entry is a MIDI note from 0 to 127.', row?.number ?? null);
  const [note, hertz] = [Number(rows[4]!.text.trim()), Number(rows[5]!.text.trim())];
  const plain = Number.isInteger(note) && note >= 0 && note <= 127 && hertz > 0;
  return { middle, offCents: plain ? 1200 * Math.log2(hertz / hertzOf(note)) : 0 };
}

/** Open pitches, string 1 first, of an .scl and the MIDI note of its 1/1. Throws FormatError for more than 12 strings or pitches out of range. */
export function openFromScala(semitones: number[], middle: number): string[] {
  if (semitones.length > 11) refuseFile(`${semitones.length + 1} strings; an instrument here has 1 to 12.`);
  const midis = [0, ...semitones].map((s) => middle + s);
  const bad = midis.find((m) => m < 0 || m > 127);
  if (bad !== undefined) refuseFile(`a string would sound MIDI note ${bad}; the range is 0 to 127.`);
  return midis.reverse().map((m) => pitchName(m));
}

/** What of an instrument neither file carries. */
export const SCALA_LOSES = ['frets', 'scale length', 'gauges', 'capo', 'hand'] as const;

/** An instrument of an .scl: open strings as it has them above `lowest`, a MIDI note; all else as the instrument near by. Throws FormatError. */
export function instrumentFromScala(scl: string, lowest: number, near: Instrument): Instrument {
  const { description, semitones } = readScl(scl);
  const name = /^Open strings of (.{1,80}), above [A-G][#b]?-?\d$/.exec(description)?.[1] ?? description; // so ours were called until 2026
  const strings = openFromScala(semitones, lowest).map((open) => ({ open }));
  return { ...near, name: plainName(name, 80) || 'From a Scala file', strings, capo: 0 };
}
