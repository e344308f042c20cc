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

/** Noise and hum of the room that the player sits in, round and round. */
class Room {
  private source: AudioBufferSourceNode | null = null;
  private fullOf = '';

  constructor(
    private readonly out: AudioNode,
    private readonly box: StrokeBox,
  ) {}

  fill(m: Manner): void {
    const key = `${m.noise}/${m.hum}`;
    if (key === this.fullOf) return;
    this.fullOf = key;
    this.empty();
    if (!m.noise && !m.hum) return;
    const { context } = this.out;
    this.source = context.createBufferSource();
    this.source.buffer = this.box.bufferOf(soundOf([], context.sampleRate, m, NOISE_MS));
    this.source.loop = true;
    this.source.connect(this.out);
    this.source.start();
  }

  empty(): void {
    this.source?.stop();
    this.source = null;
  }
}

/** Strokes that sound. */
class Strings {
  private readonly sounding = new Set<AudioBufferSourceNode>();

  constructor(private readonly out: AudioNode) {}

  /** Sounds from `at` until `end`, in s of the context; dies away after. */
  strike(buffer: AudioBuffer, at: number, end: number): void {
    const { context } = this.out;
    const node = context.createBufferSource();
    const gain = context.createGain();
    node.buffer = buffer;
    gain.gain.setValueAtTime(1, Math.max(at, end));
    gain.gain.linearRampToValueAtTime(0, Math.max(at, end) + RELEASE);
    node.connect(gain).connect(this.out);
    node.start(at);
    node.stop(end + 2 * RELEASE);
    this.sounding.add(node);
    node.onended = () => {
      this.sounding.delete(node);
      gain.disconnect();
    };
  }

  hush(): void {
    for (const node of this.sounding) node.stop();
    this.sounding.clear();
  }
}

/** MIDI messages that are still to come. */
class Messages {
  private readonly timers = new Set<ReturnType<typeof setTimeout>>();

  constructor(private readonly note: Parameters<OpenSource>[1]['note']) {}

  /** Sends a note at `atMs`, `inMs` from now. */
  send(pitch: number, atMs: number, inMs: number): void {
    const timer = setTimeout(() => {
      this.timers.delete(timer);
      const midi = noteBegun([0x90, pitch, 96]);
      if (midi !== null) this.note({ midi, atMs, cents: 0, clarity: 1 });
    }, inMs);
    this.timers.add(timer);
  }

  hush(): void {
    this.timers.forEach(clearTimeout);
    this.timers.clear();
  }
}

/** Whatever may come out of some notes, in each kind of stroke. */
const strokesOf = (notes: readonly MeantNote[], m: Manner): Stroke[] =>
  notes.flatMap((n) => (m.wrong ? [-1, 0, 1] : [0]).flatMap((by) => [0, 1, 2].map((k) => strokeOf({ ...n, midi: n.midi + by }, k))));

/**
 * The simulated player: what it is told to play it plays with the faults of its manner, as strings that sound into the ear like a microphone's,
 * or as MIDI messages. Ships, so that everything can be tried without a device.
 */
export const openPlayer: OpenSource = (context, { note }) => {
  const out = context.createGain();
  const box = new StrokeBox(context);
  const room = new Room(out, box);
  const strings = new Strings(out);
  const messages = new Messages(note);
  const manner = (): Manner => MANNER_OF[listenPrefs.get().manner];
  const asMidi = (): boolean => listenPrefs.get().asMidi;
  let seed = 1;
  const fillRoom = (): void => room.fill(manner());
  const unsubscribe = listenPrefs.subscribe(fillRoom);
  fillRoom();

  const sound = (sorted: readonly MeantNote[], m: Manner, most: number, startMs: number): void => {
    const until = heldUntil(sorted, m);
    const inContext = (ms: number): number => (startMs + ms + PLAYER_DELAY) / 1000;
    sorted.forEach((n, k) => {
      const buffer = box.get(strokeOf(n, k), m, most);
      // What could not be made in time is left out rather than played late.
      if (buffer && inContext(n.atMs) >= context.currentTime) strings.strike(buffer, inContext(n.atMs), inContext(until[k]!));
    });
  };
  const strokesFor = async (notes: readonly MeantNote[], m: Manner): Promise<void> => {
    if (!asMidi()) await box.make(strokesOf(notes, m), m, lengthOf(notes, m));
  };
  const hush = (): void => {
    strings.hush();
    messages.hush();
  };

  return Promise.resolve({
    device: '',
    node: out,
    prepare: (notes) => strokesFor(notes, manner()),
    perform: (notes, startMs, exactly) => {
      const m = exactly ? { ...STEADY, level: manner().level } : manner();
      const sorted = played(notes, { ...m, seed: seed++ }).sort((a, b) => a.atMs - b.atMs);
      if (!asMidi()) void strokesFor(notes, m).then(() => sound(sorted, m, lengthOf(notes, m), startMs));
      else for (const { midi, atMs } of sorted) messages.send(midi, startMs + atMs, startMs + atMs - context.currentTime * 1000);
    },
    hush,
    close: () => {
      unsubscribe();
      hush();
      room.empty();
      out.disconnect();
      box.end();
    },
  });
};
