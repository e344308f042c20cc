import { chordSounds } from '../harmony';
import { SILENT } from '../progression';
import { offbeatOf, pulsesOf, type Meter } from './pulses';
import type { BackingEvent, Feel, Pulse, Span } from './types';

/** When the chords are struck in a bar, by feel (common practice, no published source). */
const STRUCK: Record<Feel, (pulses: readonly Pulse[], feel: Feel) => number[]> = {
  straight: (pulses) => pulses.filter((_, k) => k % 2 === 1 || pulses.length === 1).map((p) => p.at),
  shuffle: (pulses, feel) => pulses.flatMap((p, k) => (k % 4 === 0 ? [p.at] : k % 4 === 1 ? [offbeatOf(p, feel)] : [])),
  'slow-triplets': (pulses) => pulses.map((p) => p.at),
  waltz: (pulses) => pulses.filter((_, k) => k % 3 !== 0).map((p) => p.at),
  bossa: (pulses, feel) =>
    pulses.flatMap((p, k) => (k % 4 === 0 ? [p.at] : k % 4 === 1 ? [offbeatOf(p, feel)] : k % 4 === 3 ? [p.at] : [])),
  'half-time': (pulses) => pulses.slice(0, 1).map((p) => p.at),
  drone: () => [],
};
const EPSILON = 1e-9;

/** The octave of E3: where a chord stands that no grip is given for. */
const LOW = 52;

/** The tones of a chord in close position from E3 up. */
export function closeVoicing(symbol: string): number[] {
  let last = LOW - 1;
  return chordSounds(symbol).map((sound) => (last = last + 1 + ((sound - ((last + 1) % 12) + 12) % 12)));
}

/** Chords struck by feel, and wherever one begins off those times; each rings until the next stroke or its own end. `voicings` are MIDI notes a span, lowest first. */
export function compingOf(
  spans: readonly Span[],
  voicings: readonly (readonly number[])[],
  meter: Meter,
  feel: Feel,
  bar: number,
  count: number,
): BackingEvent[] {
  const times = STRUCK[feel](pulsesOf(meter), feel);
  const struck = Array.from({ length: count }, (_, k) => times.map((t) => k * bar + t)).flat();
  return spans.flatMap((s, k) => {
    if (s.symbol === SILENT) return [];
    const own = struck.filter((t) => t >= s.from - EPSILON && t < s.to - EPSILON);
    const begins = feel === 'drone' || !own.length || Math.abs(s.from % bar) > EPSILON;
    const all = begins && !(own.length && own[0]! - s.from < EPSILON) ? [s.from, ...own] : own;
    return all.flatMap((at, n) =>
      voicings[k]!.map((midi, voice): BackingEvent => ({
        part: 'comping',
        midi,
        voice,
        at,
        length: (all[n + 1] ?? s.to) - at,
        gain: n ? 0.42 : 0.5,
      })),
    );
  });
}
