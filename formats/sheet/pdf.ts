import fontkit from '@cantoo/fontkit';
import type { Alphabet } from './letters';
import type { Measure } from './drawing';
import {
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFNull,
  PDFNumber,
  rgb,
  type PDFFont,
  type PDFPage,
  type PDFRef,
  type RGB,
} from '@cantoo/pdf-lib';
import { alphabetRuns, runsOf, SIGN_SCALE, signRise, type Drawing, type Item } from './drawing';

/** The text font in the alphabets that a paper needs, Latin always. */
export type Weights<T> = Partial<Record<Alphabet, T>> & { readonly latin: T };

/** Font files as bytes (WOFF or TrueType). */
export interface PdfFonts {
  readonly regular: Weights<Uint8Array>;
  readonly bold: Weights<Uint8Array>;
  readonly music: Uint8Array;
}

interface Fonts {
  readonly regular: Weights<PDFFont>;
  readonly bold: Weights<PDFFont>;
  readonly music: PDFFont;
}

const colour = (hex: string): RGB => {
  const [r, g, b] = [1, 3, 5].map((k) => parseInt(hex.slice(k, k + 2), 16) / 255);
  return rgb(r!, g!, b!);
};

/** A text in pieces of one font each, with their sizes and widths in points. */
function piecesOf(fonts: Fonts, { text, size, bold }: Pick<Extract<Item, { readonly kind: 'text' }>, 'text' | 'size' | 'bold'>) {
  const faces = bold ? fonts.bold : fonts.regular;
  return runsOf(text)
    .flatMap((r) => (r.sign ? [{ ...r, font: fonts.music }] : alphabetRuns(r.text).map(({ text: part, alphabet }) => ({ text: part, sign: false, font: faces[alphabet] ?? faces.latin }))))
    .map((r) => {
      const own = r.sign ? size * SIGN_SCALE : size;
      return { ...r, size: own, width: r.font.widthOfTextAtSize(r.text, own) };
    }); // prettier-ignore
}

function drawText(page: PDFPage, fonts: Fonts, item: Extract<Item, { readonly kind: 'text' }>): void {
  const runs = piecesOf(fonts, item);
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

/** A font that shapes each text once: the same few signs stand on every string of every page. */
function remembering(font: PDFFont): PDFFont {
  const [encode, width] = [font.encodeText.bind(font), font.widthOfTextAtSize.bind(font)];
  const codes = new Map<string, PDFHexString>();
  const widths = new Map<string, number>();
  font.encodeText = (text) => {
    const code = codes.get(text) ?? encode(text);
    codes.set(text, code);
    return code;
  };
  font.widthOfTextAtSize = (text, size) => {
    const em = widths.get(text) ?? width(text, 1);
    widths.set(text, em);
    return em * size;
  };
  return font;
}

/** A place that is named: a bookmark, in the order of the pages. */
interface Mark {
  readonly title: string;
  readonly page: PDFRef;
  /** From the lower edge, as PDF has it. */
  readonly y: number;
}

/** The outline of a document (ISO 32000-1, 12.3.3): a list of bookmarks, none inside another, shown when it is opened. */
function addOutline(pdf: PDFDocument, marks: readonly Mark[]): void {
  if (!marks.length) return;
  const { context } = pdf;
  const root = context.nextRef();
  const refs = marks.map(() => context.nextRef());
  marks.forEach(({ title, page, y }, k) => {
    const entry = context.obj({ Title: PDFHexString.fromText(title), Parent: root });
    entry.set(PDFName.of('Dest'), context.obj([page, PDFName.of('XYZ'), PDFNull, PDFNumber.of(y), PDFNull]));
    if (k > 0) entry.set(PDFName.of('Prev'), refs[k - 1]!);
    if (k + 1 < refs.length) entry.set(PDFName.of('Next'), refs[k + 1]!);
    context.assign(refs[k]!, entry);
  });
  context.assign(root, context.obj({ Type: 'Outlines', First: refs[0], Last: refs[refs.length - 1], Count: refs.length }));
  pdf.catalog.set(PDFName.of('Outlines'), root);
  pdf.catalog.set(PDFName.of('PageMode'), PDFName.of('UseOutlines'));
}

/** A page, and what of it is bookmarked: titles with their distance from the upper edge, in points. */
export type PdfPage = Drawing & { readonly bookmarks?: readonly { readonly title: string; readonly y: number }[] };

/**
 * Pages as a PDF file, fonts embedded, with bookmarks where pages have some. Pages are made with the widths of these fonts and taken one at a time; `onPage` hears
 * how many are done, so that a worker can report progress.
 */
export async function pdfOf(
  pages: (measure: Measure) => Iterable<PdfPage>,
  title: string,
  files: PdfFonts,
  onPage: (done: number) => void = () => undefined,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title);
  pdf.setProducer('Crow Ladder');
  pdf.setCreator('Crow Ladder');
  const embed = async (bytes: Uint8Array): Promise<PDFFont> => remembering(await pdf.embedFont(bytes, { subset: true }));
  const embedAll = async (weights: Weights<Uint8Array>): Promise<Weights<PDFFont>> =>
    Object.fromEntries(await Promise.all(Object.entries(weights).map(async ([name, bytes]) => [name, await embed(bytes)] as const))) as Weights<PDFFont>; // prettier-ignore
  const fonts: Fonts = { regular: await embedAll(files.regular), bold: await embedAll(files.bold), music: await embed(files.music) };
  const measure: Measure = (text, size, bold) => piecesOf(fonts, { text, size, bold }).reduce((sum, r) => sum + r.width, 0);
  const marks: Mark[] = [];
  let done = 0;
  for (const drawing of pages(measure)) {
    const page = pdf.addPage([drawing.width, drawing.height]);
    for (const item of drawing.items) drawItem(page, fonts, item);
    for (const { title: name, y } of drawing.bookmarks ?? []) marks.push({ title: name, page: page.ref, y: drawing.height - y });
    onPage(++done);
  }
  addOutline(pdf, marks);
  return pdf.save();
}
