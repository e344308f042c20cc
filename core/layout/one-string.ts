import { checkWhole } from '../errors';
import { fretsWithScale } from '../neck';
import type { LayoutOf } from '../types';
import type { Bench, Draft } from './shape';

/** The whole scale on one string, from the open string to the last fret (common practice, no published source). */
export function layOneString(bench: Bench, layout: LayoutOf<'one-string'>): Draft[] {
  const { neck } = bench;
  const string = checkWhole('BAD_LAYOUT', 'layout.string', layout.string, 1, neck.upward.length);
  const places = fretsWithScale(neck, string).map((fret) => ({ string, fret }));
  return places.length ? [{ number: 1, label: `string ${string}`, places }] : [];
}
