import { download } from './files';

/**
 * Prints pages given as SVG: they stand in a container that only paper shows, one a sheet, while everything else is
 * hidden. The page size goes in by a constructed style sheet, which the security policy allows.
 */
export function printSvgs(svgs: string[], size: { readonly width: number; readonly height: number }): void {
  const holder = document.createElement('div');
  holder.className = 'print-sheet';
  for (const svg of svgs) {
    const bare = svg.replace(/<style>.*?<\/style>/s, ''); // the page's own fonts serve; the security policy forbids this style
    const page = new DOMParser().parseFromString(bare, 'image/svg+xml').documentElement;
    holder.append(document.importNode(page, true));
  }
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(`@page { size: ${size.width}pt ${size.height}pt; margin: 0 } @media print { #root { display: none } }`);
  document.body.append(holder);
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
  const clean = (): void => {
    holder.remove();
    document.adoptedStyleSheets = document.adoptedStyleSheets.filter((s) => s !== sheet);
  };
  addEventListener('afterprint', clean, { once: true });
  print();
}

/** Dots per point: 300 to the inch would be 4.17; 3 is sharp on a screen and small enough to send. */
const SCALE = 3;

/** A page as PNG bytes. The SVG carries its own fonts. */
async function pngOf(svg: string, size: { readonly width: number; readonly height: number }): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(size.width * SCALE);
    canvas.height = Math.round(size.height * SCALE);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((done, fail) => canvas.toBlob((b) => (b ? done(b) : fail(new Error('no picture'))), 'image/png'));
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** One page as it is, several in one archive. */
export async function saveSvgs(
  name: string,
  ending: 'svg' | 'png',
  svgs: string[],
  size: { readonly width: number; readonly height: number },
): Promise<void> {
  const contents =
    ending === 'svg' ? svgs : await Promise.all(svgs.map(async (s) => new Uint8Array(await (await pngOf(s, size)).arrayBuffer())));
  const file = `${name}.${ending}`;
  if (contents.length === 1) download(file, ending === 'svg' ? 'image/svg+xml' : 'image/png', contents[0]!);
  else {
    const { archiveOf } = await import('../files/archive');
    download(`${name}-${ending}.zip`, 'application/zip', archiveOf(contents.map((bytes) => ({ name: file, bytes }))));
  }
}
