// Writes app/letters/signs.woff2: the accidentals alone out of the music font, for every view has some and its whole file is
// thirty times larger. Run once for each release of the font: node scripts/signs-font.mjs.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import subsetFont from 'subset-font';
import { ROOT } from './ensure.mjs';

const WHOLE = join(ROOT, 'node_modules/@fontsource/noto-music/files/noto-music-music-400-normal.woff2');
const signs = await subsetFont(readFileSync(WHOLE), '♭♮♯𝄪𝄫', { targetFormat: 'woff2' });
writeFileSync(join(ROOT, 'app/letters/signs.woff2'), signs);
console.log(`app/letters/signs.woff2: ${signs.length} bytes`);
