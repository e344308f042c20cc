import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Handout } from '../contract';
import { makeHandout } from '../app/files/booklet';
import { DEMO } from '../demo';
import { bookletPages, type BookletRequest } from '../formats/booklet/booklet';
import { pdfOf, type PdfFonts } from '../formats/sheet/pdf';
import { ms, percentile, printTable } from './table';

const font = (name: string): Uint8Array => new Uint8Array(readFileSync(join('node_modules/@fontsource', name)));
const FONTS: PdfFonts = {
  regular: { latin: font('commissioner/files/commissioner-latin-400-normal.woff') },
  bold: { latin: font('commissioner/files/commissioner-latin-600-normal.woff') },
  music: font('noto-music/files/noto-music-music-400-normal.woff'),
};

const { body } = DEMO.studies[0]!;
const studyOf = (id: string | null) => (id === null ? body : (DEMO.studies.find((s) => s.id === id)?.body ?? null));
/** The demo's handout, its parts over and over. */
const times = (n: number): BookletRequest => {
  const one = body.handouts[0]!;
  const parts: Handout['parts'] = Array.from({ length: n }, (_, k) => one.parts.map((p) => ({ ...p, id: `${p.id}${k}` }))).flat();
  return makeHandout({ ...one, parts }, studyOf).request;
};
const made = async (request: BookletRequest): Promise<{ pages: number; took: number }> => {
  let pages = 0;
  const start = performance.now();
  await pdfOf(
    (measure) => bookletPages(request, measure),
    request.title,
    FONTS,
    (done) => (pages = done),
  );
  return { pages, took: performance.now() - start };
};

await made(times(1));
const rows: string[][] = [];
for (const n of [1, 4, 9]) {
  const all = [];
  for (let k = 0; k < 3; k++) all.push(await made(times(n)));
  const middle = percentile(
    all.map((a) => a.took),
    0.5,
  );
  rows.push([String(all[0]!.pages), ms(middle), ms(middle / all[0]!.pages)]);
}
printTable('Handouts to PDF', ['pages', 'median', 'a page'], rows);
