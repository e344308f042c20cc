// Writes app/letters/signs.woff2 and notes.woff2: the accidentals, and the lengths of notes and rests, out of the music font. Every view has
// accidentals, some have lengths, and its whole file is twenty times larger. Run once for each release of the font: node scripts/signs-font.mjs.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import subsetFont from 'subset-font';
import { ROOT } from './ensure.mjs';

const WHOLE = join(ROOT, 'node_modules/@fontsource/noto-music/files/noto-music-music-400-normal.woff2');
/** What formats/sheet/tab.ts writes lengths with: heads, stem and flags, which the font puts together; rests; a dot. */
const LENGTHS = '𝅝𝅗𝅘𝅥𝅮𝅯𝅰𝅱𝄻𝄼𝄽𝄾𝄿𝅀𝅁';
for (const [name, letters] of [
  ['signs', '♭♮♯𝄪𝄫'],
  ['notes', LENGTHS],
]) {
  const few = await subsetFont(readFileSync(WHOLE), letters, { targetFormat: 'woff2' });
  writeFileSync(join(ROOT, `app/letters/${name}.woff2`), few);
  console.log(`app/letters/${name}.woff2: ${few.length} bytes`);
}
