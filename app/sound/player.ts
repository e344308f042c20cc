// By file, not from the package's root: the root makes a context of its own, whose clock the security policy forbids.
import 'tone/build/esm/core/clock/Transport.js';
import 'tone/build/esm/core/context/Destination.js';
import { Context } from 'tone/build/esm/core/context/Context.js';
import { ToneAudioBuffer } from 'tone/build/esm/core/context/ToneAudioBuffer.js';
import { getContext, setContext, start } from 'tone/build/esm/core/Global.js';
import { Sampler } from 'tone/build/esm/instrument/Sampler.js';
import { hertzOf } from '../../core';
import { pluck } from './pluck';

/** One note of what is heard: at a beat, for some beats. */
export interface HeardNote {
  midi: number;
  beat: number;
  beats: number;
}

export interface Playing {
  stop: () => void;
}

/** Reference strings that the sampler bends to all others. */
const SAMPLED = [28, 40, 47, 52, 57, 62, 67, 72, 77, 84];
const LEVEL_DB = -8;
let sampler: Sampler | null = null;

function instrument(): Sampler {
  if (sampler) return sampler;
  setContext(new Context({ latencyHint: 'interactive', clockSource: 'timeout' })); // a worker clock would need blob: in the security policy
  const { sampleRate } = getContext();
  const samples = SAMPLED.map((midi) => [midi, ToneAudioBuffer.fromArray(pluck(hertzOf(midi), 2.4, sampleRate))] as const);
  sampler = new Sampler({ urls: Object.fromEntries(samples), release: 0.25, volume: LEVEL_DB }).toDestination();
  return sampler;
}

/**
 * Plays notes at a tempo in beats a minute. `onNote` is told the index of each note as it sounds, and -1 at the end or
 * on stop. Rejects if the browser gives no sound.
 */
export async function play(notes: HeardNote[], tempo: number, onNote: (index: number) => void): Promise<Playing> {
  const voice = instrument();
  await start();
  const second = 60 / tempo;
  const from = getContext().currentTime + 0.12;
  notes.forEach((n) => voice.triggerAttackRelease(hertzOf(n.midi), n.beats * second * 0.98, from + n.beat * second));
  return follow(voice, notes, second, from, onNote);
}

function follow(voice: Sampler, notes: HeardNote[], second: number, from: number, onNote: (index: number) => void): Playing {
  const last = notes[notes.length - 1];
  const end = last ? (last.beat + last.beats) * second : 0;
  let shown = -1;
  let frame = 0;
  const stop = (): void => {
    cancelAnimationFrame(frame);
    voice.releaseAll();
    voice.dispose();
    sampler = null;
    onNote(-1);
  };
  const look = (): void => {
    const time = getContext().currentTime - from;
    if (time > end) return stop();
    const index = notes.findLastIndex((n) => n.beat * second <= time);
    if (index !== shown) onNote((shown = index));
    frame = requestAnimationFrame(look);
  };
  look();
  return { stop };
}
