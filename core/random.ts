/**
 * Evenly spread numbers from 0 to 1 out of a seed: a counter mixed in 32 bits, as mulberry32 does it (public domain; from memory).
 * @example drawer(1)() === drawer(1)() // true
 */
export function drawer(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}
