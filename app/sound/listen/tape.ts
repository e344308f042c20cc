/** The samples that were heard last, and what is measured in them. Places are samples from the first one that was given. */
export class Tape {
  private readonly hann: ReadonlyMap<number, Float32Array>;
  private buffer = new Float32Array(0);
  private from = 0;

  /** Windows have `size` samples, or half as many. */
  constructor(
    private readonly rate: number,
    private readonly size: number,
  ) {
    const windowOf = (n: number): Float32Array => Float32Array.from({ length: n }, (_, k) => 0.5 - 0.5 * Math.cos((2 * Math.PI * k) / n));
    this.hann = new Map([size, size / 2].map((n) => [n, windowOf(n)]));
  }

  /** The place behind the last sample. */
  get end(): number {
    return this.from + this.buffer.length;
  }

  add(samples: Float32Array): void {
    const joined = new Float32Array(this.buffer.length + samples.length);
    joined.set(this.buffer);
    joined.set(samples, this.buffer.length);
    this.buffer = joined;
  }

  /** Keeps the last so many. */
  forget(keep: number): void {
    const gone = Math.max(0, this.buffer.length - keep);
    this.buffer = this.buffer.slice(gone);
    this.from += gone;
  }

  /** A window of samples from a place on, silent where there are none. */
  window(at: number): Float32Array {
    const start = Math.max(0, at - this.from);
    const part = this.buffer.slice(start, start + this.size);
    if (part.length === this.size) return part;
    const padded = new Float32Array(this.size);
    padded.set(part);
    return padded;
  }

  /** Samples from a place on less what repeats with some frequencies: each a comb that a note of that pitch does not pass. */
  without(hzs: readonly number[], start: number): Float32Array {
    const periods = hzs.map((hz) => this.rate / hz);
    const before = periods.reduce((sum, p) => sum + Math.ceil(p) + 1, 0);
    let samples = Float32Array.from({ length: this.size + before }, (_, k) => this.buffer[start - this.from - before + k] ?? 0);
    for (const period of periods) {
      const whole = Math.floor(period);
      const share = period - whole;
      samples = samples.map((v, k) => (k > whole ? v - samples[k - whole]! * (1 - share) - samples[k - whole - 1]! * share : 0));
    }
    return samples.slice(before);
  }

  /** Energy at a frequency in a window from a place on (Goertzel's recurrence, Hann window). */
  energy(hz: number, start: number, size = this.size): number {
    const hann = this.hann.get(size)!;
    const turn = 2 * Math.cos((2 * Math.PI * hz) / this.rate);
    const from = start - this.from;
    const end = Math.min(size, this.buffer.length - from);
    let a = 0;
    let b = 0;
    for (let k = Math.max(0, -from); k < end; k++) {
      const c = this.buffer[from + k]! * hann[k]! + turn * a - b;
      b = a;
      a = c;
    }
    return a * a + b * b - turn * a * b;
  }
}

export function rms(samples: Float32Array): number {
  let sum = 0;
  for (const v of samples) sum += v * v;
  return Math.sqrt(sum / samples.length);
}
