/** A text cut into lines no wider than `width` points: between words, or inside one that is wider than a line; new lines stay. An empty text is no line. */
export function wrapped(text: string, width: number, wide: (text: string) => number): string[] {
  return text.split('\n').flatMap((paragraph) => linesOf(paragraph, width, wide));
}

function linesOf(paragraph: string, width: number, wide: (text: string) => number): string[] {
  const lines: string[] = [];
  const blank = wide(' ');
  let line = '';
  let at = 0;
  for (const word of paragraph.split(/\s+/).flatMap((w) => piecesOf(w, width, wide))) {
    const room = wide(word);
    if (line && at + blank + room > width) {
      lines.push(line);
      [line, at] = [word, room];
    } else [line, at] = line ? [`${line} ${word}`, at + blank + room] : [word, room];
  }
  return line || !lines.length ? [...lines, line] : lines;
}

/** A word, in pieces where it is wider than a line; letters that belong together (a flag, a letter with its accent) stay so. */
function piecesOf(word: string, width: number, wide: (text: string) => number): string[] {
  if (wide(word) <= width) return [word];
  const pieces: string[] = [];
  let piece = '';
  for (const { segment } of new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(word)) {
    if (piece && wide(piece + segment) > width) {
      pieces.push(piece);
      piece = '';
    }
    piece += segment;
  }
  return [...pieces, piece];
}
