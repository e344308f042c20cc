import { SILENT, type Bar, type NoteName } from '../../core';

/** A form as a file tells it: its text as players type it, and what is known of it. */
export interface FormFile {
  /** Empty where the file has none. */
  readonly name: string;
  readonly text: string;
  readonly meter: [number, number];
  /** Quarters a minute. */
  readonly tempo: number | null;
  /** The tonic of its key, and the scale, where the file says so. */
  readonly key: { readonly tonic: NoteName; readonly scale: string } | null;
  /** What was taken and what was left out, in words. */
  readonly remarks: string[];
}

/** A form as it is written to a file. */
export interface FormOut {
  readonly name: string;
  readonly bars: readonly Bar[];
  readonly meter: readonly [number, number];
  readonly tempo: number;
  readonly home: { readonly tonic: NoteName; readonly scale: string | readonly string[] };
}

/** Files of chords are small; one that is larger is not read, in characters or bytes. */
export const FORM_LIMIT = 2 * 1024 * 1024;

const PER_LINE = 4;
const same = (a: Bar, b: Bar | undefined): boolean => b !== undefined && JSON.stringify(a.chords) === JSON.stringify(b.chords);
const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6;

/** The chords of a bar as cells of equal length, each a chord or a dot: chords alone where they share it evenly, else a cell a beat, or as many as their times need. */
export function cellsOf({ chords }: Bar): string[] {
  if (chords.every((c) => near(c.beats, chords[0]!.beats))) return chords.map((c) => c.symbol);
  const beats = chords.reduce((sum, c) => sum + c.beats, 0);
  const fits = (cells: number): boolean => chords.every((c) => near((c.beats * cells) / beats, Math.round((c.beats * cells) / beats)));
  let cells = beats;
  while (cells < MOST_CELLS && !fits(cells)) cells++;
  return chords.flatMap((c) => [c.symbol, ...Array.from({ length: Math.max(0, Math.round((c.beats * cells) / beats) - 1) }, () => '.')]);
}
const MOST_CELLS = 48;

/** Cells of equal length as a bar is typed: a sign a beat. */
export function typedCells(cells: readonly string[], beats: number): string {
  if (cells.length === beats || !cells.includes('.')) return cells.join(' ');
  const chords: Bar['chords'] = [];
  for (const cell of cells) {
    const last = chords.at(-1);
    if (cell === '.' && last) last.beats += beats / cells.length;
    else if (cell !== '.') chords.push({ symbol: cell, beats: beats / cells.length });
  }
  return typed({ chords });
}

/** One bar as it is typed: chords alone where they share it evenly, else a sign a beat; times between beats go to the nearest one. */
function typed({ chords }: Bar): string {
  if (chords.every((c) => near(c.beats, chords[0]!.beats))) return chords.map((c) => c.symbol).join(' ');
  let at = 0;
  let told = 0;
  const signs: string[] = [];
  for (const c of chords) {
    at += c.beats;
    const until = Math.max(told + 1, Math.round(at));
    signs.push(c.symbol, ...Array.from({ length: until - told - 1 }, () => '.'));
    told = until;
  }
  return signs.join(' ');
}

/** Bars as players type them: four a line, % for one that is like the one before, [A] where a section begins. */
export function formText(bars: readonly Bar[]): string {
  const lines: string[] = [];
  let line: string[] = [];
  const close = (): void => {
    if (line.length) lines.push(`${line.join(' | ')} |`);
    line = [];
  };
  bars.forEach((b, k) => {
    if (b.section !== undefined) {
      close();
      line.push(`[${b.section.replace(/[[\]|\n]/g, ' ').trim()}] | ${typed(b)}`);
    } else line.push(`${line.length ? '' : '| '}${same(b, bars[k - 1]) ? '%' : typed(b)}`);
    if (line.length === PER_LINE) close();
  });
  close();
  return lines.join('\n');
}

/** A chord at a time, in beats from the beginning. */
export interface Placed {
  readonly symbol: string;
  readonly at: number;
}

/** Bars of chords that stand at times; each lasts until the next, over bar lines too. Before the first one is silence. */
export function barsFrom(
  placed: readonly Placed[],
  beats: number,
  count: number,
  sections: ReadonlyMap<number, string> = new Map(),
): Bar[] {
  const sorted = [...placed].sort((a, b) => a.at - b.at);
  let k = 0;
  let now = SILENT;
  return Array.from({ length: count }, (_, n) => {
    const chords: Bar['chords'] = [];
    let at = n * beats;
    const end = at + beats;
    const until = (to: number): void => {
      if (to - at > 1e-6) chords.push({ symbol: now, beats: to - at });
      at = to;
    };
    for (; k < sorted.length && sorted[k]!.at < end - 1e-6; k++) {
      until(Math.max(at, sorted[k]!.at));
      now = sorted[k]!.symbol;
    }
    until(end);
    const section = sections.get(n);
    return { chords, ...(section === undefined ? {} : { section }) };
  });
}
