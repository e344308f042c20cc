import { openAhead } from './ahead/output';
import type { Engine, FromEngine } from './engine/messages';
import { levelsOf, soundPrefs } from './output-prefs';
import workletUrl from './engine/transport.worklet.ts?worker&url';

/** The one audio context of this window, with its engine; it rests while nothing sounds. */
export interface Output {
  readonly context: AudioContext;
  readonly engine: Engine;
}

let opening: Promise<Output> | null = null;

/** Opens it once; after a failure the next call tries again. */
export function openOutput(): Promise<Output> {
  opening ??= open().catch((e: unknown) => {
    opening = null;
    throw e;
  });
  return opening;
}

async function open(): Promise<Output> {
  const context = new AudioContext({ latencyHint: 'interactive' });
  try {
    const engine = 'audioWorklet' in context ? await openWorklet(context) : openAhead(context);
    const told = (): void => engine.send({ level: levelsOf(soundPrefs.get()) });
    soundPrefs.subscribe(told);
    told();
    return { context, engine };
  } catch (e) {
    void context.close();
    throw e;
  }
}

async function openWorklet(context: AudioContext): Promise<Engine> {
  await context.audioWorklet.addModule(workletUrl);
  const node = new AudioWorkletNode(context, 'crow-ladder', { numberOfInputs: 0, outputChannelCount: [2] });
  node.connect(context.destination);
  return {
    send: (message, transfer = []) => node.port.postMessage(message, transfer),
    listen: (told) => (node.port.onmessage = ({ data }: MessageEvent<FromEngine>) => told(data)),
  };
}

/** How long a browser may take to let sound begin, in ms. */
const PATIENCE = 2500;

/** Lets the context run; false where the browser does not: no gesture yet, or no audio device. */
export async function wake(context: AudioContext): Promise<boolean> {
  if (context.state === 'running') return true;
  const late = new Promise<void>((done) => setTimeout(done, PATIENCE));
  await Promise.race([context.resume().catch(() => undefined), late]);
  return (context.state as AudioContextState) === 'running';
}

/** The frame that is heard now, a double: what was rendered is on its way to the ear for some milliseconds. */
export function heardFrame(context: AudioContext): number {
  const { contextTime = 0, performanceTime = 0 } = context.getOutputTimestamp();
  if (!performanceTime) return (context.currentTime - (context.outputLatency || 0)) * context.sampleRate;
  const since = Math.min(1, Math.max(0, (performance.now() - performanceTime) / 1000));
  return Math.min(context.currentTime, contextTime + since) * context.sampleRate;
}

const awake = new Set<symbol>();
let resting: ReturnType<typeof setTimeout> | undefined;
const REST_AFTER = 3000; // ms

/** Keeps the context from resting until what is returned is called. */
export function holdAwake(context: AudioContext): () => void {
  const mine = Symbol('awake');
  awake.add(mine);
  return () => {
    if (!awake.delete(mine) || awake.size) return;
    clearTimeout(resting);
    resting = setTimeout(() => {
      if (!awake.size && context.state === 'running') void context.suspend();
    }, REST_AFTER);
  };
}

/** The time of the audio clock, in ms, that is heard at a time of the page's clock. */
export const heardMsAt = (context: AudioContext, performanceMs: number): number =>
  (heardFrame(context) / context.sampleRate) * 1000 + (performanceMs - performance.now());
