import { port } from '../../workers/port';
import type { Manner } from './manners';
import { strokeSound, type Stroke } from './simulated';

export interface StrokeOrder {
  readonly id: number;
  readonly strokes: [key: string, stroke: Stroke][];
  readonly manner: Manner;
  readonly most: number;
  readonly sampleRate: number;
}
export interface Strokes {
  readonly id: number;
  readonly strokes: [key: string, samples: Float32Array][];
}

self.onmessage = ({ data: { id, strokes, manner, most, sampleRate } }: MessageEvent<StrokeOrder>) => {
  const made = strokes.map(([key, s]): [string, Float32Array] => [key, strokeSound(s, sampleRate, manner, most)]);
  const transfer = made.map(([, samples]) => samples.buffer);
  port.postMessage({ id, strokes: made } satisfies Strokes, transfer);
};
