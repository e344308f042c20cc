import { strToU8, unzipSync, zipSync } from 'fflate';
import { decode } from '../decode';
import { quoted, refuseFile } from '../errors';
import { FILE_LIMIT, UNPACKED_LIMIT } from '../line';
import { child, children, el, parseXml, xml } from './xml';

const CONTAINER = 'META-INF/container.xml';
const SCORE = 'score.musicxml';
const MEDIA = 'application/vnd.recordare.musicxml+xml';

/** MusicXML packed as .mxl: a zip archive whose container names the score. */
export function packMxl(score: string): Uint8Array {
  const container = xml([el('container', [el('rootfiles', [el('rootfile', [], { 'full-path': SCORE, 'media-type': MEDIA })])])]);
  return zipSync({
    mimetype: [strToU8('application/vnd.recordare.musicxml'), { level: 0 }],
    [CONTAINER]: strToU8(container),
    [SCORE]: strToU8(score),
  });
}

export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

const isOutside = (path: string): boolean => /^([a-z]:|[\\/])/i.test(path) || path.split(/[\\/]/).includes('..');

/** The score inside an .mxl. Throws FormatError: no archive, paths outside it, more than 50 MB unpacked, no score. */
export function unpackMxl(bytes: Uint8Array): string {
  if (bytes.length > FILE_LIMIT) refuseFile('this file is larger than 20 MB.');
  const files = unzip(bytes);
  const container = files.get(CONTAINER);
  const named = container && rootIn(decode(container).text);
  const path = named ?? [...files.keys()].find((f) => /\.(musicxml|xml)$/i.test(f) && f !== CONTAINER);
  const score = path === undefined ? undefined : files.get(path);
  if (named && !score) refuseFile(`this archive names ${quoted(named)} as its score, and that is not in it.`);
  return score ? decode(score).text : refuseFile('this archive has no score in it.');
}

function rootIn(text: string): string | null {
  const files = child(parseXml(text), 'rootfiles');
  return (files && children(files, 'rootfile')[0]?.attributes['full-path']) ?? null;
}

function unzip(bytes: Uint8Array): Map<string, Uint8Array> {
  let sum = 0;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (isOutside(name)) refuseFile(`this archive holds a path outside itself (${quoted(name)}); nothing of it is read.`);
        sum += originalSize;
        if (sum > UNPACKED_LIMIT) refuseFile('this archive unpacks to more than 50 MB; nothing of it is read.');
        return /\.(musicxml|xml)$/i.test(name);
      },
    });
    return new Map(Object.entries(files));
  } catch (e) {
    if (e instanceof Error && e.name === 'FormatError') throw e;
    return refuseFile('this archive breaks off or is damaged.');
  }
}
