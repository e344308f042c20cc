import type { Click } from '../../core';

/** Partials in hertz with their share, seconds until each is 60 dB down, and how much noise begins it. */
const MADE: Readonly<
  Record<Click, { readonly partials: readonly (readonly [hz: number, share: number])[]; readonly ring: number; readonly noise: number }>
> = {
  wood: { partials: [[820, 1], [1930, 0.45]], ring: 0.07, noise: 0.25 }, // prettier-ignore
  glass: { partials: [[1760, 1], [4180, 0.35]], ring: 0.16, noise: 0.05 }, // prettier-ignore
  drum: { partials: [[180, 1], [330, 0.5]], ring: 0.12, noise: 0.6 }, // prettier-ignore
};
const ACCENT = 1.335; // a fourth higher
const LEVEL = { plain: 0.5, accent: 0.8 };

/** One click as samples. An accent is a fourth higher and louder. */
export function clickOf(click: Click, accent: boolean, sampleRate: number): Float32Array {
  const { partials, ring, noise } = MADE[click];
  const out = new Float32Array(Math.ceil(ring * sampleRate));
  const share = partials.reduce((sum, [, s]) => sum + s, noise);
  let seed = 4711;
  for (let k = 0; k < out.length; k++) {
    const t = k / sampleRate;
    seed = (seed * 16807) % 2147483647;
    const tones = partials.reduce((sum, [hz, s]) => sum + s * Math.sin(2 * Math.PI * hz * (accent ? ACCENT : 1) * t), 0);
    const hiss = noise * ((seed / 2147483647) * 2 - 1) * Math.exp(-t / 0.004);
    const rise = Math.min(1, t / 0.001);
    out[k] = ((tones + hiss) / share) * 10 ** ((-3 * t) / ring) * rise * (accent ? LEVEL.accent : LEVEL.plain);
  }
  return out;
}
