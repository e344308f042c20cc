import { hertzOf, type TimedNote } from '../../../core';
import { pluck, ringOf } from '../pluck';

/** A note that a player means to play. */
export interface MeantNote extends TimedNote {
  string: number;
  /** Until the next note on any string, or as long as it is held. */
  lengthMs: number;
  /** Sounded by the fretting hand alone: softer, duller. */
  slurred?: boolean;
}

/** How a simulated player plays: chances from 0 to 1, times in ms, levels as shares of full scale. */
export interface Manner {
  seed: number;
  /** Notes that come out wrong, by so many half steps at most, and those left out. */
  wrong: number;
  dropped: number;
  /** Early or late, at most. */
  loose: number;
  /** Always early (less than 0) or late. */
  lag: number;
  level: number;
  /** Cents that the instrument is off. */
  detuned: number;
  /** Notes ring on for so long after their end, as where strings are not damped. */
  ringOnMs: number;
  noise: number;
  /** Of the mains, 50 Hz and its partials. */
  hum: number;
}
export const STEADY: Manner = { seed: 1, wrong: 0, dropped: 0, loose: 0, lag: 0, level: 0.5, detuned: 0, ringOnMs: 0, noise: 0, hum: 0 };

/** The same numbers for the same seed, 0 to 1. */
function chance(seed: number): () => number {
  let state = (seed % 2147483646) + 1;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/** What is really played: meant notes with the faults of the manner. */
export function played(meant: readonly MeantNote[], m: Manner): MeantNote[] {
  const next = chance(m.seed);
  return meant.flatMap((n) => {
    const [lost, off, late, by] = [next() < m.dropped, next() < m.wrong, (next() * 2 - 1) * m.loose, next() < 0.5 ? -1 : 1];
    return lost ? [] : [{ ...n, midi: n.midi + (off ? by : 0), atMs: n.atMs + m.lag + late }];
  });
}

const RELEASE = 0.012;
/** Seconds of a string that are made beyond what is held. */
const SPARE = 0.5;
/** Slurred notes are softer. */
const SLURRED = 0.6;
/** No two strokes of a player are alike; so many kinds. */
const STROKES = 3;

/** Notes as a plucked instrument sounds them, through hum and noise; each string one note at a time. As long as it takes for the last to end, and `tailMs` more. */
export function soundOf(notes: readonly MeantNote[], sampleRate: number, m: Manner, tailMs = 600): Float32Array {
  const end = notes.reduce((most, n) => Math.max(most, n.atMs + n.lengthMs), 0) + tailMs;
  const out = new Float32Array(Math.ceil((end / 1000) * sampleRate));
  const made = new Map<string, Float32Array>();
  const most = (notes.reduce((longest, n) => Math.max(longest, n.lengthMs), 0) + m.ringOnMs) / 1000 + SPARE;
  const stringAt = (n: MeantNote, k: number): Float32Array => {
    const key = `${n.midi}/${n.slurred ? 1 : 0}/${k % STROKES}`;
    const known = made.get(key);
    if (known) return known;
    const hz = hertzOf(n.midi) * 2 ** (m.detuned / 1200);
    const samples = pluck({
      hz,
      sampleRate,
      ring: ringOf(hz),
      bright: n.slurred ? 0.4 : 0.8,
      pickAt: 0.15,
      seed: 7 + n.midi * STROKES + (k % STROKES),
      level: (m.level / 0.5) * (n.slurred ? SLURRED : 1),
      most,
    });
    made.set(key, samples);
    return samples;
  };
  const sorted = [...notes].sort((a, b) => a.atMs - b.atMs);
  sorted.forEach((n, k) => {
    const samples = stringAt(n, k);
    const start = Math.max(0, Math.round((n.atMs / 1000) * sampleRate));
    const onString = sorted.slice(k + 1).find((o) => o.string === n.string);
    const until = Math.min(n.atMs + n.lengthMs + m.ringOnMs, onString?.atMs ?? Infinity);
    const held = ((until - n.atMs) / 1000) * sampleRate;
    const release = RELEASE * sampleRate;
    for (let s = 0; s < samples.length && start + s < out.length && s < held + release; s++)
      out[start + s] += samples[s] * (s < held ? 1 : 1 - (s - held) / release);
  });
  const next = chance(m.seed + 99);
  for (let s = 0; s < out.length; s++) {
    const t = s / sampleRate;
    if (m.noise) out[s] += m.noise * (next() + next() + next() - 1.5) * 2;
    if (m.hum)
      out[s] += m.hum * (Math.sin(2 * Math.PI * 50 * t) + 0.5 * Math.sin(2 * Math.PI * 100 * t) + 0.3 * Math.sin(2 * Math.PI * 150 * t));
  }
  return out;
}
