import './words';
import { string } from 'yup';
import { parseChord, type Place } from '../core';
import { passes } from './checks';
import { built, id, list, name, record, whole, isDistinct } from './parts';

/** A grip that a player named, in its study. */
export interface KeptGrip {
  readonly id: string;
  readonly name: string;
  /** What it was called when it was kept; null for a grip without a reading. */
  readonly symbol: string | null;
  /** Thickest string first, one a string; as they stand, whatever the neck becomes. */
  readonly places: Place[];
}
export const MOST_GRIPS = 200;

/** A chord's symbol, at most 40 signs, that can be read. */
export const chordSchema = () =>
  string()
    .strict()
    .nullable()
    .defined()
    .max(40)
    .test('chord', passes((v) => v === null || parseChord(v as string))); // prettier-ignore

const place = built(() => record<Place>({ string: whole(1, 12), fret: whole(0, 36) }));
const gripSchema = built(() =>
  record<KeptGrip>({
    id: id().max(40),
    name: name(80, 'give the grip a name.'),
    symbol: chordSchema(),
    places: list(place(), 12, { min: 1 }).test('strings', 'places: a string sounds one fret at a time.', (v) => isDistinct(v, 'string')),
  }),
);
export const gripsSchema = built(() =>
  list(gripSchema(), MOST_GRIPS).test('ids', 'grips: two grips have the same id.', (v) => isDistinct(v, 'id')),
);
