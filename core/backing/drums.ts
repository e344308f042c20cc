import { offbeatOf, pulsesOf, type Meter } from './pulses';
import type { BackingEvent, Drum, Feel, Pulse } from './types';

type Hit = readonly [drum: Drum, at: number, gain: number];
/** What marks the first bar of a new section. */
const CRASH: Hit = ['crash', 0, 0.5];

const evens = (pulses: readonly Pulse[]): Pulse[] => pulses.filter((_, k) => k % 2 === 0);
/** The backbeats: every second pulse; the last one of three. */
const backs = (pulses: readonly Pulse[]): Pulse[] => (pulses.length === 3 ? pulses.slice(2) : pulses.filter((_, k) => k % 2 === 1));
const on = (drum: Drum, pulses: readonly Pulse[], gain: number): Hit[] => pulses.map((p) => [drum, p.at, gain]);

/** One bar by feel (common practice, no published source); `odd` is every second bar. */
const PATTERNS: Record<Feel, (pulses: readonly Pulse[], feel: Feel, odd: boolean) => Hit[]> = {
  straight: (pulses, feel) => [
    ...on('kick', evens(pulses), 0.9),
    ...on('snare', backs(pulses), 0.7),
    ...pulses.flatMap((p): Hit[] => [['hat', p.at, 0.45], ['hat', offbeatOf(p, feel), 0.3]]), // prettier-ignore
  ],
  shuffle: (pulses, feel) => [
    ...on('kick', evens(pulses), 0.8),
    ...on('snare', backs(pulses), 0.6),
    ...on('ride', pulses, 0.45),
    ...backs(pulses).map((p): Hit => ['ride', offbeatOf(p, feel), 0.35]),
  ],
  'slow-triplets': (pulses, feel) => [
    ...on('kick', pulses.slice(0, 1), 0.9),
    ...evens(pulses)
      .slice(1)
      .map((p): Hit => ['kick', offbeatOf(p, feel), 0.7]),
    ...on('snare', backs(pulses), 0.7),
    ...pulses.flatMap((p) => [0, 1 / 3, 2 / 3].map((share, k): Hit => ['hat', p.at + share * p.length, k ? 0.25 : 0.4])),
  ],
  waltz: (pulses) => [...on('kick', pulses.filter((_, k) => k % 3 === 0), 0.8), ...on('rim', pulses.filter((_, k) => k % 3 !== 0), 0.4), ...on('ride', pulses, 0.3)], // prettier-ignore
  bossa: (pulses, feel, odd) => {
    const half = (n: number): number | null => {
      const p = pulses[Math.floor(n / 2)];
      return p ? (n % 2 ? offbeatOf(p, feel) : p.at) : null;
    };
    const all = Array.from({ length: pulses.length * 2 }, (_, n) => n);
    const at = (drum: Drum, halves: readonly number[], gain: number): Hit[] =>
      halves.flatMap((n): Hit[] => {
        const when = half(n);
        return when === null ? [] : [[drum, when, gain]];
      });
    return [...at('hat', all, 0.3), ...at('kick', all.filter((n) => n % 4 === 0 || n % 4 === 3), 0.6), ...at('rim', odd ? [2, 5] : [0, 3, 6], 0.5)]; // prettier-ignore
  },
  'half-time': (pulses, feel) => [
    ...on('kick', pulses.slice(0, 1), 0.95),
    ...on('snare', pulses.slice(Math.floor(pulses.length / 2), Math.floor(pulses.length / 2) + 1), 0.8),
    ...on('hat', pulses, 0.4),
    ...pulses.slice(-1).map((p): Hit => ['kick', offbeatOf(p, feel), 0.5]),
  ],
  drone: () => [],
};

/** The last pulse of a section: four strokes, or three where it is felt in three, falling from snare to tom. */
function fill(last: Pulse, feel: Feel): Hit[] {
  const thirds = last.parts === 3 || feel === 'shuffle' || feel === 'slow-triplets';
  const count = thirds ? 3 : 4;
  return Array.from({ length: count }, (_, k): Hit => [
    k < count / 2 ? 'snare' : 'tom',
    last.at + (k * last.length) / count,
    0.5 + 0.08 * k,
  ]);
}

/** The drums of so many bars: a pattern a bar, a fill where a section ends, a crash where one begins after it. */
export function drumsOf(
  count: number,
  meter: Meter,
  feel: Feel,
  barAt: (bar: number) => number,
  ends: ReadonlySet<number>,
): BackingEvent[] {
  if (feel === 'drone') return [];
  const pulses = pulsesOf(meter);
  const last = pulses[pulses.length - 1]!;
  return Array.from({ length: count }, (_, bar) => {
    const ending = ends.has(bar) && count > 1;
    const usual = PATTERNS[feel](pulses, feel, bar % 2 === 1).filter(([drum, at]) => !ending || at < last.at || drum === 'kick');
    const more: Hit[] = [...(ending ? fill(last, feel) : []), ...(bar > 0 && ends.has(bar - 1) ? [CRASH] : [])];
    return [...usual, ...more].map(([drum, at, gain]): BackingEvent => ({ part: 'drums', drum, at: barAt(bar) + at, length: 0.25, gain }));
  }).flat();
}
