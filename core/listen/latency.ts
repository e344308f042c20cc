/** What a measurement came to, in ms. */
export interface Latency {
  /** How late notes come in, in ms. */
  readonly latencyMs: number;
  /** Half of what was heard lies within this of it. */
  readonly spreadMs: number;
  /** Clicks that something was heard for. */
  readonly heard: number;
}

/** An answer comes at the earliest so far before a click (a player who is early) and at the latest so far behind it. */
const RANGE = { early: -120, late: 480 };
/** So many clicks have to be answered, at least; and no wider than this. */
export const LATENCY_RULE = Object.freeze({ fewest: 4, widestMs: 30 });

const median = (sorted: readonly number[]): number => {
  const mid = sorted.length >> 1;
  return sorted.length % 2 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2;
};

/**
 * How long after its click a sound is heard, from clicks and onsets in ms on one clock: of every click the answer that agrees best with those of
 * the others, the median of them and their median deviation. Null where fewer than four of the clicks were answered, or too unevenly.
 * @example latencyOf([0, 500, 1000, 1500, 2000, 2500], [40, 540, 1040, 1540, 2040, 2540])?.latencyMs // 40
 */
export function latencyOf(clicks: readonly number[], onsets: readonly number[]): Latency | null {
  const answers = clicks.map((c) => onsets.map((o) => o - c).filter((d) => d >= RANGE.early && d <= RANGE.late));
  const all = answers.flat();
  if (!all.length) return null;
  // What most of the clicks have near it; of equal ones the earliest.
  const near = (d: number): number => answers.filter((some) => some.some((o) => Math.abs(o - d) <= LATENCY_RULE.widestMs)).length;
  const centre = [...all].sort((a, b) => near(b) - near(a) || a - b)[0]!;
  const best = answers.flatMap((some) => {
    const close = some.filter((o) => Math.abs(o - centre) <= 2 * LATENCY_RULE.widestMs);
    return close.length ? [close.reduce((a, b) => (Math.abs(b - centre) < Math.abs(a - centre) ? b : a))] : [];
  });
  if (best.length < LATENCY_RULE.fewest) return null;
  const latencyMs = median([...best].sort((a, b) => a - b));
  const spreadMs = median(best.map((b) => Math.abs(b - latencyMs)).sort((a, b) => a - b));
  return spreadMs > LATENCY_RULE.widestMs ? null : { latencyMs, spreadMs, heard: best.length };
}
