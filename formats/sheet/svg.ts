import { runsOf, SIGN_SCALE, signRise, type Drawing, type Item } from './drawing';

/** Fonts to embed, as data addresses, the text font by its alphabets, Latin first; without them the reader's own are used. */
export interface SvgFonts {
  readonly regular: readonly string[];
  readonly bold: readonly string[];
  readonly music: string;
}

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
const n = (value: number): string => String(Math.round(value * 100) / 100);

function textItem(item: Extract<Item, { readonly kind: 'text' }>): string {
  let back = 0;
  const runs = runsOf(item.text).map((r) => {
    const rise = r.sign ? signRise(r.text) * item.size : 0;
    const dy = back - rise;
    back = rise;
    const font = r.sign ? ` font-family="'Crow Signs'" font-weight="400" font-size="${n(item.size * SIGN_SCALE)}"` : '';
    return `<tspan${dy ? ` dy="${n(dy)}"` : ''}${font}>${escaped(r.text)}</tspan>`;
  });
  return `<text x="${n(item.x)}" y="${n(item.y)}" font-size="${n(item.size)}" font-weight="${item.bold ? 600 : 400}" text-anchor="${item.anchor}" fill="${item.colour}">${runs.join('')}</text>`;
}

function itemSvg(item: Item): string {
  if (item.kind === 'text') return textItem(item);
  if (item.kind === 'line')
    return `<line x1="${n(item.x1)}" y1="${n(item.y1)}" x2="${n(item.x2)}" y2="${n(item.y2)}" stroke="${item.colour}" stroke-width="${n(item.width)}"/>`;
  const stroke = item.stroke
    ? ` stroke="${item.stroke}" stroke-width="${n(item.width)}"${item.dashed ? ' stroke-dasharray="2.4 2"' : ''}`
    : '';
  return `<path transform="translate(${n(item.x)} ${n(item.y)})" d="${item.path}" fill="${item.fill ?? 'none'}"${stroke}/>`;
}

const TEXT = 'Crow Text';
/** A family an alphabet: a letter that the first has not comes from the next. */
const familyOf = (k: number): string => (k ? `${TEXT} ${k + 1}` : TEXT);
const faceOf = (family: string, weight: number, src: string): string =>
  `@font-face{font-family:'${family}';font-weight:${weight};src:url(${src})}`;
const faces = (f: SvgFonts): string =>
  `<style>${f.regular.map((src, k) => faceOf(familyOf(k), 400, src)).join('')}${f.bold.map((src, k) => faceOf(familyOf(k), 600, src)).join('')}@font-face{font-family:'Crow Signs';src:url(${f.music})}</style>`;

/** A page as a whole SVG file, sized in points. */
export const svgOf = (page: Drawing, title: string, fonts?: SvgFonts): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${n(page.width)}pt" height="${n(page.height)}pt" viewBox="0 0 ${n(page.width)} ${n(page.height)}" font-family="${(fonts?.regular ?? ['']).map((_, k) => `'${familyOf(k)}'`).join(', ')}, 'Commissioner Variable', sans-serif"><title>${escaped(title)}</title>${fonts ? faces(fonts) : ''}<rect width="100%" height="100%" fill="#fff"/>${page.items.map(itemSvg).join('')}</svg>\n`;
