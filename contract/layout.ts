import './words';
import { lazy, number, object, string } from 'yup';
import { MOST_PLACES, type Layout, type LayoutKind, type LayoutOf } from '../core';
import { list, place, record, someWholes, whole, wholes } from './parts';
import { isPlainPlace } from './lick';

const kind = (name: LayoutKind) => string().strict().oneOf([name]).required();
const optional = (values: string[]) => string().strict().oneOf(values);

/** One schema a layout; its fields as in the core. */
const LAYOUT_SCHEMAS = {
  window: record<LayoutOf<'window'>>({ kind: kind('window'), stretch: optional(['index', 'little', 'nearer']) }),
  box: record<LayoutOf<'box'>>({ kind: kind('box'), numbering: optional(['minor-root', 'major-root']) }),
  'per-string': record<LayoutOf<'per-string'>>({ kind: kind('per-string'), notes: whole(1, 6) }),
  'one-string': record<LayoutOf<'one-string'>>({ kind: kind('one-string'), string: whole(1, 12) }),
  'string-set': record<LayoutOf<'string-set'>>({
    kind: kind('string-set'),
    strings: wholes(1, 12, { min: 1, max: 12 }),
    counts: wholes(1, 12, { min: 1, max: 12 }),
    start: place.required(),
  }),
  diagonal: record<LayoutOf<'diagonal'>>({ kind: kind('diagonal'), counts: someWholes(1, 12, { min: 2, max: 2 }), root: place.required() }),
  split: record<LayoutOf<'split'>>({ kind: kind('split'), notes: number().strict().integer().min(1).max(6) }),
  region: record<LayoutOf<'region'>>({ kind: kind('region'), fromFret: whole(0, 36), toFret: whole(0, 36) }),
  anchor: record<LayoutOf<'anchor'>>({ kind: kind('anchor'), root: place.required(), notes: whole(1, 6) }),
  places: record<LayoutOf<'places'>>({ kind: kind('places'), places: list(place, MOST_PLACES, { min: 1, plainly: isPlainPlace }) }),
} satisfies Record<LayoutKind, unknown>;

export const LAYOUT_KINDS = Object.keys(LAYOUT_SCHEMAS) as LayoutKind[];

export const layoutSchema = lazy((value: unknown) => {
  const name = (value as Layout | null)?.kind;
  const known = typeof name === 'string' && Object.hasOwn(LAYOUT_SCHEMAS, name);
  return known
    ? (LAYOUT_SCHEMAS[name] as ReturnType<typeof record<Layout>>)
    : object({ kind: string().strict().required().oneOf(LAYOUT_KINDS) }).required();
});
