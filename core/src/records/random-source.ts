import { seeded } from '../practice/index.ts';

/** Numbers by lot, the same for the same seed: even, normal and beta. */
export class RandomSource {
  /** From 0 up to, but not including, 1. */
  readonly next: () => number;
  #spare: number | null = null;

  constructor(seed: number) {
    this.next = seeded(seed);
  }

  /** Mean 0, spread 1, by the polar method of Marsaglia. */
  normal(): number {
    if (this.#spare !== null) {
      const spare = this.#spare;
      this.#spare = null;
      return spare;
    }
    for (;;) {
      const [x, y] = [2 * this.next() - 1, 2 * this.next() - 1];
      const square = x * x + y * y;
      if (square >= 1 || square === 0) continue;
      const scale = Math.sqrt((-2 * Math.log(square)) / square);
      this.#spare = y * scale;
      return x * scale;
    }
  }

  /** Between 0 and 1. @param a,b above 0; the mean is a ÷ (a + b). */
  beta(a: number, b: number): number {
    const [x, y] = [this.gamma(a), this.gamma(b)];
    // Kept off the ends, where odds have no meaning.
    return Math.min(0.999, Math.max(0.001, x / (x + y)));
  }

  /** Of the shape given and scale 1, by Marsaglia and Tsang (2000). */
  gamma(shape: number): number {
    if (shape < 1) return this.gamma(shape + 1) * Math.max(this.next(), 1e-12) ** (1 / shape);
    const d = shape - 1 / 3;
    const c = 1 / Math.sqrt(9 * d);
    for (;;) {
      const x = this.normal();
      const v = (1 + c * x) ** 3;
      if (v <= 0) continue;
      if (Math.log(Math.max(this.next(), 1e-300)) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
    }
  }
}
