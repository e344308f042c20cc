/**
 * A twin of the search for grips, written from docs/hand.md with plain loops: every fret of every string, every finger on every
 * stopped string. Slow, for small necks. Its numbers are those of the page, not of the code.
 */
const FINGER = [0, 2, 2.5, 3, 4.5];
const SHARE: Record<string, number> = { '12': 0.58, '13': 0.84, '14': 1, '23': 0.46, '24': 0.74, '34': 0.46 };
const BEYOND: Record<string, number> = { '12': 1, '13': 1, '14': 2, '23': 1, '24': 1, '34': 1 };
const FLAT = [0, 36, 2, 4, 3];

export interface Neck {
  /** MIDI of the open strings, string 1 first. */
  open: number[];
  frets: number;
  lengthMm: number;
  spanMm: number;
}

const at = (n: Neck, fret: number): number => n.lengthMm * (1 - 2 ** (-fret / 12));

/** Whether the strings between the thickest and thinnest that a finger stops are stopped there or above. */
function liesFlat(frets: number[], strings: number[], fret: number): boolean {
  for (let s = Math.min(...strings); s <= Math.max(...strings); s++) if (frets[s - 1]! < fret) return false;
  return true;
}

/** What one way of fingering costs; null where a rule forbids it. `fingers` by string, 0 where none is needed. */
function handCost(n: Neck, frets: number[], fingers: number[]): number | null {
  const used = [1, 2, 3, 4].filter((f) => fingers.includes(f));
  const stringsOf = (f: number): number[] => fingers.flatMap((g, k) => (g === f ? [k + 1] : []));
  const fretOf = (f: number): number => frets[stringsOf(f)[0]! - 1]!;
  let cost = 0;
  for (const f of used) {
    const strings = stringsOf(f);
    if (strings.some((s) => frets[s - 1] !== fretOf(f))) return null;
    const over = Math.max(...strings) - Math.min(...strings) + 1;
    if (over > FLAT[f]! || !liesFlat(frets, strings, fretOf(f))) return null;
    cost += FINGER[f]!;
    if (strings.length > 1) cost += (f === 1 ? 4 : f === 3 ? 6 : 18) + over + (fretOf(f) === 1 ? 3 : 0);
  }
  for (const a of used)
    for (const b of used) {
      if (a >= b) continue;
      const apart = fretOf(b) - fretOf(a);
      if (apart < 0) return null;
      if (apart === 0 && Math.min(...stringsOf(a)) < Math.max(...stringsOf(b))) return null;
      const key = `${a}${b}`;
      const mm = at(n, fretOf(b)) - at(n, fretOf(a));
      if (apart > b - a && (apart > b - a + BEYOND[key]! || mm > SHARE[key]! * n.spanMm)) return null;
      if (used.indexOf(b) !== used.indexOf(a) + 1) continue;
      const rest = at(n, fretOf(a) + b - a) - at(n, fretOf(a));
      cost += mm >= rest ? 0.6 * (mm - rest) : 0.05 * (rest - mm);
    }
  return cost;
}

function every<T>(choices: T[][], see: (list: T[]) => void, so: T[] = []): void {
  if (so.length === choices.length) see(so);
  else for (const c of choices[so.length]!) every(choices, see, [...so, c]);
}

/** The least a hand pays for some frets (string 1 first, -1 damped), or null. */
export function leastHold(n: Neck, frets: number[]): number | null {
  const stopped = frets.filter((f) => f > 0);
  if (!stopped.length) return 0;
  let best: number | null = null;
  every(frets.map((f) => (f > 0 ? [1, 2, 3, 4] : [0])), (fingers) => {
    const cost = handCost(n, frets, fingers);
    if (cost !== null && (best === null || cost < best)) best = cost;
  }); // prettier-ignore
  const least = best as number | null;
  return least === null ? null : least + 0.06 * (at(n, Math.max(...stopped)) - at(n, Math.min(...stopped)));
}

export interface TwinChord {
  /** Pitch class of each tone, root first, and whether it may be left out. */
  tones: { chroma: number; optional: boolean }[];
}

/** Every grip of a chord with its cost in mm to a hundredth, keyed by its frets, thickest string first. */
export function everyGrip(n: Neck, { tones }: TwinChord): Map<string, number> {
  const found = new Map<string, number>();
  const choices = n.open.map((open) => [-1, ...Array.from({ length: n.frets + 1 }, (_, f) => f).filter((f) => tones.some((t) => t.chroma === (open + f) % 12))]); // prettier-ignore
  every(choices, (frets) => {
    const sounding = frets.flatMap((f, k) => (f < 0 ? [] : [k]));
    if (!sounding.length) return;
    const midis = sounding.map((k) => n.open[k]! + frets[k]!);
    const missing = tones.filter((t) => !midis.some((m) => m % 12 === t.chroma));
    if (missing.some((t) => !t.optional)) return;
    const inner = frets.flatMap((f, k) => (f < 0 && k > sounding[0]! && k < sounding[sounding.length - 1]! ? [k] : []));
    if (inner.length > 1 || inner.some((k) => frets[k - 1]! <= 0 && frets[k + 1]! <= 0)) return;
    const stopped = frets.filter((f) => f > 0);
    if (stopped.length && Math.max(...stopped) - Math.min(...stopped) > 5) return;
    const hand = leastHold(n, frets);
    if (hand === null) return;
    const low = stopped.length ? Math.min(...stopped) : 1;
    let unisons = 0;
    midis.forEach((m, a) => midis.forEach((o, b) => (unisons += a < b && m === o ? 1 : 0)));
    const cost =
      hand +
      12 * inner.length +
      3.5 * (n.open.length - 1 - sounding[sounding.length - 1]!) +
      7 * sounding[0]! +
      10 * missing.length +
      (Math.min(...midis) % 12 === tones[0]!.chroma ? 0 : 12) +
      8 * unisons +
      0.06 * (at(n, low) - at(n, 1)) +
      (low >= 5 && stopped.length ? 6 * frets.filter((f) => f === 0).length : 0);
    found.set([...frets].reverse().join(' '), Math.round(cost * 100) / 100);
  });
  return found;
}
