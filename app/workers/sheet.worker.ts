import musicUrl from '@fontsource/noto-music/files/noto-music-music-400-normal.woff?url';
import { CoreError } from '../../core';
import { pdfOf, type Weights } from '../../formats/sheet/pdf';
import { bookletPages, type BookletRequest } from '../../formats/booklet/booklet';
import { pagesOf, titleOf, type PaperRequest } from '../../formats/sheet/pages';
import { svgOf, type SvgFonts } from '../../formats/sheet/svg';
import { alphabetsIn, type Alphabet } from '../../formats/sheet/letters';
import { TEXT_FONTS } from './sheet-fonts';

export type SheetJob = { readonly request: PaperRequest; readonly as: 'pdf' | 'svg' } | { readonly booklet: BookletRequest };

export type SheetAnswer =
  { readonly done: number } | { readonly pdf: Uint8Array<ArrayBuffer> } | { readonly svgs: string[] } | { readonly problem: string };

const bytes = async (url: string): Promise<Uint8Array> => new Uint8Array(await (await fetch(url)).arrayBuffer());

/** A font as a data address, so that an SVG carries it wherever it goes. */
async function dataUrl(url: string): Promise<string> {
  const binary = Array.from(await bytes(url), (b) => String.fromCharCode(b)).join('');
  return `data:font/woff;base64,${btoa(binary)}`;
}

const say = (answer: SheetAnswer): void => postMessage(answer);

/** The alphabets of everything that a paper says; all of it comes from what was asked. */
const alphabetsOf = (request: PaperRequest | BookletRequest): Alphabet[] => alphabetsIn(JSON.stringify(request));

async function asPdf(title: string, alphabets: readonly Alphabet[], pages: Parameters<typeof pdfOf>[0]): Promise<void> {
  const weight = async (which: 'regular' | 'bold'): Promise<Weights<Uint8Array>> =>
    Object.fromEntries(await Promise.all(alphabets.map(async (a) => [a, await bytes(TEXT_FONTS[a][which])] as const))) as Weights<Uint8Array>; // prettier-ignore
  const fonts = { regular: await weight('regular'), bold: await weight('bold'), music: await bytes(musicUrl) };
  const pdf = await pdfOf(pages, title, fonts, (done) => say({ done }));
  say({ pdf: pdf as Uint8Array<ArrayBuffer> });
}

async function asSvg(request: PaperRequest): Promise<void> {
  const alphabets = alphabetsOf(request);
  const weight = (which: 'regular' | 'bold'): Promise<string[]> => Promise.all(alphabets.map((a) => dataUrl(TEXT_FONTS[a][which])));
  const fonts: SvgFonts = { regular: await weight('regular'), bold: await weight('bold'), music: await dataUrl(musicUrl) };
  const svgs: string[] = [];
  for (const page of pagesOf(request)) {
    svgs.push(svgOf(page, titleOf(request), fonts));
    say({ done: svgs.length });
  }
  say({ svgs });
}

function make(job: SheetJob): Promise<void> {
  if ('booklet' in job) return asPdf(job.booklet.title, alphabetsOf(job.booklet), (measure) => bookletPages(job.booklet, measure));
  const { request } = job;
  return job.as === 'svg' ? asSvg(request) : asPdf(titleOf(request), alphabetsOf(request), () => pagesOf(request));
}

/** Makes a sheet or a booklet off the main thread. Cancelled by ending the worker. */
onmessage = ({ data }: MessageEvent<SheetJob>) => {
  make(data).catch((e: unknown) => say({ problem: e instanceof CoreError ? e.message : 'The sheet could not be made.' }));
};
