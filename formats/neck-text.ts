import { firstCounted, fretNumber, glyphs, nutFret, type Instrument, type Shape } from '../core';

/**
 * A shape as plain text for pasting into a message: a row a string, string 1 on top, "(1)" a root, "3" another degree.
 * Frets run from one below the shape to one above, for a left-handed player from the right. Width in characters grows with the frets.
 */
export function neckText(i: Instrument, shape: Shape): string {
  const from = Math.max(nutFret(i), shape.lowFret - (shape.lowFret > nutFret(i) ? 1 : 0));
  const upward = Array.from({ length: Math.min(i.frets, shape.highFret + 1) - from + 1 }, (_, k) => from + k);
  const left = i.handedness === 'left';
  const frets = left ? upward.reverse() : upward;
  const mark = (string: number, fret: number): string => {
    const note = shape.notes.find((n) => n.string === string && n.fret === fret);
    if (!note) return '-----';
    const text = note.role === 'root' ? `(${glyphs(note.degree)})` : glyphs(note.degree);
    return text.padStart(Math.ceil((5 + [...text].length) / 2), '-').padEnd(5 + text.length - [...text].length, '-');
  };
  const names = i.strings.map((s) => glyphs(s.open.replace(/-?\d$/, '')));
  const widest = Math.max(...names.map((n) => n.length));
  const row = (k: number): string => {
    const cells = frets.map((f) => mark(k + 1, f));
    return left ? `|${cells.join('|')} ${names[k]}` : `${names[k]!.padEnd(widest)} ${cells.join('|')}|`;
  };
  const numbers = `${' '.repeat(left ? 1 : widest + 1)}${frets.map((f) => String(fretNumber(i, f)).padStart(3).padEnd(5)).join(' ')}`;
  return [
    `${glyphs(shape.label)}, frets ${fretNumber(i, shape.lowFret)} to ${fretNumber(i, shape.highFret)}${firstCounted(i) ? ' from the capo' : ''}`,
    ...i.strings.map((_, k) => row(k)),
    numbers.trimEnd(),
    '',
  ].join('\n');
}
