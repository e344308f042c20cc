import { barsOf, barTicks, fretSign, glyphs, startsOf, writtenParts, type LickNote } from '../../core';
import type { LickOut } from '../line';
import { lengthText } from './rhythm';
import { isPlainTitle } from './systems';

export interface TabText extends LickOut {
  /** Characters in a row at most. */
  readonly width?: number;
}

const WIDTH = 80;

interface Column {
  /** Over the strings: the length, and PM where it is muted. */
  readonly length: string;
  readonly muted: boolean;
  readonly stroke: '' | 'D' | 'U';
  readonly string: number;
  readonly text: string;
  readonly bar: boolean;
}

/** Whether a barline stands before each note: the first note that starts in a later bar than the one before. */
function barStarts(notes: readonly LickNote[], perBar: number): boolean[] {
  const starts = startsOf(notes);
  return starts.map((at, k) => k > 0 && Math.floor(at / perBar) > Math.floor(starts[k - 1]! / perBar));
}

function columnsOf({ notes, meter }: TabText): Column[] {
  const bars = barStarts(notes, barTicks(meter));
  return notes.map((n, k) => ({
    length: `${lengthText(n.ticks, writtenParts(n.ticks))}${n.place ? '' : 'r'}`,
    muted: !!n.muted,
    stroke: n.stroke ? (n.stroke === 'down' ? 'D' : 'U') : '',
    string: n.place?.string ?? 0,
    text: n.place ? fretSign(n, notes[k - 1]) : '',
    bar: bars[k]!,
  }));
}

const widthOf = (c: Column): number => Math.max(2, c.text.length, c.length.length) + 1 + (c.bar ? 2 : 0);

/** Rows of columns that fit the width. */
function rowsOf(columns: Column[], room: number): Column[][] {
  const rows: Column[][] = [[]];
  let used = 0;
  for (const c of columns) {
    const wide = widthOf(c);
    if (used + wide > room && rows[rows.length - 1]!.length) {
      rows.push([]);
      used = 0;
    }
    rows[rows.length - 1]!.push(c);
    used += wide;
  }
  return rows;
}

function systemText(row: Column[], names: string[]): string {
  const label = Math.max(...names.map((n) => n.length));
  const pad = ' '.repeat(label + 2);
  const bar = (c: Column, k: number): boolean => c.bar && k > 0;
  const inner = (c: Column): number => widthOf(c) - (c.bar ? 2 : 0);
  const over = (word: (c: Column) => string): string => row.map((c, k) => (bar(c, k) ? '  ' : '') + word(c).padEnd(inner(c))).join('');
  const rows = [over((c) => (c.muted ? 'PM' : '')), over((c) => c.stroke)].filter((r) => r.trim());
  const strings = names.map((name, at) => {
    const cells = row.map((c, k) => (bar(c, k) ? '|-' : '') + (c.string === at + 1 ? c.text : '').padEnd(inner(c), '-'));
    return `${name.padEnd(label)}|-${cells.join('')}|`;
  });
  return [...[...rows, over((c) => c.length)].map((r) => `${pad}${r}`.trimEnd()), ...strings].join('\n');
}

/**
 * A lick as plain-text tab: title, tempo, meter and tuning on top, lengths as letters over the notes, strings from the
 * thinnest; wrapped to the width. "h p / \" join notes, t taps one, "7b9" bends fret 7 to the pitch of fret 9, "(7)" is tied, PM is muted,
 * "7b9r" lets the bend go, D and U over a note are settled strokes. Fingers are not in it.
 */
export function writeTab(tab: TabText): string {
  const { name, instrument, tempo, meter, width = WIDTH } = tab;
  const names = instrument.strings.map((s) => s.open.replace(/-?\d$/, ''));
  const label = Math.max(...names.map((n) => n.length));
  const rows = rowsOf(columnsOf(tab), Math.max(24, width - label - 4));
  const title = glyphs(name);
  const head = [
    isPlainTitle(title) ? title : `Title: ${title}`,
    `Tempo ${tempo}, ${meter[0]}/${meter[1]}`,
    `Tuning ${[...instrument.strings].reverse().map((s) => s.open).join(' ')}${instrument.capo ? `, capo ${instrument.capo}` : ''}`, // prettier-ignore
  ];
  const bars = barsOf(tab.notes, barTicks(meter)).length;
  return [...head, `${bars} ${bars === 1 ? 'bar' : 'bars'}`, '', ...rows.flatMap((r) => (r.length ? [systemText(r, names), ''] : []))].join(
    '\n',
  );
}
