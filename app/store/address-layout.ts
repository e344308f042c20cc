import { isOneOf, LAYOUT_KINDS, type Layout, type Place } from '../../core';

/** Places and layouts as an address has them: "6/5", "per-string notes:3". A string in place of a layout says what is wrong. */
export const placeText = (p: Place): string => `${p.string}/${p.fret}`;
export const readPlace = (text: string): Place | null => {
  const m = /^(\d{1,2})\/(\d{1,2})$/.exec(text);
  return m && { string: Number(m[1]), fret: Number(m[2]) };
};
export const numbers = (text: string): number[] => text.split(',').map(Number);

/** How each option of a layout is read; it is written by what it is. */
const OPTIONS: Readonly<Record<string, (text: string) => unknown>> = Object.freeze({
  stretch: String,
  numbering: String,
  range: String,
  notes: Number,
  string: Number,
  from: Number,
  to: Number,
  fromFret: Number,
  toFret: Number,
  strings: numbers,
  counts: numbers,
  start: readPlace,
  root: readPlace,
  places: (text: string) => text.split(',').map(readPlace),
});
function optionText(value: unknown): string {
  if (Array.isArray(value)) return value.map(optionText).join(',');
  return typeof value === 'object' && value !== null ? placeText(value as Place) : String(value);
}

export const layoutText = ({ kind, ...options }: Layout): string =>
  [kind, ...Object.entries(options).map(([key, value]) => `${key}:${optionText(value)}`)].join(' ');
export function readLayout(text: string): Layout | string {
  const [kind, ...options] = text.split(' ');
  if (!isOneOf(LAYOUT_KINDS, kind)) return `there is no layout "${kind}"; there are ${LAYOUT_KINDS.join(', ')}`;
  const parts: [string, unknown][] = [];
  for (const option of options) {
    const m = /^(\w+):(.+)$/.exec(option);
    if (!m || !Object.hasOwn(OPTIONS, m[1]!)) return `“${option}” says nothing of a layout; write ${Object.keys(OPTIONS).join(', ')}`;
    parts.push([m[1]!, OPTIONS[m[1]!]!(m[2]!)]);
  }
  return { kind, ...Object.fromEntries(parts) } as Layout;
}
