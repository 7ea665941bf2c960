import type { Candidates } from './frame.ts';

/** The states are silence and the quarter tones from here: fine enough for an instrument that is out of tune. */
const LOWEST_CENTS = 5800;
const HIGHEST_CENTS = 10_400;
const SPACING = 50;
const STATES = (HIGHEST_CENTS - LOWEST_CENTS) / SPACING + 2;
export const SILENCE = 0;

/** Scores from and to which a candidate turns from noise to a note. */
const SCORE = { noise: 0.22, sure: 0.62 };
/** The quietest that counts, in dB of full scale. */
const FAINTEST = -72;
const CENTS_WIDTH = 38;
const FLOOR = 1e-3;
/** Costs (natural logarithm) of beginning, ending and changing a note. */
const BEGIN = 3;
const END = 3;
const CHANGE = 5;

/** The middle of a state. */
export const centsOfState = (state: number): number => LOWEST_CENTS + (state - 1) * SPACING;

/** Hundredths of a semitone, A 440 at 6900. */
export const centsOf = (hertz: number): number => 6900 + 1200 * Math.log2(hertz / 440);

/**
 * What most likely sounded, frame by frame: a hidden Markov model over quarter tones and silence, decoded by Viterbi's
 * algorithm with a fixed lag (Viterbi 1967; fixed lag after Forney 1973), so that a stream gives the same whatever its chunks.
 */
export class Decoder {
  private cost = new Float64Array(STATES);
  private next = new Float64Array(STATES);
  private readonly likely = new Float64Array(STATES);
  private readonly back: Uint8Array;
  private readonly lag: number;
  private frames = 0;
  private best = SILENCE;

  /** @param lag frames after which a frame is decided. */
  constructor(lag: number) {
    this.lag = lag;
    this.back = new Uint8Array(STATES * (lag + 1));
    this.cost.fill(BEGIN);
    this.cost[SILENCE] = 0;
  }

  /** Takes in a frame; gives the state of the frame `lag` before, once there is one. */
  push(candidates: Candidates): number | null {
    this.observe(candidates);
    const { cost, next, likely, back } = this;
    const row = (this.frames % (this.lag + 1)) * STATES;
    let note = 1;
    for (let state = 2; state < STATES; state++) if (cost[state]! < cost[note]!) note = state;
    let least = Infinity;
    for (let state = 0; state < STATES; state++) {
      let from = state;
      let way = cost[state]!;
      const change = cost[note]! + (state === SILENCE ? END : CHANGE);
      if (change < way) {
        way = change;
        from = note;
      }
      if (state !== SILENCE && cost[SILENCE]! + BEGIN < way) {
        way = cost[SILENCE]! + BEGIN;
        from = SILENCE;
      }
      next[state] = way + likely[state]!;
      back[row + state] = from;
      if (next[state]! < least) {
        least = next[state]!;
        this.best = state;
      }
    }
    for (let state = 0; state < STATES; state++) next[state]! -= least;
    this.cost = next;
    this.next = cost;
    this.frames++;
    return this.frames > this.lag ? this.before(this.lag) : null;
  }

  /** The state that many frames before the last, as far as is known now. */
  before(frames: number): number {
    let state = this.best;
    for (let ago = 0; ago < frames; ago++)
      state = this.back[((this.frames - 1 - ago) % (this.lag + 1)) * STATES + state]!;
    return state;
  }

  /** Costs of what was heard under each state. */
  private observe({ count, hertz, score, level }: Candidates): void {
    const { likely } = this;
    likely.fill(0);
    let most = 0;
    for (let index = 0; index < count; index++) {
      if (level[index]! < FAINTEST) continue;
      const sure = Math.max(0, Math.min(1, (score[index]! - SCORE.noise) / (SCORE.sure - SCORE.noise)));
      if (sure === 0) continue;
      most = Math.max(most, sure);
      const place = (centsOf(hertz[index]!) - LOWEST_CENTS) / SPACING + 1;
      const nearest = Math.round(place);
      for (let state = nearest - 2; state <= nearest + 2; state++) {
        if (state < 1 || state >= STATES) continue;
        const apart = ((place - state) * SPACING) / CENTS_WIDTH;
        likely[state] = Math.max(likely[state]!, sure * Math.exp(-0.5 * apart * apart));
      }
    }
    for (let state = 1; state < STATES; state++) likely[state] = -Math.log(FLOOR + (1 - FLOOR) * likely[state]!);
    likely[SILENCE] = -Math.log(FLOOR + (1 - FLOOR) * (1 - most));
  }
}
