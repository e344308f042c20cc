/** The audio thread's own world, which TypeScript does not know. */
declare const sampleRate: number;
declare const currentFrame: number;
declare function registerProcessor(name: string, make: new () => AudioWorkletProcessor): void;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
