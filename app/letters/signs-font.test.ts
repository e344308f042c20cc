import fontkit from '@cantoo/fontkit';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { NOTE_SIGNS, REST_SIGNS } from '../../formats/sheet/tab';

interface Face {
  readonly unitsPerEm: number;
  readonly ascent: number;
  hasGlyphForCodePoint(code: number): boolean;
  glyphForCodePoint(code: number): { readonly advanceWidth: number; readonly path: { toSVG(): string } };
}
const face = (file: string): Face => fontkit.create(readFileSync(join(import.meta.dirname, '../..', file))) as unknown as Face;
const WHOLE = face('node_modules/@fontsource/noto-music/files/noto-music-music-400-normal.woff2');
const styles = readFileSync(join(import.meta.dirname, '../styles.css'), 'utf8');
/** Whether a face of the style sheet is asked for a letter. */
const isAsked = (file: string, code: number): boolean => {
  const [, ranges = ''] = new RegExp(`${file}'\\) format\\('woff2'\\);\\s+unicode-range: ([^;]+);`).exec(styles) ?? [];
  return ranges.split(', ').some((range) => {
    const [from, to = from] = range
      .slice(2)
      .split('-')
      .map((hex) => parseInt(hex, 16));
    return code >= from! && code <= to!;
  });
};

describe.each([
  ['signs', [...'♭♮♯𝄪𝄫']],
  // What the lengths of notes and rests are written with.
  ['notes', [...new Set([...Object.values(NOTE_SIGNS), ...Object.values(REST_SIGNS)].flatMap((s) => [...s]))]],
])('the font of the %s', (name, letters) => {
  const few = face(`app/letters/${name}.woff2`);
  it.each(letters)('%s is drawn as in the whole font, and asked of this one alone', (sign) => {
    const code = sign.codePointAt(0)!;
    const [a, b] = [few.glyphForCodePoint(code), WHOLE.glyphForCodePoint(code)];
    expect(few.hasGlyphForCodePoint(code)).toBe(true);
    expect([a.advanceWidth, a.path.toSVG()]).toEqual([b.advanceWidth, b.path.toSVG()]);
    expect([isAsked(`${name}.woff2`, code), isAsked('noto-music-music-400-normal.woff2', code)]).toEqual([true, false]);
  });
  it('stands on the same line, and holds nothing else', () => {
    expect([few.unitsPerEm, few.ascent]).toEqual([WHOLE.unitsPerEm, WHOLE.ascent]);
    expect(few.hasGlyphForCodePoint('𝄞'.codePointAt(0)!)).toBe(false);
  });
});
