import { keysOf, type Backing } from '../../core';
import { decode } from '../decode';
import { FormatError } from '../errors';
import { isMidi } from '../midi/track';
import { isZip, unpackMxl } from '../musicxml/mxl';
import { refuseOthers } from '../told';
import { readChordPro, readFormText, writeChordPro, writeFormText } from './chordpro';
import type { FormKind } from './endings';
import type { FormFile, FormOut } from './form';
import { readFormMidi, writeFormMidi } from './midi';
import { readFormXml, writeFormXml } from './musicxml';

/** A file with its text, as far as it has one. */
interface FileIn {
  readonly bytes: Uint8Array;
  readonly text: string;
}

/** A kind of file that chords come in and go out as. */
interface FormFormat {
  readonly media: string;
  /** Told by what is in it, never by its name. */
  readonly is: (file: FileIn) => boolean;
  /** Throws FormatError. */
  readonly read: (file: FileIn) => FormFile;
  /** `backing` arranges the form, for files that sound. */
  readonly write: (out: FormOut, backing: () => Backing) => string | Uint8Array;
}

const looksLikeChordPro = (text: string): boolean =>
  /^\s*\{\s*[a-z_]+/im.test(text) || (!text.includes('|') && /\[[A-G][^\]]*\]/.test(text));

/** In the order in which a file is told; text is what is nothing else. */
export const FORM_FORMATS: Readonly<Record<FormKind, FormFormat>> = {
  midi: {
    media: 'audio/midi',
    is: ({ bytes }) => isMidi(bytes),
    read: ({ bytes }) => readFormMidi(bytes),
    write: (out, backing) => writeFormMidi(out, backing()),
  },
  musicxml: {
    media: 'application/vnd.recordare.musicxml+xml',
    is: ({ bytes, text }) => isZip(bytes) || text.trimStart().startsWith('<'),
    read: ({ bytes, text }) => readFormXml(isZip(bytes) ? unpackMxl(bytes) : text),
    write: writeFormXml,
  },
  chordpro: {
    media: 'text/plain',
    is: ({ text }) => looksLikeChordPro(text),
    read: ({ text }) => readChordPro(text),
    write: writeChordPro,
  },
  text: {
    media: 'text/plain',
    is: () => true,
    read: ({ text }) => readFormText(text),
    write: writeFormText,
  },
};

/** The chords of a file, told by what is in it. Throws FormatError where it is no file of chords, or breaks off. */
export function readFormFile(bytes: Uint8Array): FormFile {
  if (!bytes.length) throw new FormatError('this file is empty.');
  refuseOthers(bytes);
  const packed = isMidi(bytes) || isZip(bytes);
  const file: FileIn = { bytes, text: packed ? '' : decode(bytes).text.replace(/^\uFEFF/, '') };
  const kind = keysOf(FORM_FORMATS).find((k) => FORM_FORMATS[k].is(file))!;
  return FORM_FORMATS[kind].read(file);
}
