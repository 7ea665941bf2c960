import {
  hearNotes,
  listenTo,
  PLAIN_RULE,
  tuneScore,
  type Listened,
  type ListeningRule,
  type TuneNote,
} from '../listening/index.ts';
import { instrument } from '../instruments/index.ts';
import { tuneOf } from './known-tunes.ts';
import { recordingOf, type Recording, type RecordingRecipe } from './recordings.ts';

export const STILE_AND_GATE = tuneOf(
  [
    ...['X:1', 'T:Stile and Gate', 'M:4/4', 'L:1/4', 'Q:1/4=100', 'K:G', 'G A B2|B A G2|A F A c|B A G2|'],
    'G G A A|B B A2|A F A c|B A G2|]',
  ].join('\n'),
);
const ON = instrument('soprano-recorder-baroque');
export const PLAIN_RECORDING: RecordingRecipe = {
  seed: 1,
  rate: 22_050,
  voice: 'recorder',
  tempo: 100,
  tuning: 0,
  surroundings: 'quiet',
};

/** Its notes, as a pupil is to play them. */
export const STILE_NOTES: readonly TuneNote[] = tuneScore(STILE_AND_GATE, ON).notes;

/** The tune's bars, counted from 1, as somebody plays them who leaves out or repeats. */
export function barsOf(bars: readonly number[]): readonly TuneNote[] {
  return bars.flatMap((bar, place) =>
    STILE_NOTES.filter(({ barIndex }) => barIndex === bar - 1).map((note) => ({
      ...note,
      onset: note.onset + (place - bar + 1) * 4,
    })),
  );
}

/** A made recording held against the tune. */
export function listenToMade(
  recipe: Partial<RecordingRecipe>,
  played: readonly TuneNote[] = STILE_NOTES,
  rule: ListeningRule = PLAIN_RULE,
): Listened & { readonly recording: Recording } {
  const recording = recordingOf(played, { ...PLAIN_RECORDING, ...recipe });
  return { recording, ...listenTo(hearNotes(recording.samples, recording.rate), STILE_AND_GATE, ON, rule) };
}
