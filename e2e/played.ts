import { readFileSync } from 'node:fs';
import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { hearNotes, listenTo, PLAIN_RULE, readWav, tuneScore, writeWav, type Listened } from '@escalier/core/listening';
import { recordingOf, type RecordingRecipe } from '@escalier/core/testing';

const TUNE = new URL('../demo/tunes/goose-walk.abc', import.meta.url);

/** One note, held for twenty seconds. @param midi as it sounds. */
export function held(midi: number): Buffer {
  const recipe = { seed: 1, rate: 44_100, voice: 'recorder', tempo: 60, tuning: 0, surroundings: 'quiet' } as const;
  const { samples, rate } = recordingOf([{ onset: 0, duration: 20, midi }], recipe);
  return Buffer.from(writeWav(samples, rate));
}

/** The tune of the class's third step, as a pupil plays it. */
export function played(name: string, seed: number, faults: Partial<RecordingRecipe> = {}) {
  const read = readAbc(readFileSync(TUNE, 'utf8'));
  if (!read.ok) throw new Error('the tune does not read');
  const { notes, tempo } = tuneScore(read.value.tune, instrument('soprano-recorder-baroque'));
  const recipe = { seed, rate: 16_000, voice: 'recorder', tempo, tuning: 0, surroundings: 'quiet', ...faults } as const;
  const { samples, rate } = recordingOf(notes, recipe);
  return { name, mimeType: 'audio/wav', buffer: Buffer.from(writeWav(samples, rate)) };
}

/** What Escalier hears in a sound file of a tune. */
export function listenedTo(wav: Buffer, abc: string): Listened {
  const sound = readWav(wav);
  const read = readAbc(abc);
  if (!sound.ok || !read.ok) throw new Error('the file does not read');
  const on = instrument('soprano-recorder-baroque');
  return listenTo(hearNotes(sound.value.samples, sound.value.rate), read.value.tune, on, PLAIN_RULE);
}
