import { listenPrefs } from './listen-prefs';
import { MANNER_OF, STEADY, type Manner } from './manners';
import { noteBegun } from './midi-note';
import { heldUntil, longestStroke, played, RELEASE, soundOf, strokeOf, type MeantNote, type Stroke } from './simulated';
import { PLAYER_DELAY, type OpenSource } from './source';
import type { StrokeOrder, Strokes } from './strokes.worker';

const NOISE_MS = 2000;

/** Strokes as the audio graph plays them, made once in a worker. */
class StrokeBox {
  private readonly worker = new Worker(new URL('./strokes.worker.ts', import.meta.url), { type: 'module' });
  private readonly made = new Map<string, AudioBuffer>();
  private readonly waiting = new Map<number, () => void>();
  private orders = 0;

  constructor(private readonly context: AudioContext) {
    this.worker.onmessage = ({ data: { id, strokes } }: MessageEvent<Strokes>) => {
      for (const [key, samples] of strokes) this.made.set(key, this.bufferOf(samples));
      this.waiting.get(id)?.();
      this.waiting.delete(id);
    };
  }

  bufferOf(samples: Float32Array): AudioBuffer {
    const buffer = this.context.createBuffer(1, samples.length, this.context.sampleRate);
    buffer.copyToChannel(Float32Array.from(samples), 0);
    return buffer;
  }

  get(stroke: Stroke, m: Manner, most: number): AudioBuffer | undefined {
    return this.made.get(keyOf(stroke, m, most));
  }

  /** Makes what is not made yet. */
  async make(strokes: readonly Stroke[], m: Manner, most: number): Promise<void> {
    const missing = [...new Map(strokes.map((s) => [keyOf(s, m, most), s]))].filter(([key]) => !this.made.has(key));
    if (!missing.length) return;
    const id = ++this.orders;
    const ready = new Promise<void>((done) => this.waiting.set(id, done));
    this.worker.postMessage({ id, strokes: missing, manner: m, most, sampleRate: this.context.sampleRate } satisfies StrokeOrder);
    await ready;
  }

  end(): void {
    this.worker.terminate();
  }
}
const keyOf = (s: Stroke, m: Manner, most: number): string => JSON.stringify([s, m.detuned, m.level, most]);

/** Whole seconds that the strokes of some notes are made for: few lengths, so that most are made once. */
const lengthOf = (notes: readonly MeantNote[], m: Manner): number => Math.ceil(longestStroke(notes, m));

/**
 * The simulated player: what it is told to play it plays with the faults of its manner, as strings that sound into the ear like a microphone's,
 * or as MIDI messages. Ships, so that everything can be tried without a device.
 */
export const openPlayer: OpenSource = async (context, { note }) => {
  const out = context.createGain();
  const box = new StrokeBox(context);
  const sounding = new Set<AudioBufferSourceNode>();
  const timers = new Set<ReturnType<typeof setTimeout>>();
  const manner = (): Manner => MANNER_OF[listenPrefs.get().manner];
  const asMidi = (): boolean => listenPrefs.get().asMidi;
  let seed = 1;
  let room: AudioBufferSourceNode | null = null;
  let roomOf = '';

  /** Noise and hum of the manner, round and round. */
  const fillRoom = (): void => {
    const { noise, hum } = manner();
    const key = `${noise}/${hum}`;
    if (key === roomOf) return;
    roomOf = key;
    room?.stop();
    room = null;
    if (!noise && !hum) return;
    room = context.createBufferSource();
    room.buffer = box.bufferOf(soundOf([], context.sampleRate, manner(), NOISE_MS));
    room.loop = true;
    room.connect(out);
    room.start();
  };
  const unsubscribe = listenPrefs.subscribe(fillRoom);
  fillRoom();

  const sound = (sorted: readonly MeantNote[], m: Manner, most: number, startMs: number): void => {
    const until = heldUntil(sorted, m);
    sorted.forEach((n, k) => {
      const at = (startMs + n.atMs + PLAYER_DELAY) / 1000;
      const buffer = box.get(strokeOf(n, k), m, most);
      // What could not be made in time is left out rather than played late.
      if (!buffer || at < context.currentTime) return;
      const end = (startMs + until[k]! + PLAYER_DELAY) / 1000;
      const node = context.createBufferSource();
      const gain = context.createGain();
      node.buffer = buffer;
      gain.gain.setValueAtTime(1, Math.max(at, end));
      gain.gain.linearRampToValueAtTime(0, Math.max(at, end) + RELEASE);
      node.connect(gain).connect(out);
      node.start(at);
      node.stop(end + 2 * RELEASE);
      sounding.add(node);
      node.onended = () => {
        sounding.delete(node);
        gain.disconnect();
      };
    });
  };

  const send = (sorted: readonly MeantNote[], startMs: number): void => {
    for (const n of sorted) {
      const atMs = startMs + n.atMs;
      const timer = setTimeout(() => {
        timers.delete(timer);
        const midi = noteBegun([0x90, n.midi, 96]);
        if (midi !== null) note({ midi, atMs, cents: 0, clarity: 1 });
      }, atMs - context.currentTime * 1000); // prettier-ignore
      timers.add(timer);
    }
  };

  const strokesFor = async (notes: readonly MeantNote[], m: Manner): Promise<void> => {
    const off = m.wrong ? [-1, 0, 1] : [0];
    // Whatever may come out, in each kind.
    const all = notes.flatMap((n) => off.flatMap((by) => [0, 1, 2].map((k) => strokeOf({ ...n, midi: n.midi + by }, k))));
    if (!asMidi()) await box.make(all, m, lengthOf(notes, m));
  };

  return Promise.resolve({
    device: '',
    node: out,
    prepare: (notes) => strokesFor(notes, manner()),
    perform: (notes, startMs, exactly) => {
      const m = exactly ? { ...STEADY, level: manner().level } : manner();
      const sorted = played(notes, { ...m, seed: seed++ }).sort((a, b) => a.atMs - b.atMs);
      if (asMidi()) return send(sorted, startMs);
      void strokesFor(notes, m).then(() => sound(sorted, m, lengthOf(notes, m), startMs));
    },
    hush: () => {
      for (const node of sounding) node.stop();
      sounding.clear();
      timers.forEach(clearTimeout);
      timers.clear();
    },
    close: () => {
      unsubscribe();
      for (const node of sounding) node.stop();
      timers.forEach(clearTimeout);
      room?.stop();
      out.disconnect();
      box.end();
    },
  });
};
