import type { Engine, FromEngine } from '../engine/messages';
import type { Clock, FromAhead, ToAhead } from './messages';

/** Fade of a stop, in seconds. */
const FADE = 0.015;

/** Where a browser has no audio worklet: the same engine in a worker, a second and a half ahead of the audio clock. */
export function openAhead(context: AudioContext): Engine {
  const worker = new Worker(new URL('./ahead.worker.ts', import.meta.url), { type: 'module' });
  let told: (message: FromEngine) => void = () => undefined;
  let out = context.createGain();
  out.connect(context.destination);
  const clock = (): Clock => ({ frame: context.currentTime * context.sampleRate, at: performance.timeOrigin + performance.now() });
  const send = (message: ToAhead, transfer: Transferable[] = []): void => worker.postMessage(message, transfer);

  /** What was rendered ahead is faded and never heard. */
  const hush = (): void => {
    const old = out;
    old.gain.setValueAtTime(1, context.currentTime);
    old.gain.linearRampToValueAtTime(0, context.currentTime + FADE);
    setTimeout(() => old.disconnect(), 100);
    out = context.createGain();
    out.connect(context.destination);
  };

  worker.onmessage = ({ data }: MessageEvent<FromAhead>) => {
    if (!('block' in data)) return told(data);
    const buffer = context.createBuffer(1, data.block.length, context.sampleRate);
    buffer.copyToChannel(data.block as Float32Array<ArrayBuffer>, 0);
    const source = context.createBufferSource();
    source.buffer = buffer;
    source.connect(out);
    source.start(data.frame / context.sampleRate);
    send({ clock: clock() });
  };
  send({ rate: context.sampleRate });
  return {
    send: (order, transfer) => {
      if ('stop' in order || 'play' in order) hush();
      send({ clock: clock(), order }, transfer);
    },
    listen: (listener) => (told = listener),
  };
}
