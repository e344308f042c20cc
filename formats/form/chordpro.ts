import type { Bar } from '../../core';
import { refuseFile } from '../errors';
import { cellsOf, formText, typedCells, type FormFile, type FormOut } from './form';

const PER_LINE = 4;

/** A form as ChordPro (version 6): its title, key, tempo and time as directives, its bars in grids, one for each section. */
export function writeChordPro({ name, bars, meter, tempo, home }: FormOut): string {
  const head = [`{title: ${name.replace(/[{}\n]/g, ' ')}}`, `{key: ${home.tonic}}`, `{tempo: ${tempo}}`, `{time: ${meter.join('/')}}`];
  const sections: { readonly label: string | null; readonly bars: Bar[] }[] = [];
  for (const b of bars) {
    if (!sections.length || b.section !== undefined) sections.push({ label: b.section ?? null, bars: [] });
    sections[sections.length - 1]!.bars.push(b);
  }
  const grids = sections.flatMap(({ label, bars: own }) => {
    const lines: string[] = [];
    for (let k = 0; k < own.length; k += PER_LINE)
      lines.push(
        `| ${own
          .slice(k, k + PER_LINE)
          .map((b) => cellsOf(b).join(' '))
          .join(' | ')} |`,
      );
    return ['', label === null ? '{start_of_grid}' : `{start_of_grid: ${label.replace(/[{}\n]/g, ' ')}}`, ...lines, '{end_of_grid}'];
  });
  return `${[...head, ...grids].join('\n')}\n`;
}
const DIRECTIVE = /^\{\s*([a-z_]+)\s*(?:[:\s]\s*(?:label=)?"?(.*?)"?)?\s*\}$/i;
/** What stands between bar lines, with dots in it. */
const CELLS = /(?<=[|:])[^|:[\]]*\s\.\s[^|:[\]]*(?=[|:])/g;
const CHORD = /\[([^\]]*)\]/g;

interface Reading {
  name: string;
  key: FormFile['key'];
  tempo: number | null;
  meter: [number, number];
  readonly lines: string[];
  /** Inside a grid. */
  grid: boolean;
  section: string | null;
  /** Bars that were made of chords over words. */
  loose: number;
}

const keyOf = (text: string): FormFile['key'] => {
  const m = /^([A-G][#b]?)\s*(m|min|minor)?$/i.exec(text.trim());
  return m && { tonic: m[1]![0]!.toUpperCase() + m[1]!.slice(1), scale: m[2] ? 'aeolian' : 'ionian' };
};

function directive(r: Reading, word: string, value: string): void {
  switch (word) {
    case 'title':
    case 't':
      r.name ||= value.trim();
      return;
    case 'key':
      r.key ??= keyOf(value);
      return;
    case 'tempo':
      if (/^\d+(\.\d+)?$/.test(value)) r.tempo ??= Math.round(Number(value));
      return;
    case 'time': {
      const m = /^(\d{1,2})\/(\d{1,2})$/.exec(value.trim());
      if (m) r.meter = [Number(m[1]), Number(m[2])];
      return;
    }
    case 'start_of_grid':
    case 'sog':
      r.grid = true;
      r.section = value && !/^\d|^shape=/.test(value) ? value : null;
      return;
    case 'end_of_grid':
    case 'eog':
      r.grid = false;
      return;
    default:
      if (/^(start_of_|so)/.test(word) && value) r.section = value;
  }
}

/** A line of a grid as it is typed here: margins before the first and after the last bar line go, repeats stay. */
function gridLine(line: string): string {
  const first = line.indexOf('|');
  const last = line.lastIndexOf('|');
  if (first < 0) return '';
  const inner = line.slice(line[first - 1] === ':' ? first - 1 : first, line[last + 1] === ':' ? last + 2 : last + 1);
  return inner
    .replace(/\|\./g, '|')
    .replace(/%%/g, '%')
    .replace(/\s~\s|\/\/?(?=\s)/g, ' . ')
    .replace(/\*/g, '');
}

/**
 * Reads ChordPro: bars from its grids; where there is none, every chord over words has a bar of its own, and that is said. Directives give
 * title, key, tempo and time. Throws FormatError where there is no chord.
 */
export function readChordPro(text: string): FormFile {
  const r: Reading = { name: '', key: null, tempo: null, meter: [4, 4], lines: [], grid: false, section: null, loose: 0 };
  const grids = /^\s*\{\s*(start_of_grid|sog)\b/im.test(text);
  for (const raw of text.split(/\r?\n/)) {
    const line = raw.trim();
    if (!line || line.startsWith('#')) continue;
    const d = DIRECTIVE.exec(line);
    if (d) {
      directive(r, d[1]!.toLowerCase(), d[2] ?? '');
      continue;
    }
    const bars = r.grid ? gridLine(line) : grids ? '' : chordsOver(r, line);
    if (!bars) continue;
    r.lines.push(`${r.section === null ? '' : `[${r.section.replace(/[[\]|]/g, ' ')}] `}${bars}`);
    r.section = null;
  }
  if (!r.lines.length) refuseFile('there is no chord in this file: neither a grid nor chords in [ ] over words.');
  const { name, key, tempo, meter, lines, loose } = r;
  const remarks = loose ? [`The file has no bars: each of its ${loose} chords has one of its own.`] : [];
  return {
    name,
    key,
    tempo,
    meter,
    text: lines.map((l) => l.replace(CELLS, (bar) => ` ${typedCells(bar.trim().split(/\s+/), meter[0])} `)).join('\n'),
    remarks,
  };
}

function chordsOver(r: Reading, line: string): string {
  const chords = [...line.matchAll(CHORD)].map((m) => m[1]!.trim()).filter((c) => c && !c.startsWith('*'));
  r.loose += chords.length;
  return chords.length ? `| ${chords.join(' | ')} |` : '';
}

/** A form as plain text: its bars as they are typed. */
export const writeFormText = ({ name, bars, meter, tempo, home }: FormOut): string =>
  `${name}\nKey ${home.tonic}, ${meter.join('/')}, tempo ${tempo}\n\n${formText(bars)}\n`;

/** Reads bars from plain text: lines with bar lines; a first line without one is the name, "Key", a meter and "tempo" are taken where they stand. */
export function readFormText(text: string): FormFile {
  const lines = text.split(/\r?\n/);
  const bars = lines.filter((l) => l.includes('|'));
  if (!bars.length) refuseFile('there are no bars in this file: write chords between |, such as | Dm7 | G7 |.');
  const before = lines.slice(
    0,
    lines.findIndex((l) => l.includes('|')),
  );
  const said = before.join(' ');
  const meter = /\b(\d{1,2})\/([248])\b/.exec(said);
  const tempo = /\btempo\s*[:=]?\s*(\d{2,3})\b/i.exec(said);
  const key = /\bkey\s*[:=]?\s*([A-G][#b]?)/i.exec(said);
  return {
    name: (before.find((l) => l.trim() && !/^key\b/i.test(l.trim())) ?? '').trim().slice(0, 120),
    text: bars.join('\n'),
    meter: meter ? [Number(meter[1]), Number(meter[2])] : [4, 4],
    tempo: tempo ? Number(tempo[1]) : null,
    key: key ? keyOf(key[1]!) : null,
    remarks: [],
  };
}
