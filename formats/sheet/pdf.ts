import fontkit from '@pdf-lib/fontkit';
import type { Alphabet } from './letters';
import { PDFDocument, rgb, type PDFFont, type PDFPage, type RGB } from 'pdf-lib';
import { alphabetRuns, runsOf, SIGN_SCALE, signRise, type Drawing, type Item } from './drawing';

/** The text font in the alphabets that a paper needs, Latin always. */
export type Weights<T> = Partial<Record<Alphabet, T>> & { latin: T };

/** Font files as bytes (WOFF or TrueType). */
export interface PdfFonts {
  regular: Weights<Uint8Array>;
  bold: Weights<Uint8Array>;
  music: Uint8Array;
}

interface Fonts {
  regular: Weights<PDFFont>;
  bold: Weights<PDFFont>;
  music: PDFFont;
}

const colour = (hex: string): RGB => {
  const [r, g, b] = [1, 3, 5].map((k) => parseInt(hex.slice(k, k + 2), 16) / 255);
  return rgb(r, g, b);
};

function drawText(page: PDFPage, fonts: Fonts, item: Extract<Item, { kind: 'text' }>): void {
  const faces = item.bold ? fonts.bold : fonts.regular;
  const runs = runsOf(item.text)
    .flatMap((r) => (r.sign ? [{ ...r, font: fonts.music }] : alphabetRuns(r.text).map(({ text, alphabet }) => ({ text, sign: false, font: faces[alphabet] ?? faces.latin }))))
    .map((r) => {
      const size = r.sign ? item.size * SIGN_SCALE : item.size;
      return { ...r, size, width: r.font.widthOfTextAtSize(r.text, size) };
    }); // prettier-ignore
  const width = runs.reduce((sum, r) => sum + r.width, 0);
  let x = item.x - { start: 0, middle: width / 2, end: width }[item.anchor];
  for (const r of runs) {
    const rise = r.sign ? signRise(r.text) * item.size : 0;
    page.drawText(r.text, { x, y: page.getHeight() - item.y + rise, size: r.size, font: r.font, color: colour(item.colour) });
    x += r.width;
  }
}

function drawItem(page: PDFPage, fonts: Fonts, item: Item): void {
  const up = (y: number): number => page.getHeight() - y;
  if (item.kind === 'text') return drawText(page, fonts, item);
  if (item.kind === 'line')
    return page.drawLine({
      start: { x: item.x1, y: up(item.y1) },
      end: { x: item.x2, y: up(item.y2) },
      thickness: item.width,
      color: colour(item.colour),
    });
  page.drawSvgPath(item.path, {
    x: item.x,
    y: up(item.y),
    ...(item.fill ? { color: colour(item.fill) } : {}),
    ...(item.stroke
      ? { borderColor: colour(item.stroke), borderWidth: item.width, ...(item.dashed ? { borderDashArray: [2.4, 2] } : {}) }
      : {}),
  });
}

/**
 * Pages as a PDF file, fonts embedded. Pages are taken one at a time; `onPage` hears how many are done and may wait,
 * so that a worker can report progress.
 */
export async function pdfOf(
  pages: Iterable<Drawing>,
  title: string,
  files: PdfFonts,
  onPage: (done: number) => void = () => undefined,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title);
  pdf.setProducer('Crow Ladder');
  const embed = (bytes: Uint8Array): Promise<PDFFont> => pdf.embedFont(bytes, { subset: true });
  const embedAll = async (weights: Weights<Uint8Array>): Promise<Weights<PDFFont>> =>
    Object.fromEntries(await Promise.all(Object.entries(weights).map(async ([name, bytes]) => [name, await embed(bytes)] as const))) as Weights<PDFFont>; // prettier-ignore
  const fonts: Fonts = { regular: await embedAll(files.regular), bold: await embedAll(files.bold), music: await embed(files.music) };
  let done = 0;
  for (const drawing of pages) {
    const page = pdf.addPage([drawing.width, drawing.height]);
    for (const item of drawing.items) drawItem(page, fonts, item);
    onPage(++done);
  }
  return pdf.save();
}
