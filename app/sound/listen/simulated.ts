import { drawer, hertzOf, type TimedNote } from '../../../core';
import { pluck, ringOf } from '../pluck';
import type { Manner } from './manners';

/** A note that a player means to play. */
export interface MeantNote extends TimedNote {
  readonly string: number;
  /** Until the next note on any string, or as long as it is held. */
  readonly lengthMs: number;
  /** Sounded by the fretting hand alone: softer, duller. */
  readonly slurred?: boolean;
}

/** What is really played: meant notes with the faults of the manner. */
export function played(meant: readonly MeantNote[], m: Manner): MeantNote[] {
  const next = drawer(m.seed);
  return meant.flatMap((n) => {
    const [lost, off, late, by] = [next() < m.dropped, next() < m.wrong, (next() * 2 - 1) * m.loose, next() < 0.5 ? -1 : 1];
    return lost ? [] : [{ ...n, midi: n.midi + (off ? by : 0), atMs: n.atMs + m.lag + late }];
  });
}

/** A note is let go within so many seconds. */
export const RELEASE = 0.012;
/** Seconds of a string that are made beyond what is held. */
const SPARE = 0.5;
/** Slurred notes are softer. */
const SLURRED = 0.6;
/** No two strokes of a player are alike; so many kinds. */
const STROKES = 3;

/** The `k`th note of a performance as one of few strokes, so that each is made once. */
export const strokeOf = ({ midi, slurred }: MeantNote, k: number): Stroke => ({ midi, slurred: slurred === true, kind: k % STROKES });
export interface Stroke {
  readonly midi: number;
  readonly slurred: boolean;
  readonly kind: number;
}

/** A stroke as samples, `most` seconds at most. */
export function strokeSound({ midi, slurred, kind }: Stroke, sampleRate: number, m: Manner, most: number): Float32Array {
  const hz = hertzOf(midi) * 2 ** (m.detuned / 1200);
  return pluck({
    hz,
    sampleRate,
    ring: ringOf(hz),
    bright: slurred ? 0.4 : 0.8,
    pickAt: 0.15,
    seed: 7 + midi * STROKES + kind,
    level: (m.level / 0.5) * (slurred ? SLURRED : 1),
    most,
  });
}

/** Seconds of the longest stroke that some notes need. */
export const longestStroke = (notes: readonly MeantNote[], m: Manner): number =>
  (notes.reduce((longest, n) => Math.max(longest, n.lengthMs), 0) + m.ringOnMs) / 1000 + SPARE;

/** Until when each note is held, in ms; notes in order of time. The next note on its string ends it. */
export const heldUntil = (sorted: readonly MeantNote[], m: Manner): number[] =>
  sorted.map((n, k) => {
    const onString = sorted.slice(k + 1).find((o) => o.string === n.string);
    return Math.min(n.atMs + n.lengthMs + m.ringOnMs, onString?.atMs ?? Infinity);
  });

/** Notes as a plucked instrument sounds them, through hum and noise; each string one note at a time. As long as it takes for the last to end, and `tailMs` more. */
export function soundOf(notes: readonly MeantNote[], sampleRate: number, m: Manner, tailMs = 600): Float32Array {
  const end = notes.reduce((most, n) => Math.max(most, n.atMs + n.lengthMs), 0) + tailMs;
  const out = new Float32Array(Math.ceil((end / 1000) * sampleRate));
  const made = new Map<string, Float32Array>();
  const most = longestStroke(notes, m);
  const sorted = [...notes].sort((a, b) => a.atMs - b.atMs);
  const until = heldUntil(sorted, m);
  sorted.forEach((n, k) => {
    const stroke = strokeOf(n, k);
    const key = JSON.stringify(stroke);
    const samples = made.get(key) ?? strokeSound(stroke, sampleRate, m, most);
    made.set(key, samples);
    const start = Math.max(0, Math.round((n.atMs / 1000) * sampleRate));
    const held = ((until[k]! - n.atMs) / 1000) * sampleRate;
    const release = RELEASE * sampleRate;
    for (let s = 0; s < samples.length && start + s < out.length && s < held + release; s++)
      out[start + s]! += samples[s]! * (s < held ? 1 : 1 - (s - held) / release);
  });
  const next = drawer(m.seed + 99);
  for (let s = 0; s < out.length; s++) {
    const t = s / sampleRate;
    if (m.noise) out[s]! += m.noise * (next() + next() + next() - 1.5) * 2;
    if (m.hum)
      out[s]! += m.hum * (Math.sin(2 * Math.PI * 50 * t) + 0.5 * Math.sin(2 * Math.PI * 100 * t) + 0.3 * Math.sin(2 * Math.PI * 150 * t));
  }
  return out;
}
