declare module 'verovio/wasm' {
  export default function createVerovioModule(): Promise<object>;
}
declare module 'verovio/esm' {
  export class VerovioToolkit {
    constructor(module: object);
    loadData(data: string): number | boolean;
    renderToMIDI(): string;
    destroy(): void;
  }
}
