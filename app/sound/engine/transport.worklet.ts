import { Transport } from './transport';
import type { FromEngine, ToEngine } from './messages';

/** The transport on the audio thread: whatever the page does, it goes on, frame by frame. */
class Engine extends AudioWorkletProcessor {
  private readonly transport = new Transport(sampleRate, {
    seam: (at) => this.tell({ seam: at }),
    end: (frame) => this.tell({ end: frame }),
  });

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<ToEngine>) => {
      if ('sounds' in data) for (const [name, samples] of data.sounds) this.transport.learn(name, samples);
      else if ('forget' in data) this.transport.forget(data.forget);
      else if ('play' in data) this.transport.play(data.play, currentFrame, currentFrame + data.inFrames);
      else if ('change' in data) this.transport.change(data.change);
      else if ('level' in data) this.transport.level(data.level);
      else this.transport.stop(currentFrame);
    };
  }

  private tell(message: FromEngine): void {
    this.port.postMessage(message);
  }

  process(_: Float32Array[][], [output]: Float32Array[][]): boolean {
    this.transport.render(output![0]!, currentFrame);
    for (const other of output!.slice(1)) other.set(output![0]!);
    return true;
  }
}

registerProcessor('crow-ladder', Engine);
