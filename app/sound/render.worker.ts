import { port } from '../workers/port';
import { render } from './sounds';

export interface RenderOrder {
  readonly id: number;
  readonly sounds: string[];
  readonly sampleRate: number;
}
export interface Rendered {
  readonly id: number;
  readonly sounds: [name: string, samples: Float32Array][];
}

self.onmessage = ({ data: { id, sounds, sampleRate } }: MessageEvent<RenderOrder>) => {
  const done = sounds.map((name): [string, Float32Array] => [name, render(name, sampleRate)]);
  const transfer = done.map(([, samples]) => samples.buffer);
  port.postMessage({ id, sounds: done } satisfies Rendered, transfer);
};
