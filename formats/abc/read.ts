import { refuseFile } from '../errors';
import { FILE_LIMIT, type FileLine, type ReadOptions } from '../line';
import { chosenVoice, playOut, scoreLine, type ScoreNote, type ScoreVoice } from '../score/line';
import { playOrder } from '../score/order';
import { readTune, type Tune } from './tune';

/** Tunes of a file that are read; further ones are named as not read. */
const MOST_TUNES = 200;

/** Whether a text is ABC: it has a tune's number and a key, each at the begin of a line. */
export const isAbc = (text: string): boolean => /^X:[ \t]*\d/m.test(text) && /^K:/m.test(text);

/**
 * Reads ABC 2.1 as one line: the tune and voice that is asked for, else the first with notes. Repeats and endings are played out. Throws FormatError for what
 * is no ABC, and where there are no notes.
 */
export function readAbc(text: string, o: ReadOptions = {}): FileLine {
  if (text.length > FILE_LIMIT) refuseFile('this text is larger than 20 MB.');
  if (!isAbc(text)) refuseFile('this text is no ABC: a tune begins with a line X:1 and has a line K: with its key.');
  const { texts, count } = tunesIn(text);
  const tunes = texts.map((t) => readTune(t.lines, t.line));
  const voices = tunes.flatMap((t, k) => voicesOf(t, k, tunes.length > 1));
  const taken = chosenVoice(voices, o.voice);
  const tune = tunes[Number(taken.id.split('/')[0]) - 1]!;
  const line = scoreLine(taken, voices, { name: tune.title.slice(0, 120), open: null, capo: 0 });
  const more = count - tunes.length;
  return more > 0 ? { ...line, remarks: [...line.remarks, `It has ${more} more tunes than the ${MOST_TUNES} that are read.`] } : line;
}

/** The tunes of a file, the first of them: from each X: to the next, or to an empty line behind its music; and how many there are. */
function tunesIn(text: string): { readonly texts: { readonly line: number; readonly lines: string[] }[]; readonly count: number } {
  const texts: { readonly line: number; readonly lines: string[] }[] = [];
  let count = 0;
  let open: string[] | null = null;
  let line = 0;
  for (let from = 0; from <= text.length;) {
    const end = lineEnd(text, from);
    const one = text.slice(from, end);
    line++;
    if (one.startsWith('X:')) {
      open = ++count > MOST_TUNES ? null : [];
      if (open) texts.push({ line, lines: open });
    } else if (one.trim() === '') open = null;
    open?.push(one);
    from = text.startsWith('\r\n', end) ? end + 2 : end + 1;
  }
  return { texts, count };
}

/** Where a line ends: before \n, \r\n or \r, or with the text. */
function lineEnd(text: string, from: number): number {
  NEWLINE.lastIndex = from;
  return NEWLINE.exec(text)?.index ?? text.length;
}
const NEWLINE = /[\r\n]/g;

function voicesOf(tune: Tune, at: number, several: boolean): ScoreVoice[] {
  const sounding = tune.voices.filter((v) => v.measures.some((m) => m.notes.some((n) => n.midi !== null)));
  return sounding.map((v, k): ScoreVoice => {
    const { notes, marks } = playOut<ScoreNote>(v.measures, playOrder(v.bars));
    const names = [...(several ? [tune.title.slice(0, 60) || `tune ${at + 1}`] : []), ...(sounding.length > 1 || !several ? [v.name.slice(0, 60) || `voice ${k + 1}`] : [])]; // prettier-ignore
    return { id: `${at + 1}/${k + 1}`, name: names.join(', '), notes, marks, extras: v.extras, left: tune.left };
  });
}
