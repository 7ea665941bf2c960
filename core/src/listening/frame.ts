import { PowerSpectrum } from './fft.ts';

const WINDOW_SECONDS = 0.046;
const FFT_SIZE = 2048;
/** Below it lie rumble and hum; a tenor recorder's lowest note is at 262. */
const LOWEST_HERTZ = 240;
const HIGHEST_HERTZ = 3000;
const BAND_TOP_HERTZ = 7500;
const PEAKS = 5;
/** Share of a frame's energy under which a peak is no candidate. */
const WEAKEST_PEAK = 0.003;
const HARMONICS = 6;
/** A partial under a candidate that is stronger than this share of it, and the candidate is itself a partial. */
const UNDERTONE = 0.12;

/** What may sound in a frame: up to `count` pitches, each with how well it explains the frame, 0 to 1. */
export interface Candidates {
  count: number;
  readonly hertz: Float64Array;
  readonly score: Float64Array;
  /** Power of the partials, in dB of full scale. */
  readonly level: Float64Array;
}

/**
 * The pitches that explain a short frame. A duct flute's fundamental is stronger than its overtones, so each high peak
 * of the spectrum is a candidate; it scores by the share of the frame's energy that its partials hold.
 */
export class FrameReader {
  readonly window: number;
  readonly candidates: Candidates = {
    count: 0,
    hertz: new Float64Array(PEAKS),
    score: new Float64Array(PEAKS),
    level: new Float64Array(PEAKS),
  };
  private readonly spectrum = new PowerSpectrum(FFT_SIZE);
  private readonly frame = new Float64Array(FFT_SIZE);
  private readonly hann: Float64Array;
  private readonly perBin: number;
  /** Bins to either side that a partial's energy reaches to. */
  private readonly lobe: number;
  private readonly scale: number;
  private readonly sums = new Float64Array(FFT_SIZE / 2 + 2);

  /** @param rate samples a second. */
  constructor(rate: number) {
    this.window = Math.min(FFT_SIZE, Math.round(WINDOW_SECONDS * rate));
    this.hann = Float64Array.from(
      { length: this.window },
      (_, at) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (at + 0.5)) / this.window),
    );
    this.perBin = rate / FFT_SIZE;
    this.lobe = Math.ceil((2 * rate) / this.window / this.perBin);
    // So that a full-scale sine has 0 dB.
    this.scale = 16 / (1.5 * FFT_SIZE * this.window);
  }

  /** @param ring samples by their number, the length a power of two. @param from number of the frame's first sample. */
  read(ring: Float32Array, from: number): Candidates {
    const { frame, hann, window, candidates } = this;
    const mask = ring.length - 1;
    for (let at = 0; at < window; at++) frame[at] = ring[(from + at) & mask]! * hann[at]!;
    this.spectrum.measure(frame);
    const { power } = this.spectrum;
    const low = Math.ceil(LOWEST_HERTZ / this.perBin);
    const high = Math.min(power.length - 3, Math.floor(HIGHEST_HERTZ / this.perBin));
    const top = Math.min(power.length - 3, Math.floor(BAND_TOP_HERTZ / this.perBin));
    const { sums } = this;
    sums[0] = 0;
    for (let k = 0; k <= top; k++) sums[k + 1] = sums[k]! + power[k]!;
    const all = sums[top + 1]! - sums[low - 2]!;
    candidates.count = 0;
    if (all <= 0) return candidates;
    for (let k = low; k <= high; k++) {
      const here = power[k]!;
      if (here < WEAKEST_PEAK * all || here < power[k - 1]! || here <= power[k + 1]!) continue;
      this.keep(k, here);
    }
    for (let index = 0; index < candidates.count; index++) this.rate(index, all, top);
    return candidates;
  }

  /** Keeps the strongest peaks, the strongest first; `level` holds their power and `hertz` their bin until they are rated. */
  private keep(bin: number, power: number): void {
    const { hertz, level } = this.candidates;
    let at = this.candidates.count;
    if (at === PEAKS) {
      if (level[PEAKS - 1]! >= power) return;
      at--;
    } else this.candidates.count++;
    while (at > 0 && level[at - 1]! < power) {
      level[at] = level[at - 1]!;
      hertz[at] = hertz[at - 1]!;
      at--;
    }
    level[at] = power;
    hertz[at] = bin;
  }

  private rate(index: number, all: number, top: number): void {
    const { hertz, score, level } = this.candidates;
    const { power } = this.spectrum;
    const bin = hertz[index]!;
    const [a, b, c] = [power[bin - 1]!, power[bin]!, power[bin + 1]!].map((each) => Math.log(each + 1e-30)) as [
      number,
      number,
      number,
    ];
    const place = bin + (0.5 * (a - c)) / (a - 2 * b + c);
    const first = this.around(place, this.lobe);
    let comb = 0;
    let strongest = first;
    for (let number = 1; number <= HARMONICS; number++) {
      const at = place * number;
      if (at > top - this.lobe) break;
      const partial = this.around(at, this.lobe);
      comb += partial;
      strongest = Math.max(strongest, partial);
    }
    // As a second or third partial of something lower, it has neighbours where a fundamental has none.
    const under = Math.max(
      this.around(place / 2, 2),
      this.around((place * 3) / 2, 2),
      this.around(place / 3, 2),
      this.around((place * 2) / 3, 2),
    );
    const doubt = Math.min(1, under / (UNDERTONE * first));
    score[index] = Math.min(1, comb / all) * Math.sqrt(first / strongest) * (1 - 0.7 * doubt * doubt);
    level[index] = 10 * Math.log10(comb * this.scale + 1e-12);
    hertz[index] = place * this.perBin;
  }

  /** Energy of the bins around a place. */
  private around(place: number, reach: number): number {
    const from = Math.max(0, Math.round(place) - reach);
    const to = Math.min(this.sums.length - 2, Math.round(place) + reach);
    return to < from ? 0 : this.sums[to + 1]! - this.sums[from]!;
  }
}
