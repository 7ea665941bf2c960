import { centsOf, centsOfState, Decoder, SILENCE } from './decode.ts';
import { FrameReader } from './frame.ts';
import { Halver } from './halver.ts';
import { FRAMES_BEFORE, LEVELS_A_FRAME } from './dips.ts';
import { HOP_SECONDS, notesOf, WATCHED_FRAMES, tuningOf, type HeardNote, type Run } from './runs.ts';

/** A frame is decided when this many more have been heard; what sounds now after `NOW_LAG`. */
const LAG = 25;
const NOW_LAG = 2;
const LEVEL_SECONDS = 0.014;
const RING_SECONDS = 1;

/** What the tracker has heard of a frame, kept until it is decided. */
interface Kept {
  readonly cents: Float64Array;
  readonly score: Float64Array;
  count: number;
}

/** What sounds now. */
export interface Sounding {
  readonly midi: number;
  /** Above or below the note at A 440. */
  readonly cents: number;
}

export interface Track {
  readonly notes: readonly HeardNote[];
  /** Cents that the whole is above A 440. */
  readonly tuning: number;
  readonly seconds: number;
  /** Loudest sample, 0 to 1. */
  readonly peak: number;
  /** The pitch as time passes, where one was heard. */
  readonly curve: readonly CurvePoint[];
}

export interface CurvePoint {
  /** Seconds. */
  readonly at: number;
  /** Hundredths of a semitone, A 440 at 6900. */
  readonly cents: number;
  /** In dB of full scale. */
  readonly level: number;
}

/**
 * Hears the notes of one recorder or whistle in a stream of samples. The same samples give the same notes whatever the
 * chunks they come in; what sounds now is known within 60 ms, a note when it has ended.
 */
export class Tracker {
  private readonly halver: Halver | null;
  private readonly rate: number;
  private readonly hop: number;
  private readonly ring: Float32Array;
  private readonly reader: FrameReader;
  private readonly decoder = new Decoder(LAG);
  private readonly kept: Kept[];
  private readonly level: LevelReader;
  private written = 0;
  private frame = 0;
  private decided = 0;
  private peak = 0;
  private run: Run | null = null;
  /** Runs that ended a short while ago: they may go on under another sound. */
  private watched: Run[] = [];
  private readonly runs: Run[] = [];

  /** @param rate samples a second, 16,000 to 48,000. */
  constructor(rate: number) {
    this.halver = rate >= 32_000 ? new Halver() : null;
    this.rate = this.halver === null ? rate : rate / 2;
    this.hop = HOP_SECONDS * this.rate;
    this.ring = new Float32Array(2 ** Math.ceil(Math.log2(RING_SECONDS * this.rate)));
    this.reader = new FrameReader(this.rate);
    this.level = new LevelReader(this.rate, LEVEL_SECONDS);
    this.kept = Array.from({ length: LAG + 1 }, () => ({
      cents: new Float64Array(8),
      score: new Float64Array(8),
      count: 0,
    }));
  }

  /** Takes in the next samples, -1 to 1. */
  push(samples: Float32Array): void {
    for (const sample of samples) {
      const size = Math.abs(sample);
      if (size > this.peak) this.peak = size;
      const kept = this.halver === null ? sample : this.halver.next(sample);
      if (kept === null) continue;
      this.ring[this.written & (this.ring.length - 1)] = kept;
      this.written++;
      if (this.written >= this.startOf(this.frame) + this.reader.window) this.hear();
    }
  }

  /** What sounds now, with the latest that is known. */
  now(): Sounding | null {
    if (this.frame <= NOW_LAG) return null;
    const state = this.decoder.before(NOW_LAG);
    if (state === SILENCE) return null;
    const cents = this.centsAt(this.frame - 1 - NOW_LAG, state);
    const midi = Math.round(cents / 100);
    return { midi, cents: cents - midi * 100 };
  }

  /** The end: all that was heard. The tracker takes no more. */
  finish(): Track {
    const seconds = this.written / this.rate;
    // The last frames have no frames after them: silence is put behind.
    const rest = new Float32Array(Math.ceil((LAG + 2) * this.hop) * (this.halver === null ? 1 : 2));
    this.push(rest);
    this.close();
    const notes = notesOf(this.runs, (frame) => this.timeOf(frame));
    return { notes, tuning: tuningOf(notes), seconds, peak: this.peak, curve: this.curve() };
  }

