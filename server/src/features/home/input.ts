import { z } from 'zod';
import { localDate, text } from '../../platform/fields.ts';

const bar = z.int('A whole number.').min(0).max(2000);

export const roomInput = z.object({
  /** The last day; null closes the room. */
  until: localDate.nullable(),
});

export const taskInput = z.object({
  task: z
    .object({
      tuneId: z.uuid('The id of a tune.'),
      bars: z
        .tuple([bar, bar])
        .refine(([first, last]) => first <= last, 'The first bar comes before the last.')
        .nullable(),
      tempo: z.int('A whole number.').min(20, 'At least 20.').max(240, 'At most 240.').nullable(),
      words: text().trim().max(200, 'At most 200 letters.'),
    })
    .nullable(),
});
export type TaskInput = z.infer<typeof taskInput>['task'];

export const slipsInput = z.object({ pupilIds: z.array(z.uuid()).min(1, 'Choose at least one pupil.').max(60) });

export const wordsInput = z.object({ words: text().max(100, 'Three words.') });

/** Seconds of the longest recording from home. */
export const LONGEST_HAND_IN = 180;
export const handInInput = z.object({
  tuneId: z.uuid('The id of a tune.'),
  seconds: z.coerce.number().positive('It has no sound.').max(LONGEST_HAND_IN, 'At most 3 minutes.'),
});
export type HandInInput = z.infer<typeof handInInput>;
