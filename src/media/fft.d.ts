/** Fast Fourier transform of power-of-two sizes; complex arrays hold real and imaginary parts in turn. */
declare module 'fft.js' {
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    /** Writes the first half of the spectrum of real samples. */
    realTransform(out: number[], samples: ArrayLike<number>): void;
    /** Fills in the second half. */
    completeSpectrum(spectrum: number[]): void;
    inverseTransform(out: number[], spectrum: number[]): void;
  }
}
