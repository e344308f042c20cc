import fontkit from '@cantoo/fontkit';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

interface Face {
  readonly unitsPerEm: number;
  readonly ascent: number;
  hasGlyphForCodePoint(code: number): boolean;
  glyphForCodePoint(code: number): { readonly advanceWidth: number; readonly path: { toSVG(): string } };
}
const face = (file: string): Face => fontkit.create(readFileSync(join(import.meta.dirname, '../..', file))) as unknown as Face;
const SIGNS = ['♭', '♮', '♯', '𝄪', '𝄫'];

describe('the font of the accidentals', () => {
  const few = face('app/letters/signs.woff2');
  const whole = face('node_modules/@fontsource/noto-music/files/noto-music-music-400-normal.woff2');
  it.each(SIGNS)('%s is drawn as in the whole font', (sign) => {
    const code = sign.codePointAt(0)!;
    const [a, b] = [few.glyphForCodePoint(code), whole.glyphForCodePoint(code)];
    expect(few.hasGlyphForCodePoint(code)).toBe(true);
    expect([a.advanceWidth, a.path.toSVG()]).toEqual([b.advanceWidth, b.path.toSVG()]);
  });
  it('stands on the same line, and holds nothing else', () => {
    expect([few.unitsPerEm, few.ascent]).toEqual([whole.unitsPerEm, whole.ascent]);
    expect(few.hasGlyphForCodePoint('𝅘'.codePointAt(0)!)).toBe(false);
  });
});
