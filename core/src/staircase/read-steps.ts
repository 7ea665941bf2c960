import type { Instrument } from '../instruments/index.ts';
import type { Tune } from '../music/index.ts';
import { NOTHING_KNOWN, readTune, type Knowledge, type Reading } from '../reading/index.ts';
import { learned, newsOf, type StepNews } from './news.ts';
import { joinProfiles, profileOf, type TuneProfile } from './profile.ts';

export interface StepReading {
  /** Of the step's first tune, for a class that has learned all steps below. */
  readonly reading: Reading;
  /** All of its tunes as one. */
  readonly profile: TuneProfile;
  /** What all of its tunes bring. */
  readonly news: StepNews;
}

/** The tunes of one step, the first one first. */
export type StepTunes = readonly [Tune, ...Tune[]];

/** Reads the tunes of a staircase, each step for a class that has learned all before it. All tunes of a step count. */
export function readSteps(steps: readonly StepTunes[], on: Instrument): readonly StepReading[] {
  let known: Knowledge = NOTHING_KNOWN;
  return steps.map(([main, ...others]) => {
    const profile = joinProfiles([profileOf('', main, on), ...others.map((tune) => profileOf('', tune, on))]);
    const step = { reading: readTune(main, on, known), profile, news: newsOf(profile, known) };
    known = learned(known, profile);
    return step;
  });
}
