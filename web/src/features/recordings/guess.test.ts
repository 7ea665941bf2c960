// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { guess } from './guess.ts';

const pupils = ['Malia R', 'Malia T', 'Zoë', 'Ben Okafor'].map((name) => ({ id: name, name }));
const titles = ['One Boot', 'Left Foot, Right Foot', 'Goose Walk'];
const read = (path: string) => guess(path, pupils, titles);

describe('who plays what, by the name of the file', () => {
  it('finds the pupil and the step', () => {
    expect(read('Ben step 2.wav')).toEqual({ pupilId: 'Ben Okafor', either: [], step: 2 });
    expect(read('step-3/zoe.m4a')).toEqual({ pupilId: 'Zoë', either: [], step: 3 });
    expect(read('malia_t_1.ogg')).toMatchObject({ pupilId: 'Malia T', step: 1 });
    expect(read('Goose Walk Ben.mp3')).toMatchObject({ pupilId: 'Ben Okafor', step: 3 });
  });

  it('says which two names fit, and guesses nothing it cannot know', () => {
    expect(read('Malia.wav')).toEqual({ pupilId: null, either: ['Malia R', 'Malia T'], step: null });
    expect(read('recording (17).webm')).toEqual({ pupilId: null, either: [], step: null });
  });
});
