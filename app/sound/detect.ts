import { Detector, type DetectOptions, type HeardPitch } from './listen/detector';

/** Samples that are given at once: as a worklet gives them. */
const BLOCK = 2048;

/**
 * The single notes in samples from -1 to 1: their pitch, when each begins in ms, and how clear it is. `clicksMs` are times at which a
 * metronome sounds in the room; its clicks are no notes. By the same detector that listens live.
 */
export function detectNotes(
  samples: Float32Array,
  sampleRate: number,
  { clicksMs = [], ...o }: DetectOptions & { readonly clicksMs?: readonly number[] } = {},
): Omit<HeardPitch, 'cents'>[] {
  const detector = new Detector(sampleRate, o);
  const clicks = [...clicksMs].sort((a, b) => a - b);
  const heard: HeardPitch[] = [];
  let told = 0;
  for (let at = 0; at < samples.length; at += BLOCK) {
    while (told < clicks.length && clicks[told]! <= ((at + BLOCK) / sampleRate) * 1000 + 200) detector.click(clicks[told++]!);
    heard.push(...detector.feed(samples.slice(at, at + BLOCK)));
  }
  return [...heard, ...detector.end()].map(({ midi, atMs, clarity }) => ({ midi, atMs, clarity }));
}
