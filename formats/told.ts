import { refuseFile } from './errors';

/** Files that are told apart by how they begin, and are none of ours: [what it is, its first bytes, where they stand]. */
const OTHERS: readonly [what: string, begins: string, at?: number][] = [
  ['a PDF', '%PDF'],
  ['a picture (PNG)', '\x89PNG'],
  ['a picture (JPEG)', '\xff\xd8\xff'],
  ['a picture (GIF)', 'GIF8'],
  ['a picture (WebP)', 'WEBP', 8],
  ['a picture (TIFF)', 'II*\0'],
  ['a picture (TIFF)', 'MM\0*'],
  ['a picture (BMP)', 'BM'],
  ['a picture (HEIC)', 'ftyphei', 4],
  ['a drawing (SVG)', '<svg'],
  ['a recording (WAV)', 'WAVE', 8],
  ['a recording (FLAC)', 'fLaC'],
  ['a recording (Ogg)', 'OggS'],
  ['a recording (MP3)', 'ID3'],
  ['a recording (MP4)', 'ftyp', 4],
  ['a database (SQLite)', 'SQLite format 3'],
  ['a packed file (gzip)', '\x1f\x8b'],
  ['a packed file (7z)', '7z\xbc\xaf'],
];
const PICTURES = /^a (?:PDF|picture|drawing)/;

/** What a file is that holds no music to read: a PDF, a picture, a recording; null where it may be one of ours. */
export function kindOf(bytes: Uint8Array): string | null {
  const head = String.fromCharCode(...bytes.slice(0, 40));
  const found = OTHERS.find(([, begins, at = 0]) => head.startsWith(begins, at));
  if (!found) return null;
  // Two letters may begin a text as well.
  if (found[1] === 'BM' && bytes.slice(0, 40).every((b) => b >= 9 && b < 127)) return null;
  return found[0];
}

/** Refuses what is no music to read, and says what would do instead. */
export function refuseOthers(bytes: Uint8Array): void {
  const kind = kindOf(bytes);
  if (!kind) return;
  const why = PICTURES.test(kind) ? 'a tab in a picture cannot be read; copy its text, or type it' : 'it holds no notes that can be read';
  refuseFile(`this is ${kind}: ${why}. Tab as text, MusicXML, MIDI, ABC, Scala and JSON are read.`);
}
