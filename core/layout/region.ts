import { checkWhole } from '../errors';
import { fretsWithScale } from '../neck';
import type { LayoutOf } from '../types';
import { byPitch, type Bench, type Draft } from './shape';

/** Every scale note between two border frets, both included; unisons kept, one shape, no folds (docs/decisions.md). */
export function layRegion(bench: Bench, layout: LayoutOf<'region'>): Draft[] {
  const { neck } = bench;
  const from = checkWhole('BAD_LAYOUT', 'layout.fromFret', layout.fromFret, 0, neck.last);
  const to = checkWhole('BAD_LAYOUT', 'layout.toFret', layout.toFret, from, neck.last);
  const places = neck.upward.flatMap((string) => fretsWithScale(neck, string, from, to).map((fret) => ({ string, fret })));
  return places.length ? [{ number: 1, label: `frets ${from} to ${to}`, places: byPitch(neck, places) }] : [];
}
