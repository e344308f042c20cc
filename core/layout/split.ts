import type { LayoutOf } from '../types';
import { tiersOf, type Tier } from './per-string';
import type { Bench, Draft } from './shape';

/**
 * The lower strings of one n-per-string shape, then one string back and up through the next shape: a run that
 * climbs without leaving known shapes (docs/decisions.md). The notes keep the order of the run.
 */
export function laySplit(bench: Bench, layout: LayoutOf<'split'>): Draft[] {
  const strings = bench.neck.upward.length;
  const turn = Math.floor(strings / 2) + 1;
  const count = bench.neck.tones.length;
  const tiers = tiersOf(bench.neck, layout.notes ?? 3);
  return tiers.flatMap((lower) => {
    const upper = nextTier(tiers, lower, count);
    if (!upper) return [];
    const places = [...lower.cells.slice(0, turn), ...upper.cells.slice(Math.max(0, turn - 2))].flat();
    return [{ number: lower.index + 1, label: `shapes ${lower.index + 1} and ${upper.index + 1}`, places }];
  });
}

/** The tier that starts on the next scale note, at the next fret up. */
const nextTier = (tiers: Tier[], lower: Tier, count: number): Tier | undefined =>
  tiers.find((t) => t.index === (lower.index + 1) % count && t.cells[0][0].fret > lower.cells[0][0].fret);
