/** Half of the taps of a half-band low pass: a sinc under a Blackman window. */
const REACH = 15;

/** Halves the rate of a stream; what lies above a quarter of the rate is taken out first. */
export class Halver {
  private readonly taps: Float64Array;
  private readonly past = new Float64Array(64);
  private at = 0;

  constructor() {
    const length = 2 * REACH + 1;
    const taps = Float64Array.from({ length }, (_, index) => {
      const off = index - REACH;
      const sinc = off === 0 ? 0.5 : Math.sin((Math.PI * off) / 2) / (Math.PI * off);
      const turn = (2 * Math.PI * (index + 1)) / (length + 1);
      return sinc * (0.42 - 0.5 * Math.cos(turn) + 0.08 * Math.cos(2 * turn));
    });
    const sum = taps.reduce((a, b) => a + b, 0);
    this.taps = taps.map((tap) => tap / sum);
  }

  /** Takes a sample; gives one for every second. */
  next(sample: number): number | null {
    const { past, taps } = this;
    past[this.at & 63] = sample;
    this.at++;
    if ((this.at & 1) === 0) return null;
    let sum = taps[REACH]! * past[(this.at - 1 - REACH) & 63]!;
    // Every other tap of a half band is nothing.
    for (let off = 1; off <= REACH; off += 2)
      sum += taps[REACH + off]! * (past[(this.at - 1 - REACH + off) & 63]! + past[(this.at - 1 - REACH - off) & 63]!);
    return sum;
  }
}
