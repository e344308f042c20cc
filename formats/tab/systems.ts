import { refuseFile } from '../errors';
import { LENGTH_WORD } from './rhythm';

/** One row of tab: its strings without names and outer bars, columns in line. */
export interface TabSystem {
  /** Line of the first string in the text, from 1. */
  readonly line: number;
  readonly strings: string[];
  readonly names: string[] | null;
  /** Stretches between barlines, in columns. */
  readonly bars: { readonly from: number; readonly to: number }[];
  /** The row of length letters over it, in the same columns; null where there is none. */
  readonly lengths: string | null;
  /** How often the row is played. */
  readonly times: number;
  /** Columns that are palm muted. */
  readonly mutes: { readonly from: number; readonly to: number }[];
  /** Pick strokes by column. */
  readonly strokes: ReadonlyMap<number, 'down' | 'up'>;
}

interface Head {
  title?: string;
  tempo?: number;
  meter?: [number, number];
  tuning?: string;
  capo?: number;
}

interface Row {
  readonly line: number;
  readonly name: string;
  /** Column at which the strings begin in the line. */
  readonly offset: number;
  readonly body: string;
  /** How often it is to be played, as written after its last bar ("x2"). */
  readonly times: number;
}

const TAB_STOP = 8;

/** Tab characters as the blanks that they stand for, in lines of eight columns a stop (the usual of terminals and editors). */
function untabbed(text: string): string {
  if (!text.includes('\t')) return text;
  let column = 0;
  return text
    .split('\t')
    .map((piece, k, all) => {
      column += piece.length;
      const room = k + 1 < all.length ? TAB_STOP - (column % TAB_STOP) : 0;
      column += room;
      return piece + ' '.repeat(room);
    })
    .join('');
}

/** Dashes and bars of every kind as the plain ones: long dashes, and lines drawn with box characters. */
const plainSigns = (text: string): string =>
  text
    .replace(/[–—−─━═╌╍┄┅┈┉]/g, '-')
    .replace(/[│┃║¦┆┇┊┋├┝┞┟┠┡┢┣┤┥┦┧┨┩┪┫┼┽┾┿╀╁╂╃╄╅╆╇╈╉╊╋╞╟╠╡╢╣╪╫╬┬┭┮┯┰┱┲┳┴┵┶┷┸┹┺┻┌┍┎┏┐┑┒┓└┕┖┗┘┙┚┛╒╓╔╕╖╗╘╙╚╛╜╝]/g, '|');

/** "|x2" or "| (x3)" after the last bar. */
const TIMES = /\|\s*\(?[xX×]\s*(\d{1,2})\)?\s*$/;
const MOST_TIMES = 16;

