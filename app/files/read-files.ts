import { instrumentSchema, lickSchema, problemsOf, readBundle, type Bundle, type Lick, type Problem } from '../../contract';
import { checkLick, CoreError, type Instrument } from '../../core';
import { FormatError } from '../../formats/errors';
import { readInstrument } from '../../formats/instrument-json';
import { FILE_LIMIT, type FileLine } from '../../formats/line';
import { readMidiFile } from '../../formats/midi/read';
import { isZip, unpackMxl } from '../../formats/musicxml/mxl';
import { readMusicXml } from '../../formats/musicxml/read';
import { openFromScala, readKbm, readScl } from '../../formats/scala';
import { readTab } from '../../formats/tab/read';
import { licksFromLine, type Into } from '../store/bring-in';
import { decode } from '../../formats/decode';

/** What files are to be read, and the study they are meant for. */
export interface ImportJob {
  files: { name: string; bytes: Uint8Array }[];
  into: Into;
}

/** What a file will bring, before anything is written. */
export type Incoming = { file: string } & (
  | { kind: 'licks'; licks: Lick[]; remarks: string[] }
  | { kind: 'notebook'; bundle: Bundle }
  | { kind: 'instrument'; instrument: Instrument }
  | { kind: 'refused'; why: string }
);

const isMidi = (bytes: Uint8Array): boolean => String.fromCharCode(...bytes.slice(0, 4)) === 'MThd';

/** Reads files one after another; each comes whole, or is refused with a reason. Files are told by what is in them, not by name. */
export function* readFiles({ files, into }: ImportJob): Generator<Incoming> {
  const kbm = files.find((f) => /\.kbm$/i.test(f.name));
  for (const f of files) {
    if (f === kbm && files.some((x) => /\.scl$/i.test(x.name))) continue;
    yield held(
      attempt(f.name, () => readOne(f, into, kbm)),
      into,
    );
  }
}

/** What comes of a file holds by the very schemas that saving goes by, or it is refused here, before it is anywhere. */
function held(item: Incoming, into: Into): Incoming {
  const [problem] =
    item.kind === 'licks'
      ? item.licks.flatMap((l) => lickProblems(l, into.instrument))
      : item.kind === 'instrument'
        ? problemsOf(instrumentSchema, item.instrument)
        : [];
  return problem ? { file: item.file, kind: 'refused', why: `what it holds cannot be kept: ${problem.message}` } : item;
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

function attempt(file: string, read: () => Incoming): Incoming {
  try {
    return read();
  } catch (e) {
    if (e instanceof FormatError) return { file, kind: 'refused', why: e.message };
    return { file, kind: 'refused', why: `this file could not be read (${e instanceof Error ? e.message : String(e)}).` };
  }
}

function readOne(f: ImportJob['files'][number], into: Into, kbm: ImportJob['files'][number] | undefined): Incoming {
  const { name: file, bytes } = f;
  if (bytes.length > FILE_LIMIT && !isJson(bytes)) throw new FormatError('this file is larger than 20 MB.');
  if (!bytes.length) throw new FormatError('this file is empty.');
  if (isMidi(bytes)) return asLicks(file, readMidiFile(bytes), into, []);
  if (isZip(bytes)) return asLicks(file, readMusicXml(unpackMxl(bytes)), into, []);
  const { text, remark } = decode(bytes);
  const said = remark ? [remark] : [];
  const begin = text.replace(/^\uFEFF/, '').trimStart();
  if (begin.startsWith('<')) return asLicks(file, readMusicXml(text), into, said);
  if (begin.startsWith('{')) return asJson(file, text);
  if (/\.scl$/i.test(file))
    return { file, kind: 'instrument', instrument: tuningOf(text, kbm ? decode(kbm.bytes).text : null, into.instrument) };
  if (/\.kbm$/i.test(file)) throw new FormatError('a .kbm file needs its .scl beside it: bring both in together.');
  return asLicks(file, readTab(text, into.instrument), into, said);
}

const isJson = (bytes: Uint8Array): boolean => bytes.slice(0, 64).some((b) => b === 0x7b);

function asLicks(file: string, line: FileLine, into: Into, said: string[]): Incoming {
  const made = licksFromLine(into, { ...line, name: line.name || file.replace(/\.[^.]+$/, '') });
  return 'why' in made ? { file, kind: 'refused', why: made.why } : { file, kind: 'licks', licks: made.licks, remarks: [...said, ...line.remarks, ...made.remarks] }; // prettier-ignore
}

function asJson(file: string, text: string): Incoming {
  if (/"kind"\s*:\s*"crow-ladder instrument"/.test(text.slice(0, 400)))
    return { file, kind: 'instrument', instrument: readInstrument(text) };
  const read = readBundle(text);
  return 'problem' in read ? { file, kind: 'refused', why: read.problem } : { file, kind: 'notebook', bundle: read.bundle };
}

function tuningOf(scl: string, kbm: string | null, near: Instrument): Instrument {
  const { description, semitones } = readScl(scl);
  const strings = openFromScala(semitones, kbm === null ? 40 : readKbm(kbm).middle).map((open) => ({ open }));
  return { ...near, name: description.slice(0, 80) || 'From a Scala file', strings, capo: 0 };
}
