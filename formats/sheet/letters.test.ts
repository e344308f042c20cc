import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ALPHABETS, alphabetOf, alphabetsIn, missingLetters, type Alphabet } from './letters';
import { alphabetRuns, type Drawing } from './drawing';
import { pdfOf, type Weights } from './pdf';
import { tabPages } from './tab';
import { guitar } from '../../tests/support/random';

const FONTS = join('node_modules', '@fontsource', 'commissioner');
const published = JSON.parse(readFileSync(join(FONTS, 'unicode.json'), 'utf8')) as Record<Alphabet, string>;
const file = (a: Alphabet, weight: number): Uint8Array => readFileSync(join(FONTS, 'files', `commissioner-${a}-${weight}-normal.woff`));
const weights = (alphabets: readonly Alphabet[], weight: number): Weights<Uint8Array> => Object.fromEntries(alphabets.map((a) => [a, file(a, weight)])) as Weights<Uint8Array>; // prettier-ignore
const music = readFileSync(join('node_modules', '@fontsource', 'noto-music', 'files', 'noto-music-music-400-normal.woff'));

describe('letters', () => {
  it('are told by the ranges that the font’s package publishes', () => {
    for (const a of ALPHABETS)
      for (const range of published[a].split(',')) {
        const [from, to = from] = range.replace('U+', '').split('-').map((n) => parseInt(n, 16)); // prettier-ignore
        for (const code of [from, to]) {
          const found = alphabetOf(String.fromCodePoint(code!));
          expect(found).not.toBeNull();
          // A letter in two parts of the font is taken from the first.
          expect(ALPHABETS.indexOf(found as Alphabet)).toBeLessThanOrEqual(ALPHABETS.indexOf(a));
        }
      }
    expect(Object.keys(published).sort()).toEqual([...ALPHABETS].sort());
  });
  it.each([
    ['Weathervane, F♯', ['latin'], []],
    ['Źródło', ['latin', 'latin-ext'], []],
    ['Η σκάλα', ['latin', 'greek'], []],
    ['Ворона', ['latin', 'cyrillic'], []],
    ['Quạ đêm', ['latin', 'latin-ext', 'vietnamese'], []],
    ['山の水 山', ['latin'], ['山', 'の', '水']],
    ['a 🎸', ['latin'], ['🎸']],
  ])('%s', (text, alphabets, missing) => {
    expect(alphabetsIn(text)).toEqual(alphabets);
    expect(missingLetters(text)).toEqual(missing);
  });
  it('a text is cut where its alphabet changes, and nothing of it is lost', () => {
    expect(alphabetRuns('Ворона 7, crow')).toEqual([
      { text: 'Ворона', alphabet: 'cyrillic' },
      { text: ' 7, crow', alphabet: 'latin' },
    ]);
  });
});

/** What another program reads off a PDF of a lick's paper. */
async function printed(name: string): Promise<string> {
  const notes = [{ place: { string: 3, fret: 10 }, ticks: 240, bend: 2 }, { place: { string: 3, fret: 12 }, ticks: 240, join: 'hammer' as const, bend: 2, release: true, stroke: 'up' as const }]; // prettier-ignore
  const pages: Drawing[] = [...tabPages({ name, instrument: guitar(), scale: { tonic: 'C', scale: 'ionian' }, notes, tempo: 92.5, meter: [4, 4], school: 'finger-per-fret', hand: { size: 'medium' }, paper: 'a4', turn: 'portrait' })]; // prettier-ignore
  const alphabets = alphabetsIn(name);
  const pdf = await pdfOf(() => pages, name, { regular: weights(alphabets, 400), bold: weights(alphabets, 600), music });
  const path = join(mkdtempSync(join(tmpdir(), 'crow-letters-')), 'a.pdf');
  writeFileSync(path, pdf);
  return execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
}

it.each(['Źródło', 'Η σκάλα', 'Ворона', 'Quạ đêm'])('%s is on paper as it is written, by another reader', async (name) => {
  expect(await printed(name)).toContain(name);
});
it('bends and hammer-ons next to each other do not overprint: both signs stand whole on one line', async () => {
  const text = await printed('Bends');
  expect(text).toMatch(/10b12\s+h12b14r/);
  expect(text).toContain('92.5 quarters a minute');
});