  private curve(): CurvePoint[] {
    return this.runs.flatMap((run) =>
      run.cents.map((cents, index) => ({
        at: this.timeOf(run.first + index),
        cents,
        level: run.levels[(FRAMES_BEFORE + index) * LEVELS_A_FRAME]!,
      })),
    );
  }

  private startOf(frame: number): number {
    return Math.round(frame * this.hop);
  }

  /** The middle of a frame, in seconds. */
  private timeOf(frame: number): number {
    return (this.startOf(frame) + this.reader.window / 2) / this.rate;
  }

  private hear(): void {
    const candidates = this.reader.read(this.ring, this.startOf(this.frame));
    const kept = this.kept[this.frame % this.kept.length]!;
    kept.count = candidates.count;
    for (let index = 0; index < candidates.count; index++) {
      kept.cents[index] = centsOf(candidates.hertz[index]!);
      kept.score[index] = candidates.score[index]!;
    }
    this.frame++;
    const state = this.decoder.push(candidates);
    if (state !== null) this.decide(state);
  }

  /** The candidate of a frame that belongs to a state, in cents; the state's own pitch without one. */
  private centsAt(frame: number, state: number): number {
    const kept = this.kept[frame % this.kept.length]!;
    const middle = centsOfState(state);
    let best = middle;
    let apart = 90;
    for (let index = 0; index < kept.count; index++) {
      const off = Math.abs(kept.cents[index]! - middle);
      if (off < apart) [apart, best] = [off, kept.cents[index]!];
    }
    return best;
  }

  private scoreAt(frame: number): number {
    const kept = this.kept[frame % this.kept.length]!;
    let most = 0;
    for (let index = 0; index < kept.count; index++) most = Math.max(most, kept.score[index]!);
    return most;
  }

  private decide(state: number): void {
    const frame = this.decided++;
    if (this.run !== null && this.run.state !== state) this.close();
    this.watched = this.watched.filter((run) => frame - run.first - run.cents.length < WATCHED_FRAMES);
    for (const run of this.watched) this.readLevels(run.after, frame, run.cents.at(-1)!);
    if (state === SILENCE) return;
    const cents = this.centsAt(frame, state);
    if (this.run === null) {
      this.run = { state, first: frame, cents: [], scores: [], levels: [], after: [] };
      for (let ago = FRAMES_BEFORE; ago > 0; ago--) this.readLevels(this.run.levels, frame - ago, cents);
    }
    this.run.cents.push(cents);
    this.run.scores.push(this.scoreAt(frame));
    this.readLevels(this.run.levels, frame, cents);
  }

  private readLevels(into: number[], frame: number, cents: number): void {
    const middle = this.startOf(frame) + this.reader.window / 2;
    for (let part = 0; part < LEVELS_A_FRAME; part++) {
      const at = Math.round(middle + (part * this.hop) / LEVELS_A_FRAME);
      into.push(this.level.read(this.ring, at, 440 * 2 ** ((cents - 6900) / 1200)));
    }
  }

  private close(): void {
    if (this.run === null) return;
    this.runs.push(this.run);
    this.watched.push(this.run);
    this.run = null;
  }
}

/** The level of one pitch in a moment: Goertzel's filter (1958) over a short Hann window, first and second partial. */
class LevelReader {
  private readonly rate: number;
  private readonly hann: Float64Array;

  constructor(rate: number, seconds: number) {
    this.rate = rate;
    const length = Math.round(seconds * rate);
    this.hann = Float64Array.from(
      { length },
      (_, at) => (0.5 - 0.5 * Math.cos((2 * Math.PI * (at + 0.5)) / length)) * (4 / length),
    );
  }

  /** In dB of full scale; at is the number of the window's middle sample. */
  read(ring: Float32Array, at: number, hertz: number): number {
    const { hann } = this;
    const mask = ring.length - 1;
    const from = at - (hann.length >> 1);
    if (from < 0) return -120;
    const factor = 2 * Math.cos((2 * Math.PI * hertz) / this.rate);
    let [one, two] = [0, 0];
    for (let index = 0; index < hann.length; index++) {
      const value = ring[(from + index) & mask]! * hann[index]! + factor * one - two;
      two = one;
      one = value;
    }
    return 10 * Math.log10(one * one + two * two - factor * one * two + 1e-12);
  }
}
