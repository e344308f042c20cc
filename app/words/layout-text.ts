import { countWord, hangsOn, LAYOUT_KINDS, ruleOf, samePlace, type Layout, type Offer, type Place, type Start } from '../../core';

/** How the sentence says a layout. */
export const layoutWords = (layout: Layout): string => ruleOf(layout.kind).says(layout);

export interface LayoutChoice {
  readonly layout: Layout;
  readonly title: string;
  readonly detail: string;
}

const choiceOf = ({ layout, detail, title }: Offer): LayoutChoice => ({ layout, detail, title: title ?? layoutWords(layout) });

/** Every layout as it would begin here. */
const choices = (start: Start): LayoutChoice[] => LAYOUT_KINDS.flatMap((kind) => ruleOf(kind).offers(start).map(choiceOf));

const partsOf = (text: string): string[] => text.toLowerCase().split(/[\s,;:]+/);

/** What was typed, word by word, as spoken and as written: "3" is "three" too. */
interface Typed {
  readonly spoken: string;
  readonly words: { readonly spoken: string; readonly written: string }[];
}

const starts = (parts: string[], { spoken, written }: Typed['words'][number]): boolean =>
  parts.some((p) => p.startsWith(spoken) || p.startsWith(written));

/** How near a choice comes to what was typed: by its title's beginning, its title, all words in its title, its remark, or else. */
function nearness({ title, detail }: LayoutChoice, { spoken, words }: Typed): number {
  if (title.toLowerCase().startsWith(spoken)) return 0;
  if (title.toLowerCase().includes(spoken)) return 1;
  if (words.every((w) => starts(partsOf(title), w))) return 2;
  return detail.toLowerCase().includes(spoken) ? 3 : 4;
}

/** A root place at the end of what was typed: "grown 2 10" is string 2, fret 10. */
function placeAsked(text: string, roots: readonly Place[]): { readonly text: string; readonly root: Place } | null {
  const typed = /^(.*\D)?\s*(\d{1,2})[\s/]+(\d{1,2})$/.exec(text);
  const root = typed && roots.find((r) => samePlace(r, { string: Number(typed[2]), fret: Number(typed[3]) }));
  return root ? { text: (typed[1] ?? '').trim(), root } : null;
}

/**
 * Layouts for what was typed, the nearest first: every word must start a word of the title or its remark. With a root place
 * at the end, those that hang on a root, from there.
 */
export function matchLayouts(text: string, start: Start, roots: readonly Place[] = []): LayoutChoice[] {
  const typed = text.trim().toLowerCase();
  const asked = placeAsked(typed, roots);
  if (asked) return matchLayouts(asked.text, { ...start, root: asked.root }).filter((c) => hangsOn(c.layout));
  const spell = (words: string): string => words.replace(/\b[1-6]\b/g, (d) => countWord(Number(d)));
  const words = partsOf(typed).filter(Boolean).map((written) => ({ written, spoken: spell(written) })); // prettier-ignore
  const asTyped = { spoken: spell(typed), words };
  return choices(start)
    .filter((c) => words.every((w) => starts(partsOf(`${c.title} ${c.detail}`), w)))
    .sort((a, b) => nearness(a, asTyped) - nearness(b, asTyped));
}
