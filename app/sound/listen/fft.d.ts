declare module 'fft.js' {
  export default class FFT {
    constructor(size: number);
    createComplexArray(): unknown[];
    realTransform(out: unknown[], input: ArrayLike<number>): void;
  }
}
