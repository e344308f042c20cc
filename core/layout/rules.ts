import { keysOf } from '../typed';
import type { FingeringSchool, Instrument, Layout, LayoutKind, LayoutOf, ScaleRef } from '../types';
import { grown } from './anchor';
import { boxes } from './box';
import { diagonals } from './diagonal';
import { octaveFrames } from './octaves';
import { oneString } from './one-string';
import { perString } from './per-string';
import { places } from './places';
import { regions } from './region';
import type { Field, LayoutRule, Offer, Shown, Start } from './rule';
import type { LayoutTask, Draft } from './shape';
import { splits } from './split';
import { stringSets } from './string-set';
import { windows } from './window';

/**
 * Every way of cutting the neck, in the order of the chooser. A new one is a file with its rule, a line here, and its options
 * in the type Layout; schema, words, controls and the sentence read all else off the rule.
 */
const RULES: { readonly [K in LayoutKind]: LayoutRule<K> } = {
  box: boxes,
  'per-string': perString,
  split: splits,
  window: windows,
  'one-string': oneString,
  'string-set': stringSets,
  diagonal: diagonals,
  octaves: octaveFrames,
  region: regions,
  anchor: grown,
  places,
};

/** Kinds of layout, as they are offered. */
export const LAYOUT_KINDS = Object.freeze(keysOf(RULES));

/** A rule as code that knows no single layout sees it. */
export type AnyRule = Omit<
  LayoutRule<LayoutKind>,
  'fields' | 'lay' | 'school' | 'reanchor' | 'says' | 'why' | 'offers' | 'known' | 'size'
> & {
  readonly fields: Readonly<Record<string, Field>>;
  readonly lay: (task: LayoutTask, layout: Layout) => Draft[];
  readonly school: (layout: Layout) => FingeringSchool;
  readonly reanchor?: (i: Instrument, scale: ScaleRef, layout: Layout) => Layout;
  readonly says: (layout: Layout) => string;
  readonly why: (layout: Layout, shown: Shown) => string;
  readonly offers: (start: Start) => Offer[];
  readonly known?: readonly Layout[];
  readonly size?: (layout: Layout, strings: number) => number;
};

/** The rule of a layout. */
export const ruleOf = (kind: LayoutKind): AnyRule => RULES[kind] as unknown as AnyRule;

/**
 * The root place that a layout hangs on, if it hangs on one.
 * @example hangsOn(boxes) // null
 */
export const hangsOn = (layout: Layout): LayoutOf<'anchor'>['root'] | null => {
  const [field] = Object.entries(ruleOf(layout.kind).fields).find(([, f]) => f.is === 'root') ?? [];
  return field ? (layout as unknown as Record<string, LayoutOf<'anchor'>['root']>)[field]! : null;
};

/**
 * A layout that hangs on a root, hung on another; any other as it is.
 * @example hungOn({ kind: 'octaves', root: { string: 6, fret: 5 } }, { string: 5, fret: 7 }).root // { string: 5, fret: 7 }
 */
export function hungOn<L extends Layout>(layout: L, root: LayoutOf<'anchor'>['root']): L {
  const [field] = Object.entries(ruleOf(layout.kind).fields).find(([, f]) => f.is === 'root') ?? [];
  return field ? { ...layout, [field]: root } : layout;
}
