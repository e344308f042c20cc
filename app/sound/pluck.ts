/**
 * A plucked string as samples from -1 to 1: a drawn string and a little noise going round a delay line that averages its neighbours,
 * after Karplus and Strong, "Digital Synthesis of Plucked-String and Drum Timbres", Computer Music Journal 7(2), 1983.
 * The fractional part of the period is made up by an all-pass step, after Jaffe and Smith in the same issue, so that it is in tune.
 * Same input, same samples.
 */
export function pluck(hz: number, seconds: number, sampleRate: number): Float32Array {
  const period = sampleRate / hz - 0.5; // the averaging itself delays by half a sample
  const whole = Math.floor(period - 0.3);
  const rest = period - whole;
  const allPass = (1 - rest) / (1 + rest);
  const line = drawnString(whole);
  const out = new Float32Array(Math.floor(seconds * sampleRate));
  const decay = decayFor(hz);
  let last = 0;
  let lastIn = 0;
  let lastOut = 0;
  for (let k = 0, at = 0; k < out.length; k++, at = (at + 1) % whole) {
    const now = line[at];
    const mean = decay * 0.5 * (now + last);
    last = now;
    const tuned = allPass * (mean - lastOut) + lastIn;
    lastIn = mean;
    lastOut = tuned;
    line[at] = tuned;
    out[k] = now;
  }
  return faded(out, sampleRate);
}

/** High strings would die at once and low ones ring for ever without this. */
const decayFor = (hz: number): number => 0.5 ** (1 / (hz * Math.min(1.4, 160 / hz + 0.35)));

/** Where along the string it is plucked, and how much of the start is noise of the pick. */
const PLUCK_AT = 0.2;
const NOISE = 0.35;

/** The string drawn to a corner where it is plucked, with noise from a fixed seed; no offset, or it would never die away. */
function drawnString(length: number): Float32Array {
  const line = new Float32Array(length);
  let seed = 22222;
  let held = 0;
  for (let k = 0; k < length; k++) {
    seed = (seed * 16807) % 2147483647;
    held += 0.45 * ((seed / 2147483647) * 2 - 1 - held);
    const at = k / length;
    line[k] = (at < PLUCK_AT ? at / PLUCK_AT : (1 - at) / (1 - PLUCK_AT)) + NOISE * held;
  }
  const mean = line.reduce((a, b) => a + b, 0) / length;
  return line.map((v) => v - mean);
}

/** No click at the start, none at the end. */
function faded(samples: Float32Array, sampleRate: number): Float32Array {
  const rise = Math.floor(0.002 * sampleRate);
  const fall = Math.floor(0.05 * sampleRate);
  const last = samples.length - 1;
  for (let k = 0; k < rise; k++) samples[k] *= k / rise;
  for (let k = 0; k < fall; k++) samples[last - k] *= k / fall;
  return samples;
}
