import { EAR_BLOCK, type Block } from './messages';

/** Hands what comes in on, block by block, to a port: the page's thread never sees it. */
class EarProcessor extends AudioWorkletProcessor {
  private out: MessagePort | null = null;
  private block = new Float32Array(EAR_BLOCK);
  private filled = 0;

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<{ readonly port: MessagePort }>) => (this.out = data.port);
  }

  process([input]: Float32Array[][]): boolean {
    const samples = input![0];
    // Where nothing is connected it is silent: time goes on.
    for (let k = 0; k < 128; k++) this.block[this.filled++] = samples?.[k] ?? 0;
    if (this.filled >= EAR_BLOCK) {
      const block: Block = { frame: currentFrame + 128 - EAR_BLOCK, samples: this.block };
      this.out?.postMessage(block, [this.block.buffer]);
      this.block = new Float32Array(EAR_BLOCK);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('crow-ladder-ear', EarProcessor);
