import type { Drum } from '../../core';

/** How a drum is made: a tone that falls, partials beside it, noise, and seconds until each is 60 dB down (by ear, no published source). */
interface Made {
  readonly hz: number;
  /** Where the tone begins, as a multiple of hz, and seconds until it has fallen. */
  readonly drop: number;
  readonly fall: number;
  readonly partials: readonly number[];
  readonly tone: number;
  readonly toneRing: number;
  readonly noise: number;
  readonly noiseRing: number;
  /** Share of the noise that low frequencies are taken from: 0 dull, 1 only hiss. */
  readonly hiss: number;
}

const MADE: Readonly<Record<Drum, Made>> = {
  kick: { hz: 52, drop: 2.6, fall: 0.03, partials: [], tone: 1, toneRing: 0.32, noise: 0.12, noiseRing: 0.02, hiss: 0.2 },
  snare: { hz: 185, drop: 1.3, fall: 0.02, partials: [1.6], tone: 0.45, toneRing: 0.16, noise: 0.7, noiseRing: 0.24, hiss: 0.6 },
  rim: { hz: 1680, drop: 1, fall: 1, partials: [1.47], tone: 0.9, toneRing: 0.05, noise: 0.2, noiseRing: 0.01, hiss: 0.8 },
  hat: { hz: 6400, drop: 1, fall: 1, partials: [1.31, 1.63], tone: 0.2, toneRing: 0.06, noise: 0.9, noiseRing: 0.07, hiss: 1 },
  ride: { hz: 3400, drop: 1, fall: 1, partials: [1.34, 1.79, 2.23], tone: 0.45, toneRing: 0.7, noise: 0.5, noiseRing: 0.35, hiss: 1 },
  crash: { hz: 2600, drop: 1, fall: 1, partials: [1.41, 1.83, 2.51], tone: 0.25, toneRing: 1.2, noise: 0.9, noiseRing: 1.5, hiss: 0.9 },
  tom: { hz: 98, drop: 1.6, fall: 0.05, partials: [1.5], tone: 1, toneRing: 0.3, noise: 0.1, noiseRing: 0.03, hiss: 0.3 },
};
const LEVEL = 0.62;
const RISE = 0.0008; // seconds

/** One stroke as samples, its loudest at LEVEL. Same input, same samples. */
export function drumOf(drum: Drum, sampleRate: number): Float32Array {
  const m = MADE[drum];
  const out = new Float32Array(Math.ceil(Math.max(m.toneRing, m.noiseRing) * sampleRate));
  let [seed, low, phase] = [20261, 0, 0];
  let peak = 0;
  for (let k = 0; k < out.length; k++) {
    const t = k / sampleRate;
    seed = (seed * 16807) % 2147483647;
    const white = (seed / 2147483647) * 2 - 1;
    low += 0.15 * (white - low);
    phase += (2 * Math.PI * m.hz * (1 + (m.drop - 1) * Math.exp(-t / m.fall))) / sampleRate;
    const tones = Math.sin(phase) + m.partials.reduce((sum, p) => sum + 0.6 * Math.sin(p * phase), 0);
    const hiss = m.hiss * (white - low) + (1 - m.hiss) * low;
    out[k] = (m.tone * tones * 10 ** ((-3 * t) / m.toneRing) + m.noise * hiss * 10 ** ((-3 * t) / m.noiseRing)) * Math.min(1, t / RISE);
    peak = Math.max(peak, Math.abs(out[k]!));
  }
  return out.map((v) => (v * LEVEL) / peak);
}
