import FFT from 'fft.js';

/** Samples of a frame and from frame to frame; frames that the one compared with lies before. (Tried on rendered strings.) */
export const FRAME = 1024;
export const HOP = 128;
const LAG = 4;
/** How far bins are compared in frequency: a vibrato or a slide is no onset (maximum filter, Böck and Widmer, "Maximum filter vibrato suppression for onset detection", DAFx 2013). */
const WIDE = 1;
/** What is louder than this in a bin counts, in shares of full scale. */
const FLOOR = 2e-4;
/** Hz between which spectra are compared. */
const BAND = { low: 60, high: 9000 };

/** Frames before and after that a peak is the highest of, that the mean is taken over, and between two onsets. */
const PEAK = { before: 3, after: 3, mean: 24, apart: 3 };
/** A peak stands out of the mean by so much for each bin compared, and by so many times. */
const RISE = { least: 0.04, times: 1.6 };

/** A place where a note may begin. */
export interface Onset {
  /** Sample, counted from the first that was given. */
  readonly at: number;
  readonly strength: number;
}

/**
 * Finds where notes begin in samples as they come: the rise of the logarithmic spectrum against what lay next to each bin some frames ago.
 * An onset is told FRAME / 2 + 4 hops after it, about 22 ms.
 */
export class Onsets {
  private readonly fft = new FFT(FRAME);
  private readonly window = Float32Array.from({ length: FRAME }, (_, k) => 0.5 - 0.5 * Math.cos((2 * Math.PI * k) / FRAME));
  private readonly spectrum = this.fft.createComplexArray() as number[];
  private readonly input = new Array<number>(FRAME).fill(0);
  private readonly low: number;
  private readonly high: number;
  private readonly logs: Float32Array[] = [];
  private readonly flux: number[] = [];
  private held = new Float32Array(0);
  /** Sample at which `held` begins, and the number of the next frame. */
  private from = 0;
  private frame = 0;
  private last = -Infinity;

  constructor(sampleRate: number) {
    this.low = Math.max(1, Math.floor((BAND.low * FRAME) / sampleRate));
    this.high = Math.min(FRAME / 2 - 2, Math.ceil((BAND.high * FRAME) / sampleRate));
  }

  /** Takes samples; tells the onsets that are settled by them. */
  feed(samples: Float32Array): Onset[] {
    const joined = new Float32Array(this.held.length + samples.length);
    joined.set(this.held);
    joined.set(samples, this.held.length);
    this.held = joined;
    const found: Onset[] = [];
    while (this.frame * HOP + FRAME <= this.from + this.held.length) {
      this.take(this.frame * HOP - this.from);
      const onset = this.peak(this.frame - PEAK.after);
      if (onset) found.push(onset);
      this.frame++;
    }
    const keep = this.frame * HOP - this.from;
    this.held = this.held.slice(keep);
    this.from += keep;
    return found;
  }

  private take(at: number): void {
    for (let k = 0; k < FRAME; k++) this.input[k] = this.held[at + k]! * this.window[k]!;
    this.fft.realTransform(this.spectrum, this.input);
    const logs = new Float32Array(this.high + 2);
    const scale = 4 / FRAME;
    for (let k = this.low - 1; k <= this.high + 1; k++) {
      const size = Math.hypot(this.spectrum[2 * k]!, this.spectrum[2 * k + 1]!) * scale;
      logs[k] = Math.log10(1 + size / FLOOR);
    }
    this.logs.push(logs);
    if (this.logs.length > LAG + 1) this.logs.shift();
    this.flux.push(this.rise());
    if (this.flux.length > PEAK.mean * 4) this.flux.splice(0, this.flux.length - PEAK.mean * 3);
  }

  private rise(): number {
    const now = this.logs[this.logs.length - 1]!;
    const before = this.logs.length > LAG ? this.logs[this.logs.length - 1 - LAG] : null;
    let sum = 0;
    for (let k = this.low; k <= this.high; k++) {
      let most = 0;
      if (before) for (let n = k - WIDE; n <= k + WIDE; n++) if (before[n]! > most) most = before[n]!;
      const by = now[k]! - most;
      if (by > 0) sum += by;
    }
    return sum / (this.high - this.low + 1);
  }

  /** Whether a frame's rise stands out; its flux is the `frame`th from the beginning. */
  private peak(frame: number): Onset | null {
    const at = this.flux.length - 1 - (this.frame - frame);
    if (frame < 0 || at < 0 || frame - this.last < PEAK.apart) return null;
    const here = this.flux[at];
    for (let k = Math.max(0, at - PEAK.before); k <= Math.min(this.flux.length - 1, at + PEAK.after); k++)
      if (this.flux[k]! > here! || (this.flux[k] === here && k < at)) return null;
    let mean = 0;
    let count = 0;
    for (let k = Math.max(0, at - PEAK.mean); k < at - LAG; k++, count++) mean += this.flux[k]!;
    mean = count ? mean / count : 0;
    if (here! < RISE.least || here! < RISE.times * mean) return null;
    this.last = frame;
    return { at: frame * HOP + OFFSET, strength: here! };
  }
}

/** Where in its frame the onset of a peak lies: found on rendered strings. */
const OFFSET = 420;
