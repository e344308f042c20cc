import { MOST_FORM_TEXT, FORM_TEMPO, type KeptProgression } from '../../contract';
import { homeOf, isScale, METER_BEATS, parseProgression, METER_UNITS, PATH_WEIGHTS, isOneOf } from '../../core';
import { FormatError } from '../../formats/errors';
import { readFormFile, type FormFile } from '../../formats/form';
import { plainName } from '../../formats/line';
import type { Written } from '../store/progressions';

/** A file of chords as a progression, or why it cannot be one. Files are told by what is in them. */
export type ReadForm = { readonly written: Written; readonly remarks: string[] } | { readonly why: string };

export function readForm(file: string, bytes: Uint8Array): ReadForm {
  try {
    return held(file, readFormFile(bytes));
  } catch (e) {
    if (e instanceof FormatError) return { why: e.message };
    throw e;
  }
}

/** What a file tells, as far as a progression can hold it; the rest is said. */
function held(file: string, f: FormFile): ReadForm {
  if (f.text.length > MOST_FORM_TEXT) return { why: `its bars take ${f.text.length} characters; a progression holds ${MOST_FORM_TEXT}.` };
  const [beats, unit] = f.meter;
  const plain = beats >= METER_BEATS.min && beats <= METER_BEATS.max && isOneOf(METER_UNITS, unit);
  const remarks = plain ? f.remarks : [...f.remarks, `Its meter ${f.meter.join('/')} is not counted here; 4/4 is taken.`];
  const name = plainName(f.name || file.replace(/\.[^.]+$/, ''), 120) || 'Progression';
  const tempo = f.tempo === null ? {} : { tempo: Math.max(FORM_TEMPO.min, Math.min(FORM_TEMPO.max, f.tempo)) };
  const guess = homeOf(parseProgression(f.text, { beats: plain ? beats : 4 }).bars);
  const home: Partial<Pick<KeptProgression, 'home'>> = f.key && isScale(f.key.scale) ? { home: f.key } : guess ? { home: guess } : {};
  return { written: { name, text: f.text, meter: plain ? f.meter : [4, 4], weights: PATH_WEIGHTS, ...tempo, ...home }, remarks };
}
