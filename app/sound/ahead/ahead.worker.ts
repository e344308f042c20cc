import { port } from '../../workers/port';
import type { ToEngine } from '../engine/messages';
import { Transport } from '../engine/transport';
import type { FromAhead, ToAhead } from './messages';

/** Seconds rendered ahead, in blocks of so many frames; a stall of the page up to that long is not heard. */
const AHEAD = 1.5;
const BLOCK = 4096;
const EVERY = 100; // ms

const tell = (message: FromAhead, transfer: Transferable[] = []): void => port.postMessage(message, transfer);

let transport: Transport | null = null;
let rate = 48000;
/** The frame that is rendered next, and the audio clock as the page told it last. */
let next = 0;
let clock = { frame: 0, at: 0 };

const wall = (): number => performance.timeOrigin + performance.now();
const now = (): number => clock.frame + ((wall() - clock.at) / 1000) * rate;

function obey(t: Transport, message: ToEngine): void {
  if ('sounds' in message) for (const [name, samples] of message.sounds) t.learn(name, samples);
  else if ('forget' in message) t.forget(message.forget);
  else if ('play' in message) {
    next = Math.ceil(now());
    t.play(message.play, next, next + message.inFrames);
  } else if ('change' in message) t.change(message.change);
  else if ('level' in message) t.level(message.level);
  else t.stop(next);
}

function work(): void {
  while (transport?.busy && next < now() + AHEAD * rate) {
    const block = new Float32Array(BLOCK);
    transport.render(block, next);
    tell({ block, frame: next }, [block.buffer]);
    next += BLOCK;
  }
}

self.onmessage = ({ data }: MessageEvent<ToAhead>) => {
  if ('rate' in data) {
    rate = data.rate;
    transport = new Transport(rate, { seam: (seam) => tell({ seam }), end: (end) => tell({ end }) });
    setInterval(work, EVERY);
    return;
  }
  clock = data.clock;
  if (transport && data.order) obey(transport, data.order);
  work();
};
