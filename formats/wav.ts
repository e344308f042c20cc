import { WaveFile } from 'wavefile';

const FULL = 32767;

/** Samples from -1 to 1 as a WAV file of 16 bits, one channel; what is louder is cut off at the loudest there is. */
export function writeWav(blocks: readonly Float32Array[], sampleRate: number): Uint8Array {
  const samples = new Int16Array(blocks.reduce((sum, b) => sum + b.length, 0));
  let at = 0;
  for (const block of blocks) for (const v of block) samples[at++] = Math.round(Math.max(-1, Math.min(1, v)) * FULL);
  const file = new WaveFile();
  file.fromScratch(1, sampleRate, '16', samples);
  return file.toBuffer();
}
