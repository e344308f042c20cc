import { struckNotes, type Instrument, type LickNote } from '../core';
import { isAbc, readAbc } from './abc/read';
import { writeAbc } from './abc/write';
import { decode } from './decode';
import { FILE_LIMIT, type FileLine, type ReadOptions } from './line';
import { refuseFile } from './errors';
import { readMidiFile } from './midi/read';
import { isMidi } from './midi/track';
import { writeMidiFile } from './midi/write';
import { isZip, packMxl, unpackMxl } from './musicxml/mxl';
import { readMusicXml } from './musicxml/read';
import { writeMusicXml, type MusicXmlLick } from './musicxml/write';
import { readTab } from './tab/read';
import { writeTab } from './tab/write';
import { refuseOthers } from './told';

/** A line as every format takes it; each writes what it can hold. */
export interface LineOut extends MusicXmlLick {
  /** MIDI: a channel a string, so that places come back. */
  readonly channelPerString: boolean;
}

/** Bytes of a file, and its text with what was guessed of it. */
interface FileIn {
  readonly bytes: Uint8Array;
  readonly text: string;
}

/** A format that a line comes in and goes out as: one folder, and one line in LINE_FORMATS. */
export interface LineFormat {
  readonly id: string;
  /** As a player knows it. */
  readonly name: string;
  readonly extension: string;
  readonly media: string;
  /** Told by what is in it, never by its name. */
  readonly is: (file: FileIn) => boolean;
  /** `near` is the instrument that a tab without names is meant for. Throws FormatError. */
  readonly read: (file: FileIn, near: Instrument, o: ReadOptions) => FileLine;
  readonly write: (line: LineOut) => string | Uint8Array;
  /** What of this line it cannot hold, in words. */
  readonly loses: (line: LineOut) => string[];
}

const counted = (count: number, one: string, many = `${one}s`): string[] => (count ? [`${count} ${count === 1 ? one : many}`] : []);
const howMany = (notes: readonly LickNote[], is: (n: LickNote) => boolean): number => notes.filter(is).length;
const joins = (...kinds: string[]) => (n: LickNote): boolean => n.join !== undefined && kinds.includes(n.join); // prettier-ignore

/** What a line has beyond pitch and time, each as "3 bends". */
const PARTS = {
  places: ({ notes }: LineOut) => (struckNotes(notes).length ? ['strings and frets'] : []),
  capo: ({ instrument }: LineOut) => (instrument.capo ? ['the capo'] : []),
  slurs: ({ notes }: LineOut) => counted(howMany(notes, joins('hammer', 'pull')), 'hammer-on or pull-off', 'hammer-ons and pull-offs'),
  slides: ({ notes }: LineOut) => counted(howMany(notes, joins('slide')), 'slide'),
  taps: ({ notes }: LineOut) => counted(howMany(notes, joins('tap')), 'tap'),
  bends: ({ notes }: LineOut) => counted(howMany(notes, (n) => !!n.bend), 'bend'), // prettier-ignore
  mutes: ({ notes }: LineOut) => counted(howMany(notes, (n) => !!n.muted), 'palm-muted note as such', 'palm-muted notes as such'), // prettier-ignore
  strokes: ({ notes }: LineOut) => counted(howMany(notes, (n) => !!n.stroke), 'settled stroke'), // prettier-ignore
  fingers: ({ notes }: LineOut) => counted(howMany(notes, (n) => !!n.finger), 'settled finger'), // prettier-ignore
} satisfies Record<string, (line: LineOut) => string[]>;
const loses =
  (...parts: (keyof typeof PARTS)[]) =>
  (line: LineOut): string[] =>
    parts.flatMap((p) => PARTS[p](line));

const isXml = ({ text }: FileIn): boolean => text.replace(/^\uFEFF/, '').trimStart().startsWith('<'); // prettier-ignore

const TABLE = [
  {
    id: 'midi',
    name: 'MIDI',
    extension: 'mid',
    media: 'audio/midi',
    is: ({ bytes }) => isMidi(bytes),
    read: ({ bytes }, _, o) => readMidiFile(bytes, o),
    write: writeMidiFile,
    loses: (line) => [...(line.channelPerString ? [] : PARTS.places(line)), ...loses('slurs', 'slides', 'taps', 'mutes', 'strokes', 'fingers')(line)], // prettier-ignore
  },
  {
    id: 'mxl',
    name: 'MusicXML, packed',
    extension: 'mxl',
    media: 'application/vnd.recordare.musicxml',
    is: ({ bytes }) => isZip(bytes),
    read: ({ bytes }, _, o) => readMusicXml(unpackMxl(bytes), o),
    write: (line) => packMxl(writeMusicXml(line)),
    loses: () => [],
  },
  {
    id: 'musicxml',
    name: 'MusicXML',
    extension: 'musicxml',
    media: 'application/vnd.recordare.musicxml+xml',
    is: isXml,
    read: ({ text }, _, o) => readMusicXml(text, o),
    write: writeMusicXml,
    loses: () => [],
  },
  {
    id: 'abc',
    name: 'ABC',
    extension: 'abc',
    media: 'text/vnd.abc',
    is: ({ text }) => isAbc(text),
    read: ({ text }, _, o) => readAbc(text, o),
    write: writeAbc,
    loses: loses('places', 'capo', 'taps', 'bends', 'mutes'),
  },
  {
    id: 'tab',
    name: 'Tab text',
    extension: 'txt',
    media: 'text/plain',
    is: () => true,
    read: ({ text }, near) => readTab(text, near),
    write: writeTab,
    loses: loses('fingers'),
  },
] as const satisfies readonly LineFormat[];

/** Every format of a line, in the order in which a file is asked whether it is one; any text may be a tab. */
export const LINE_FORMATS: readonly LineFormat[] = TABLE;
/** What a format of a line is called in our own files. */
export type LineFormatId = (typeof TABLE)[number]['id'];

/** A format by its id. */
export const lineFormat = (id: string): LineFormat => LINE_FORMATS.find((f) => f.id === id)!;

/** Reads a file of any of the formats, told by what is in it. Throws FormatError saying what it is, or where it fails. */
export function readLine(bytes: Uint8Array, near: Instrument, o: ReadOptions = {}): FileLine {
  if (bytes.length > FILE_LIMIT) refuseFile('this file is larger than 20 MB.');
  if (!bytes.length) refuseFile('this file is empty.');
  refuseOthers(bytes);
  const whole = decode(isMidi(bytes) || isZip(bytes) ? new Uint8Array() : bytes);
  const file = { bytes, text: whole.text };
  const format = LINE_FORMATS.find((f) => f.is(file))!;
  const line = format.read(file, near, o);
  return whole.remark ? { ...line, remarks: [whole.remark, ...line.remarks] } : line;
}
