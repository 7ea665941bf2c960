/**
 * Power spectra of real frames, by the complex FFT of half the length (Sorensen et al., "Real-valued fast Fourier
 * transform algorithms", 1987). Buffers are made once and used again.
 */
export class PowerSpectrum {
  /** Powers of the bins 0 to size / 2 of the last frame. */
  readonly power: Float64Array;
  private readonly half: number;
  private readonly re: Float64Array;
  private readonly im: Float64Array;
  private readonly cos: Float64Array;
  private readonly sin: Float64Array;
  private readonly order: Uint16Array;

  /** @param size samples a frame, a power of two from 8 to 65,536. */
  constructor(size: number) {
    this.half = size / 2;
    this.power = new Float64Array(this.half + 1);
    this.re = new Float64Array(this.half);
    this.im = new Float64Array(this.half);
    this.cos = Float64Array.from({ length: this.half }, (_, k) => Math.cos((2 * Math.PI * k) / size));
    this.sin = Float64Array.from({ length: this.half }, (_, k) => Math.sin((2 * Math.PI * k) / size));
    this.order = new Uint16Array(this.half);
    const bits = Math.log2(this.half);
    for (let index = 0; index < this.half; index++)
      for (let bit = 0; bit < bits; bit++) if (index & (1 << bit)) this.order[index]! |= 1 << (bits - 1 - bit);
  }

  /** Fills `power` from frames[0 … size). */
  measure(frame: Float64Array): void {
    const { half, re, im, order } = this;
    for (let index = 0; index < half; index++) {
      const from = order[index]! * 2;
      re[index] = frame[from]!;
      im[index] = frame[from + 1]!;
    }
    this.transform();
    this.power[0] = (re[0]! + im[0]!) ** 2;
    this.power[half] = (re[0]! - im[0]!) ** 2;
    for (let k = 1; k < half; k++) {
      const m = half - k;
      const evenRe = (re[k]! + re[m]!) / 2;
      const evenIm = (im[k]! - im[m]!) / 2;
      const oddRe = (im[k]! + im[m]!) / 2;
      const oddIm = (re[m]! - re[k]!) / 2;
      const real = evenRe + oddRe * this.cos[k]! + oddIm * this.sin[k]!;
      const imaginary = evenIm + oddIm * this.cos[k]! - oddRe * this.sin[k]!;
      this.power[k] = real * real + imaginary * imaginary;
    }
  }

  /** In place, radix 2, from bit-reversed order. */
  private transform(): void {
    const { half, re, im, cos, sin } = this;
    for (let span = 1; span < half; span *= 2) {
      const stride = half / span;
      for (let j = 0; j < span; j++) {
        const wr = cos[j * stride]!;
        const wi = -sin[j * stride]!;
        for (let a = j; a < half; a += span * 2) {
          const b = a + span;
          const tr = re[b]! * wr - im[b]! * wi;
          const ti = re[b]! * wi + im[b]! * wr;
          re[b] = re[a]! - tr;
          im[b] = im[a]! - ti;
          re[a]! += tr;
          im[a]! += ti;
        }
      }
    }
  }
}
