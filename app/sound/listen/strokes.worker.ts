import type { Manner } from './manners';
import { strokeSound, type Stroke } from './simulated';

export interface StrokeOrder {
  id: number;
  strokes: [key: string, stroke: Stroke][];
  manner: Manner;
  most: number;
  sampleRate: number;
}
export interface Strokes {
  id: number;
  strokes: [key: string, samples: Float32Array][];
}

self.onmessage = ({ data: { id, strokes, manner, most, sampleRate } }: MessageEvent<StrokeOrder>) => {
  const made = strokes.map(([key, s]): [string, Float32Array] => [key, strokeSound(s, sampleRate, manner, most)]);
  const transfer = made.map(([, samples]) => samples.buffer);
  (self as unknown as Worker).postMessage({ id, strokes: made } satisfies Strokes, transfer);
};
