import './words';
import { lazy, number, object, string, type Schema } from 'yup';
import { LAYOUT_KINDS, ruleOf, type Field, type Layout, type LayoutKind } from '../core';
import { built, list, oneOf, place, someWholes, whole, wholes } from './parts';
import { published } from './published';
import { isPlainPlace } from './lick';

export { LAYOUT_KINDS };

const MOST_STRINGS = 12;
const MOST_FRETS = 36;
const optionalWhole = (min: number, max: number) => number().strict().integer().min(min).max(max);

/** What a record may hold for each sort of option. */
const SCHEMAS: { [S in Field['is']]: (f: Extract<Field, { readonly is: S }>) => unknown } = {
  whole: (f) => (f.usual === undefined ? whole(f.from, f.to) : optionalWhole(f.from, f.to)),
  string: () => whole(1, MOST_STRINGS),
  fret: (f) => (f.blank ? optionalWhole(0, MOST_FRETS) : whole(0, MOST_FRETS)),
  root: () => place().required(),
  start: () => place().required(),
  choice: (f) => string().strict().oneOf(f.of.map((o) => o.value)), // prettier-ignore
  pair: (f) => someWholes(f.from, f.to, { min: 2, max: 2 }),
  strings: () => wholes(1, MOST_STRINGS, { min: 1, max: MOST_STRINGS }),
  counts: (f) => wholes(f.from, f.to, { min: 1, max: MOST_STRINGS }),
  places: (f) => list(place(), f.most, { min: 1, plainly: isPlainPlace }),
};
const schemaOf = (f: Field): Schema => (SCHEMAS[f.is] as (f: Field) => Schema)(f);

/** One schema a layout, of exactly the options that its rule names. */
const byKind = built(
  () =>
    Object.fromEntries(
      LAYOUT_KINDS.map((kind) => {
        const options = Object.entries(ruleOf(kind).fields).map(([name, field]) => [name, schemaOf(field)]);
        return [kind, object({ kind: oneOf([kind]), ...Object.fromEntries(options) }).noUnknown().strict()]; // prettier-ignore
      }),
    ) as unknown as Record<LayoutKind, Schema<Layout>>,
);

export const layoutSchema = built(() =>
  lazy((value: unknown) => {
    const name = (value as Layout | null)?.kind;
    const known = typeof name === 'string' && Object.hasOwn(byKind(), name);
    return known ? byKind()[name] : object({ kind: oneOf(LAYOUT_KINDS) }).required();
  }).meta({ ...published({ is: 'any', of: Object.values(byKind()) }), named: 'layout' }),
);