/** What begins a line of tab behind its indent: a name or none, then a bar, or a dash at once. */
const TAB_BEGINS = /^([A-Ga-g][#b♯♭]{0,2}\d?)?(\s{0,16}[|:‖]|\s{0,16}(?=-))/;
/** What stands on a string: dashes, digits and signs. */
const TAB_BODY = /^[-\d|:hHpPsSbBrR/\\~xX().<>=*tTvV^ ]*$/;
/** Letters that a line of a text may have; a line of tab has fewer. */
const MOST_LINE = 100_000;
const MOST_ROW = 20_000;
/** Lines that a text may have, and lines of tab among them: twelve strings of the longest lick that a file may bring. */
const MOST_LINES = 500_000;
const MOST_ROWS = 60_000;
/** Without a name and a bar, so many dashes make a line of tab. */
const DASHES = 3;

function rowOf(text: string, line: number): Row | null {
  if (text.length > MOST_LINE) refuseFile(`this line has ${text.length} letters; a text has at most ${MOST_LINE} in one.`, line);
  const plain = plainSigns(untabbed(text)).trimEnd();
  const times = TIMES.exec(plain);
  const whole = times ? plain.slice(0, times.index + 1) : plain;
  const indent = whole.length - whole.trimStart().length;
  const rest = whole.slice(indent);
  const m = TAB_BEGINS.exec(rest);
  if (!m) return null;
  const [, name = '', bar] = m;
  const begun = name.length + bar!.length;
  const body = rest.slice(begun).trimStart();
  if (!TAB_BODY.test(body)) return null;
  if (body.length > MOST_ROW) refuseFile(`this line of tab has ${body.length} signs; at most ${MOST_ROW} are read in one.`, line);
  const dashes = body.match(/-/g)?.length ?? 0;
  if (dashes < (name && bar!.trim() ? 1 : DASHES)) return null;
  return {
    line,
    name: name.replace(/♯/g, '#').replace(/♭/g, 'b'),
    offset: whole.length - body.length,
    body,
    times: times ? Math.min(MOST_TIMES, Math.max(1, Number(times[1]))) : 1,
  };
}

/** Finds the rows of tab in a text, what its head says, and how many lines are neither. */
export function systemsOf(text: string): { readonly systems: TabSystem[]; readonly stray: number; readonly head: Head } {
  const lines = text.replace(/\r\n?/g, '\n').split('\n');
  if (lines.length > MOST_LINES) refuseFile(`this text has ${lines.length} lines; at most ${MOST_LINES} are read.`);
  let count = 0;
  const rows = lines.map((l, k) => {
    const row = rowOf(l, k + 1);
    if (row && ++count > MOST_ROWS) refuseFile(`this text has more than ${MOST_ROWS} lines of tab.`, k + 1);
    return row;
  });
  const systems: TabSystem[] = [];
  const used = new Set<number>();
  for (let k = 0; k < rows.length; k++) {
    if (!rows[k]) continue;
    let end = k;
    while (rows[end + 1]) end++;
    const block = rows.slice(k, end + 1) as Row[];
    for (let n = k; n <= end; n++) used.add(n);
    systems.push(systemOf(block, lines, used));
    k = end;
  }
  const counts = systems.find((s) => s.strings.length !== systems[0]!.strings.length && !(s.names && systems[0]!.names));
  if (counts)
    refuseFile(
      `this row of tab has ${counts.strings.length} strings, the first has ${systems[0]!.strings.length}: write the strings' names at the left.`,
      counts.line,
    );
  const head = headOf(lines, used);
  const stray = lines.filter((l, k) => l.trim() !== '' && !used.has(k)).length;
  return { systems, stray, head };
}

const MOST_STRINGS = 12;

function systemOf(rows: Row[], lines: string[], used: Set<number>): TabSystem {
  const { line, offset } = rows[0]!;
  if (rows.length > MOST_STRINGS) refuseFile(`${rows.length} lines of tab follow each other; an instrument here has 1 to 12 strings. Put an empty line between rows.`, line); // prettier-ignore
  const shift = rows.map((r) => r.offset - offset);
  const bodies = rows.map((r, k) => ' '.repeat(Math.max(0, shift[k]!)) + r.body);
  const width = Math.max(...bodies.map((b) => b.trimEnd().length));
  const strings = bodies.map((b) => b.trimEnd().padEnd(width, '-'));
  checkBars(rows, strings);
  const over = above(lines, line - 1, used);
  const cut = (text: string): string => text.slice(offset);
  return {
    line,
    strings,
    names: rows.every((r) => r.name) ? rows.map((r) => r.name) : null,
    bars: barsOf(strings[0]!, width),
    lengths: over.lengths === null ? null : cut(over.lengths),
    times: Math.max(...rows.map((r) => r.times)),
    mutes: over.mutes === null ? [] : mutesIn(cut(over.mutes)),
    strokes: over.strokes === null ? new Map() : strokesIn(cut(over.strokes)),
  };
}

const barColumns = (s: string): number[] => [...s.matchAll(/\|/g)].map((m) => m.index);

/** Every string has its bars where the first has them; a string that is too long or too short is told by its line. */
function checkBars(rows: Row[], strings: string[]): void {
  const wanted = barColumns(strings[0]!);
  strings.forEach((s, k) => {
    const here = barColumns(s);
    if (here.join() === wanted.join()) return;
    const at = wanted.findIndex((c, n) => here[n] !== c);
    refuseFile(
      `this string does not line up with the first: its bar ${at < 0 ? wanted.length + 1 : at + 1} stands elsewhere. Make the strings equally long.`,
      rows[k]!.line,
    );
  });
}

function barsOf(first: string, width: number): { readonly from: number; readonly to: number }[] {
  const edges = [0, ...barColumns(first).map((c) => c + 1), width];
  return edges.slice(1).map((to, k) => ({ from: edges[k]!, to })).filter((b) => b.to - b.from > 1); // prettier-ignore
}

/** A row of length letters: words of them and nothing else. */
const isLengths = (text: string): boolean => {
  const words = text.split(/\s+/).filter(Boolean); // prettier-ignore
  return words.length > 0 && words.every((w) => LENGTH_WORD.test(w));
};
/** A row of "PM", each with what it runs on as; told without going back. */
const MUTE_SIGNS = /P\.?M\.?/gi;
const isMutes = (text: string): boolean => {
  const rest = text.replace(MUTE_SIGNS, '');
  return rest.length < text.length && /^[-–.|\s]*$/.test(rest);
};

/** A row of D and U, over the notes that are struck so. */
const isStrokes = (text: string): boolean => /[DU]/.test(text) && /^[DU\s]*$/.test(text);

interface Over {
  lengths: string | null;
  mutes: string | null;
  strokes: string | null;
}
const OVER: readonly [keyof Over, (text: string) => boolean][] = [['mutes', isMutes], ['strokes', isStrokes], ['lengths', isLengths]]; // prettier-ignore

/** The rows of letters directly over a system, in any order. */
function above(lines: string[], first: number, used: Set<number>): Over {
  const found: Over = { lengths: null, mutes: null, strokes: null };
  for (let k = first - 1; k >= Math.max(0, first - OVER.length); k--) {
    const text = untabbed(lines[k]!);
    const kind = OVER.find(([name, is]) => found[name] === null && is(text))?.[0];
    if (!kind) break;
    found[kind] = text;
    used.add(k);
  }
  return found;
}

/** D is a downstroke, U an upstroke. */
const strokesIn = (text: string): Map<number, 'down' | 'up'> =>
  new Map([...text.matchAll(/[DU]/g)].map((m) => [m.index, m[0] === 'D' ? 'down' : 'up']));

/** "PM" and the dashes after it. */
const mutesIn = (text: string): { readonly from: number; readonly to: number }[] =>
  [...text.matchAll(/P\.?M\.?[-–.]*/gi)].map((m) => ({ from: m.index, to: m.index + m[0].length }));

const TEMPO = /\btempo\D{0,3}(\d{2,3}(?:\.\d{1,3})?)\b/i;
const METER = /\b(\d{1,2})\/(1|2|4|8|16|32)\b/;
const TUNING = /^tuning:?\s+([A-G][A-Ga-g#b0-9\s-]+?)(?:,\s*capo\s+(\d{1,2}))?$/i;
const BARS = /^\d+ bars?$/;
const TITLE = /^title:\s*(.*)$/i;
const MOST_TITLE = 120;

/** Whether a line of the head is read as a title by itself; any other title is written behind "Title:". */
export const isPlainTitle = (text: string): boolean =>
  text !== '' &&
  text === text.trim() &&
  ![TITLE, TEMPO, METER, TUNING, BARS].some((p) => p.test(text)) &&
  rowOf(text, 1) === null &&
  !OVER.some(([, is]) => is(text));

/** Title, tempo, meter, tuning and capo, as they stand over the first row. */
function headOf(lines: string[], used: Set<number>): Head {
  const head: Head = {};
  const [first = lines.length] = used; // rows come first, from the top
  lines.slice(0, first).forEach((raw, k) => {
    const text = raw.trim();
    if (!text || used.has(k)) return;
    used.add(k);
    const title = TITLE.exec(text);
    if (title) return void (head.title = title[1]!.slice(0, MOST_TITLE));
    const tempo = TEMPO.exec(text);
    const meter = METER.exec(text);
    const tuning = TUNING.exec(text);
    if (tempo && Number(tempo[1]) >= 20) head.tempo = Number(tempo[1]);
    if (meter && Number(meter[1]) >= 1 && Number(meter[1]) <= 32) head.meter = [Number(meter[1]), Number(meter[2])];
    if (tuning) head.tuning = tuning[1];
    if (tuning?.[2]) head.capo = Number(tuning[2]);
    if (!tempo && !meter && !tuning && !BARS.test(text) && !head.title) head.title = text.slice(0, MOST_TITLE);
  });
  return head;
}
