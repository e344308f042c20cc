import { checkInstrument, CoreError, type Instrument, fieldsOf } from '../core';
import { refuseFile } from './errors';

const KIND = 'crow-ladder instrument';
const VERSION = 1;

/** An instrument as a JSON file, versioned. */
export const writeInstrument = (instrument: Instrument): string =>
  `${JSON.stringify({ kind: KIND, version: VERSION, instrument }, null, 2)}\n`;

/** Reads such a file. Throws FormatError saying what is wrong with it. */
export function readInstrument(text: string): Instrument {
  const file = fieldsOf(parse(text));
  if (file.kind !== KIND) return refuseFile('this is JSON, but not an instrument of Crow Ladder.');
  if (file.version !== VERSION)
    return refuseFile(
      typeof file.version === 'number'
        ? `this file is of version ${file.version}; this Crow Ladder reads version ${VERSION}.`
        : 'this file does not say its version.',
    );
  try {
    return checkInstrument(file.instrument as Instrument);
  } catch (e) {
    if (e instanceof CoreError) return refuseFile(e.message);
    throw e;
  }
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (e) {
    return refuseFile(`this is not whole JSON (${(e as Error).message}).`);
  }
}
