/** A small generator of chance (mulberry32, public domain), so that every input can be made again from its number. */
export function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Longest input made, in bytes: what one step of a mutation may add is bounded by it. */
const MOST = 400_000;
const NUMBERS = ['-1', '0', '1e12', '99999999999', '4.5', '-4', 'NaN', '000000000000', '1/0', '2147483648', '0.0000001'];
const WORDS = ['<', '>', '&', '"', "'", '[', ']', '{', '}', '(', ')', '|', '-', '\\', '\0', '\n', '\r\n', '\t', '%', '#', '♯', '\ud83c\udfb8', '<note>', '</note>', '<!DOCTYPE', 'PM', 'x99', ':|', '|:', '(3', 'K:', 'V:9', '=99999', '"kind"', 'null', 'constructor', '__proto__']; // prettier-ignore

type Step = (bytes: Uint8Array, other: Uint8Array, random: () => number) => Uint8Array;
const join = (...parts: Uint8Array[]): Uint8Array => {
  const out = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0));
  let at = 0;
  for (const p of parts) {
    out.set(p, at);
    at += p.length;
  }
  return out;
};
const text = (s: string): Uint8Array => new TextEncoder().encode(s);
const place = (bytes: Uint8Array, random: () => number): number => Math.floor(random() * (bytes.length + 1));
const pick = <T>(all: readonly T[], random: () => number): T => all[Math.floor(random() * all.length)]!;

/** What goes wrong with files: bits, cuts, doubled parts, parts of other files, numbers out of range, signs where none belong. */
const STEPS: readonly Step[] = [
  (b, _, r) => {
    const out = b.slice();
    for (let k = 0; k < 1 + r() * 8 && out.length; k++) out[Math.floor(r() * out.length)] = Math.floor(r() * 256);
    return out;
  },
  (b, _, r) => b.slice(0, place(b, r)),
  (b, _, r) => {
    const [from, to] = [place(b, r), place(b, r)].sort((x, y) => x - y);
    return join(b.slice(0, from), b.slice(to));
  },
  (b, other, r) => {
    const at = place(b, r);
    const from = place(other, r);
    return join(b.slice(0, at), other.slice(from, from + Math.floor(r() * 400)), b.slice(at));
  },
  (b, _, r) => {
    const from = place(b, r);
    const piece = b.slice(from, from + 1 + Math.floor(r() * 60));
    const times = Math.min(Math.floor(MOST / Math.max(1, piece.length)), Math.floor(2 ** (r() * 14)));
    return join(b.slice(0, from), ...Array.from({ length: times }, () => piece), b.slice(from));
  },
  (b, _, r) => {
    const s = new TextDecoder('latin1').decode(b);
    const numbers = [...s.matchAll(/\d+/g)];
    if (!numbers.length) return b;
    const m = pick(numbers, r);
    return join(b.slice(0, m.index), text(pick(NUMBERS, r)), b.slice(m.index + m[0].length));
  },
  (b, _, r) => {
    const at = place(b, r);
    return join(b.slice(0, at), text(pick(WORDS, r).repeat(1 + Math.floor(2 ** (r() * 8)))), b.slice(at));
  },
];

/** The n-th broken input made of some good ones: one to four things gone wrong. */
export function mutated(seeds: readonly Uint8Array[], seed: number, n: number): Uint8Array {
  const random = chance(seed * 1_000_003 + n);
  let bytes = pick(seeds, random);
  const steps = 1 + Math.floor(random() * 4);
  for (let k = 0; k < steps; k++) bytes = pick(STEPS, random)(bytes, pick(seeds, random), random).slice(0, MOST);
  return bytes;
}
