import type { Instrument } from '../instruments/index.ts';
import type { Tune } from '../music/index.ts';
import { assess, type Assessment } from './assess.ts';
import { Halver } from './halver.ts';
import { propose, type ListeningRule, type Proposal } from './proposal.ts';
import { Tracker, type Track } from './tracker.ts';
import { stretchScore, tuneScore, withoutRepeats, type Stretch, type TuneScore } from './tune-score.ts';

/** A recording held against a tune. */
export interface Listened {
  readonly track: Track;
  readonly score: TuneScore;
  readonly assessment: Assessment;
  readonly proposal: Proposal;
}

const FASTEST = 48_000;

/** The notes of a recording. @param samples one channel, -1 to 1. @param rate samples a second, from 8,000. */
export function hearNotes(samples: Float32Array, rate: number): Track {
  const [plain, plainRate] = withinReach(samples, rate);
  const tracker = new Tracker(plainRate);
  tracker.push(plain);
  return tracker.finish();
}

function withinReach(samples: Float32Array, rate: number): readonly [Float32Array, number] {
  if (rate <= FASTEST) return [samples, rate];
  const halver = new Halver();
  const half = new Float32Array(samples.length >> 1);
  let at = 0;
  for (const sample of samples) {
    const kept = halver.next(sample);
    if (kept !== null) half[at++] = kept;
  }
  return withinReach(half, rate / 2);
}

/**
 * What was played against a tune, and a result by the class's rule. A pupil who leaves the repeats out has played the
 * tune: of the two ways the one that fits better counts.
 * @param stretch when only that was to be played.
 */
export function listenTo(
  track: Track,
  tune: Tune,
  instrument: Instrument,
  rule: ListeningRule,
  stretch: Stretch | null = null,
): Listened {
  const all = tuneScore(tune, instrument);
  const full = stretch === null ? all : stretchScore(all, stretch);
  const once = withoutRepeats(full);
  const ways = [full, ...(once === null ? [] : [once])].map((score) => ({ score, assessment: assess(track, score) }));
  const { score, assessment } = ways.reduce((a, b) => (troubles(b.assessment) < troubles(a.assessment) ? b : a));
  return { track, score, assessment, proposal: propose(track, score, assessment, rule) };
}

function troubles({ verdicts, extras, restarts }: Assessment): number {
  return verdicts.filter(({ kind }) => kind !== 'right').length + extras.length + restarts.length;
}
