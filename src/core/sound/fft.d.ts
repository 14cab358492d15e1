declare module 'fft.js' {
  /** A radix-4 transform of a size that is a power of two; complex numbers lie as pairs in one array. */
  export default class FFT {
    constructor(size: number);
    realTransform(out: Float64Array, input: Float64Array): void;
  }
}
