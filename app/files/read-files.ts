import { instrumentSchema, lickSchema, problemsOf, readBundle, type Bundle, type Lick, type Problem } from '../../contract';
import { checkLick, CoreError, openMidis, type Instrument } from '../../core';
import { decode } from '../../formats/decode';
import { FormatError, refuseFile } from '../../formats/errors';
import { readInstrument } from '../../formats/instrument-json';
import { readLine } from '../../formats/lines';
import { instrumentFromScala, readKbm, SCALA_LOSES } from '../../formats/scala';
import { refuseOthers } from '../../formats/told';
import { licksFromLine, neckFor, PLAINLY, reachOf, type Asked, type Destination } from '../store/bring-in';

/** A file with its bytes. */
export interface NamedBytes {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** How a player wants a file: of a line what `Asked` says; of a tuning how high its thickest string sounds, a MIDI note. */
export type Wish = Partial<Asked> & { readonly register?: number };

/** What files are to be read, the study they are meant for, and the wishes for each, by its place among the files. */
export interface ImportJob {
  readonly files: NamedBytes[];
  readonly into: Destination;
  readonly wishes?: Readonly<Record<number, Wish>>;
  /** Only this one of the files is read. */
  readonly only?: number;
}

/** What a line's file offers to choose from, and what is chosen. */
export interface Choices {
  /** Lines of the file: notes, and how many of them lie beyond the neck. */
  readonly voices: { readonly id: string; readonly name: string; readonly notes: number; readonly beyond: number }[];
  readonly asked: Asked;
  /** Notes of the chosen one beyond the neck as the file has them. */
  readonly beyond: number;
  /** Changes of tempo or meter in it. */
  readonly changes: number;
}

/** What a file will bring, before anything is written. `at`: which of the files. */
export type Incoming = { readonly file: string; readonly at: number } & (
  | { readonly kind: 'licks'; readonly licks: Lick[]; readonly remarks: string[]; readonly choices: Choices }
  | { readonly kind: 'notebook'; readonly bundle: Bundle }
  | { readonly kind: 'instrument'; readonly instrument: Instrument; readonly remarks: string[]; readonly register: number | null }
  /** A tuning whose register the file does not tell: asked for before it can come in. */
  | { readonly kind: 'asks'; readonly asks: 'register' }
  | { readonly kind: 'refused'; readonly why: string; readonly choices: Choices | null }
);
type Found = Incoming extends infer I ? (I extends Incoming ? Omit<I, 'file' | 'at'> : never) : never;

const isScl = (f: NamedBytes): boolean => /\.scl$/i.test(f.name);
const isKbm = (f: NamedBytes): boolean => /\.kbm$/i.test(f.name);

/** Reads files one after another; each comes whole, or is refused with a reason. Files are told by what is in them, not by name. */
export function* readFiles({ files, into, wishes = {}, only }: ImportJob): Generator<Incoming> {
  const kbm = files.find(isKbm);
  for (const [at, f] of files.entries()) {
    if ((only !== undefined && only !== at) || (f === kbm && files.some(isScl))) continue;
    const found = attempt(() => held(readOne(f, into, kbm, wishes[at] ?? {}), into));
    yield { file: f.name, at, ...found };
  }
}

/** What comes of a file holds by the very schemas that saving goes by, or it is refused here, before it is anywhere. */
function held(item: Found, into: Destination): Found {
  const [problem] =
    item.kind === 'licks'
      ? item.licks.flatMap((l) => lickProblems(l, into.instrument))
      : item.kind === 'instrument'
        ? problemsOf(instrumentSchema, item.instrument)
        : [];
  if (!problem) return item;
  return { kind: 'refused', why: `what it holds cannot be kept: ${problem.message}`, choices: item.kind === 'licks' ? item.choices : null };
}

function lickProblems(lick: Lick, neck: Instrument): Problem[] {
  const problems = problemsOf(lickSchema, lick);
  if (problems.length) return problems;
  try {
    checkLick(lick.instrument ?? neck, lick.notes);
    return [];
  } catch (e) {
    if (e instanceof CoreError) return [{ field: e.field, message: e.message }];
    throw e;
  }
}

function attempt(read: () => Found): Found {
  try {
    return read();
  } catch (e) {
    if (e instanceof FormatError) return { kind: 'refused', why: e.message, choices: null };
    return { kind: 'refused', why: `this file could not be read (${e instanceof Error ? e.message : String(e)}).`, choices: null };
  }
}

function readOne(f: NamedBytes, into: Destination, kbm: NamedBytes | undefined, wish: Wish): Found {
  const { name, bytes } = f;
  if (!bytes.length) throw new FormatError('this file is empty.');
  refuseOthers(bytes);
  if (isJson(bytes)) return asJson(decode(bytes).text);
  if (isScl(f)) return asTuning(decode(bytes).text, kbm && decode(kbm.bytes).text, into.instrument, wish);
  if (isKbm(f)) throw new FormatError('a .kbm file needs its .scl beside it: bring both in together.');
  return asLicks(name, bytes, into, { ...PLAINLY, ...wish });
}

/** Whether a file begins as JSON of ours does; a notebook may be larger than any file of notes. */
const isJson = (bytes: Uint8Array): boolean => decode(bytes.slice(0, 64)).text.replace(/^\uFEFF/, '').trimStart().startsWith('{'); // prettier-ignore

function asLicks(file: string, bytes: Uint8Array, into: Destination, wish: Asked): Found {
  const read = readLine(bytes, into.instrument, wish);
  const line = { ...read, name: read.name || file.replace(/\.[^.]+$/, '') };
  const asked: Asked = { fit: wish.fit, whole: wish.whole, voice: line.voice };
  const made = licksFromLine(into, line, asked);
  const reach = reachOf(neckFor(into.instrument, line));
  const voices = line.voices.map(({ id, name, midis }) => ({ id, name, notes: midis.length, beyond: midis.filter((m) => !reach(m)).length })); // prettier-ignore
  const choices: Choices = { voices, asked, beyond: made.beyond, changes: made.changes };
  return 'why' in made
    ? { kind: 'refused', why: made.why, choices }
    : { kind: 'licks', licks: made.licks, remarks: [...line.remarks, ...made.remarks], choices };
}

function asJson(text: string): Found {
  if (/"kind"\s{0,20}:\s{0,20}"crow-ladder instrument"/.test(text.slice(0, 400)))
    return { kind: 'instrument', instrument: readInstrument(text), remarks: [], register: null };
  const read = readBundle(text);
  return 'problem' in read ? { kind: 'refused', why: read.problem, choices: null } : { kind: 'notebook', bundle: read.bundle };
}

/** Beyond so many cents from A4 = 440 Hz a mapping's reference is said. */
const NEAR_CENTS = 1;

function asTuning(scl: string, kbm: string | undefined, near: Instrument, wish: Wish): Found {
  const map = kbm === undefined ? null : readKbm(kbm);
  const lowest = map?.middle ?? wish.register;
  if (lowest === undefined) {
    instrumentFromScala(scl, Math.min(...openMidis(near)), near); // a file that is none is refused before anything is asked
    return { kind: 'asks', asks: 'register' };
  }
  const off = map && Math.abs(map.offCents) > NEAR_CENTS ? map.offCents : null;
  return {
    kind: 'instrument',
    instrument: instrumentFromScala(scl, lowest, near),
    register: map ? null : lowest,
    remarks: [
      `Scala has open strings only: ${SCALA_LOSES.join(', ')} are those of “${near.name}”; the capo is off.`,
      ...(off === null ? [] : [`Its reference lies ${off.toFixed(0)} cents from A4 = 440 Hz; here A4 is 440 Hz.`]),
    ],
  };
}

/** An instrument alone out of chosen files: one of JSON, or an .scl with or without its .kbm; what is asked for before it can be one; or why not. */
export function readInstrumentFiles(files: NamedBytes[], near: Instrument, register?: number): Incoming {
  const into: Destination = { instrument: near, tempo: 90, school: 'finger-per-fret', hand: { size: 'medium' }, room: 0 };
  const wishes = Object.fromEntries(files.map((_, k) => [k, register === undefined ? {} : { register }]));
  const all = [...readFiles({ files, into, wishes })];
  const found = all.find((i) => i.kind === 'instrument' || i.kind === 'asks') ?? all.at(0);
  if (!found) return refuseFile('choose a .json of an instrument, or an .scl with or without its .kbm.');
  if (found.kind === 'instrument' || found.kind === 'asks' || found.kind === 'refused') return found;
  return { file: found.file, at: found.at, kind: 'refused', why: 'this is no instrument: choose a .json of one, or an .scl with or without its .kbm.', choices: null }; // prettier-ignore
}
