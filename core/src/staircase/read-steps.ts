import type { Instrument } from '../instruments/index.ts';
import type { Tune } from '../music/index.ts';
import { chooseNotes, NOTHING_KNOWN, readTune, type Knowledge, type Reading } from '../reading/index.ts';
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

/**
 * Reads the tunes of a staircase, each step for a class that has learned all before it. All tunes of a step count; where
 * two notes are offered in one place, the one that the class knows by then.
 * @param brings what the class knows before the first step.
 */
export function readSteps(
  steps: readonly StepTunes[],
  instrument: Instrument,
  brings: Knowledge = NOTHING_KNOWN,
): readonly StepReading[] {
  let known = brings;
  return steps.map((tunes) => {
    const [main, ...others] = tunes.map((tune) => chooseNotes(tune, known)) as unknown as StepTunes;
    const profile = joinProfiles([
      profileOf('', main, instrument),
      ...others.map((tune) => profileOf('', tune, instrument)),
    ]);
    const step = { reading: readTune(main, instrument, known), profile, news: newsOf(profile, known) };
    known = learned(known, profile);
    return step;
  });
}
