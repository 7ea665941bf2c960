import { OUTCOMES } from '@escalier/core/records';
import { z } from 'zod';
import { text } from '../../platform/fields.ts';

/** Seconds of the longest recording. */
export const LONGEST_SECONDS = 180;

export const newRecording = z.object({
  pupilId: z.uuid('The id of a pupil.'),
  stepId: z.uuid('The id of a step.'),
  tuneId: z.uuid('The id of a tune.'),
  fileName: text().trim().max(200, 'At most 200 letters.'),
  seconds: z.coerce
    .number()
    .positive('It has no sound.')
    .max(LONGEST_SECONDS, `At most ${LONGEST_SECONDS / 60} minutes.`),
});
export type NewRecording = z.infer<typeof newRecording>;

/** Seconds of the longest spoken answer. */
const LONGEST_ANSWER = 60;
export const newAnswer = z.object({
  seconds: z.coerce.number().positive('It has no sound.').max(LONGEST_ANSWER, `At most ${LONGEST_ANSWER} seconds.`),
});

const remarks = z.array(z.string().regex(/^[a-z0-9-]{1,60}$/, 'The id of a remark.')).max(20);

export const noteInput = z
  .object({
    heard: z.object({
      outcome: z.enum(OUTCOMES).nullable(),
      remarks,
      words: text().max(2000),
      sure: z.number().min(0).max(1),
    }),
    words: text().trim().max(500, 'At most 500 letters.'),
  })
  .partial();
export type NoteInput = z.infer<typeof noteInput>;

export const storageInput = z.object({
  days: z.int('Whole days.').min(1, 'At least 1 day.').max(365, 'At most 365 days.'),
  megabytes: z.int('Whole megabytes.').min(10, 'At least 10 MB.').max(20_000, 'At most 20,000 MB.'),
});
export type StorageInput = z.infer<typeof storageInput>;
