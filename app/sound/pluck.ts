/** How a string is plucked and how it rings. */
export interface Pluck {
  readonly hz: number;
  readonly sampleRate: number;
  /** Seconds until it is 60 dB down, by its fundamental. */
  readonly ring: number;
  /** The same for its overtones about 3 kHz: short is dull. */
  readonly bright: number;
  /** Where along the string the pick is, from the bridge: 0.05 to 0.5. */
  readonly pickAt: number;
  /** Of the noise of the pick. */
  readonly seed: number;
  /** 1 is as loud as every other string. */
  readonly level: number;
  /** No longer than this, in seconds; as long as it rings unless said. */
  readonly most?: number;
}

/** A low A of 55 Hz rings about 7 seconds, a high E of 1319 Hz about 2 (by ear, no published source). */
export const ringOf = (hz: number): number => Math.min(8, Math.max(1.4, 7 * (55 / hz) ** 0.4));

const HIGH = 3000;
/** Every string's loudness: root mean square of its first `HEARD` seconds, so that no note of the range stands out. */
const LOUDNESS = 0.11;
const HEARD = 0.35;
const PEAK = 0.98;

/**
 * A plucked string as samples from -1 to 1: a drawn string and a little noise going round a delay line with a loss, after Karplus and
 * Strong, "Digital Synthesis of Plucked-String and Drum Timbres", Computer Music Journal 7(2), 1983; losses by frequency and the all-pass
 * that tunes it after Jaffe and Smith, "Extensions of the Karplus-Strong Plucked-String Algorithm", same issue. Losses are set in seconds,
 * so that another sample rate sounds the same. As long as it rings to -60 dB, 8 seconds at most. Same input, same samples.
 */
export function pluck({ hz, sampleRate, ring, bright, pickAt, seed, level, most = ring }: Pluck): Float32Array {
  const turn = (2 * Math.PI * hz) / sampleRate;
  const loss = lossAt(hz, sampleRate, ring, bright);
  const lossDelay = Math.atan2(loss * Math.sin(turn), 1 - loss + loss * Math.cos(turn)) / turn;
  const period = sampleRate / hz - lossDelay;
  const whole = Math.floor(period - 0.4);
  const rest = period - whole;
  const allPass = Math.sin(((1 - rest) * turn) / 2) / Math.sin(((1 + rest) * turn) / 2);
  const gain = 10 ** (-3 / (hz * ring)) / Math.hypot(1 - loss + loss * Math.cos(turn), loss * Math.sin(turn));
  const line = drawnString(whole, pickAt, seed);
  const out = new Float32Array(Math.ceil(Math.min(ring, most) * sampleRate));
  let [last, lastIn, lastOut] = [0, 0, 0];
  for (let k = 0, at = 0; k < out.length; k++, at = at + 1 === whole ? 0 : at + 1) {
    const now = line[at]!;
    const lost = gain * ((1 - loss) * now + loss * last);
    last = now;
    const tuned = allPass * (lost - lastOut) + lastIn;
    lastIn = lost;
    lastOut = tuned;
    line[at] = tuned;
    out[k] = now;
  }
  return levelled(faded(throughBody(out, sampleRate), sampleRate), sampleRate, level);
}

/** The share of the sample before in the loss of one round, so that what lies about 3 kHz is 60 dB down after `bright` seconds while the fundamental rings on. */
function lossAt(hz: number, sampleRate: number, ring: number, bright: number): number {
  const perRound = 10 ** (-3 / (hz * bright) + 3 / (hz * ring));
  const q = (1 - perRound ** 2) / (2 * (1 - Math.cos((2 * Math.PI * HIGH) / sampleRate)));
  return (1 - Math.sqrt(Math.max(0, 1 - 4 * Math.min(0.249, q)))) / 2;
}

/** How much of the start is noise of the pick; less on a string so short that its noise would be all there is. */
const NOISE = 0.35;
const SHORT = 150; // samples

/** The string drawn to a corner where it is plucked, with noise from a seed; no offset, or it would never die away. */
function drawnString(length: number, pickAt: number, seed: number): Float32Array {
  const line = new Float32Array(length);
  let state = (seed % 2147483646) + 1;
  let held = 0;
  const noise = NOISE * Math.min(1, length / SHORT);
  for (let k = 0; k < length; k++) {
    state = (state * 16807) % 2147483647;
    held += 0.45 * ((state / 2147483647) * 2 - 1 - held);
    const at = k / length;
    line[k] = (at < pickAt ? at / pickAt : (1 - at) / (1 - pickAt)) + noise * held;
  }
  const mean = line.reduce((a, b) => a + b, 0) / length;
  return line.map((v) => v - mean);
}

/** Air and top of a body, in hertz, how narrow and how strong each is (by ear, no published source). */
const BODY = [
  { hz: 102, q: 8, gain: 0.35 },
  { hz: 204, q: 9, gain: 0.3 },
  { hz: 410, q: 7, gain: 0.18 },
];

/** The string itself and what its body adds: band-passes as in Bristow-Johnson's "Audio EQ Cookbook" (constant peak gain). */
function throughBody(dry: Float32Array, sampleRate: number): Float32Array {
  const out = Float32Array.from(dry);
  for (const { hz, q, gain } of BODY) {
    const turn = (2 * Math.PI * hz) / sampleRate;
    const alpha = Math.sin(turn) / (2 * q);
    const [b0, a1, a2] = [alpha / (1 + alpha), (-2 * Math.cos(turn)) / (1 + alpha), (1 - alpha) / (1 + alpha)];
    let [x1, x2, y1, y2] = [0, 0, 0, 0];
    for (let k = 0; k < dry.length; k++) {
      const y = b0 * (dry[k]! - x2) - a1 * y1 - a2 * y2;
      x2 = x1;
      x1 = dry[k]!;
      y2 = y1;
      y1 = y;
      out[k]! += gain * y;
    }
  }
  return out;
}

/** No click at the start, none at the end. */
function faded(samples: Float32Array, sampleRate: number): Float32Array {
  const rise = Math.floor(0.002 * sampleRate);
  const fall = Math.floor(0.05 * sampleRate);
  const last = samples.length - 1;
  for (let k = 0; k < rise; k++) samples[k]! *= k / rise;
  for (let k = 0; k < fall; k++) samples[last - k]! *= k / fall;
  return samples;
}

function levelled(samples: Float32Array, sampleRate: number, level: number): Float32Array {
  const heard = Math.min(samples.length, Math.floor(HEARD * sampleRate));
  let [square, peak] = [0, 0];
  for (let k = 0; k < heard; k++) square += samples[k]! ** 2;
  for (const v of samples) if (v > peak || -v > peak) peak = Math.abs(v);
  const scale = Math.min(LOUDNESS / Math.sqrt(square / heard), PEAK / peak) * level;
  for (let k = 0; k < samples.length; k++) samples[k]! *= scale;
  return samples;
}
