import boldUrl from '@fontsource/commissioner/files/commissioner-latin-600-normal.woff?url';
import regularUrl from '@fontsource/commissioner/files/commissioner-latin-400-normal.woff?url';
import musicUrl from '@fontsource/noto-music/files/noto-music-music-400-normal.woff?url';
import { CoreError } from '../../core';
import { pdfOf } from '../../formats/sheet/pdf';
import { pagesOf, titleOf, type PaperRequest } from '../../formats/sheet/pages';
import { svgOf, type SvgFonts } from '../../formats/sheet/svg';

export interface SheetJob {
  request: PaperRequest;
  as: 'pdf' | 'svg';
}

export type SheetAnswer = { done: number } | { pdf: Uint8Array<ArrayBuffer> } | { svgs: string[] } | { problem: string };

const bytes = async (url: string): Promise<Uint8Array> => new Uint8Array(await (await fetch(url)).arrayBuffer());

/** A font as a data address, so that an SVG carries it wherever it goes. */
async function dataUrl(url: string): Promise<string> {
  const binary = Array.from(await bytes(url), (b) => String.fromCharCode(b)).join('');
  return `data:font/woff;base64,${btoa(binary)}`;
}

const say = (answer: SheetAnswer): void => postMessage(answer);

async function asPdf(request: PaperRequest): Promise<void> {
  const [regular, bold, music] = await Promise.all([regularUrl, boldUrl, musicUrl].map(bytes));
  const pdf = await pdfOf(pagesOf(request), titleOf(request), { regular, bold, music }, (done) => say({ done }));
  say({ pdf: pdf as Uint8Array<ArrayBuffer> });
}

async function asSvg(request: PaperRequest): Promise<void> {
  const [regular, bold, music] = await Promise.all([regularUrl, boldUrl, musicUrl].map(dataUrl));
  const fonts: SvgFonts = { regular, bold, music };
  const svgs: string[] = [];
  for (const page of pagesOf(request)) {
    svgs.push(svgOf(page, titleOf(request), fonts));
    say({ done: svgs.length });
  }
  say({ svgs });
}

/** Makes a sheet off the main thread. Cancelled by ending the worker. */
onmessage = ({ data }: MessageEvent<SheetJob>) => {
  (data.as === 'pdf' ? asPdf : asSvg)(data.request).catch((e: unknown) =>
    say({ problem: e instanceof CoreError ? e.message : 'The sheet could not be made.' }),
  );
};
