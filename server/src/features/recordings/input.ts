import { OUTCOMES } from '@escalier/core/records';
import { z } from 'zod';
import { text } from '../../platform/fields.ts';

/** Seconds of the longest recording. */
export const LONGEST_SECONDS = 180;

export const newRecording = z.object({
  pupilId: z.uuid(),
  stepId: z.uuid(),
  tuneId: z.uuid(),
  fileName: text().trim().max(200),
  seconds: z.coerce.number().positive().max(LONGEST_SECONDS),
});
export type NewRecording = z.infer<typeof newRecording>;

/** Seconds of the longest spoken answer. */
const LONGEST_ANSWER = 60;
export const newAnswer = z.object({
  seconds: z.coerce.number().positive().max(LONGEST_ANSWER),
});

const remarks = z.array(z.string().regex(/^[a-z0-9-]{1,60}$/)).max(20);

export const noteInput = z
  .object({
    heard: z.object({
      outcome: z.enum(OUTCOMES).nullable(),
      remarks,
      words: text().max(2000),
      sure: z.number().min(0).max(1),
    }),
    words: text().trim().max(500),
  })
  .partial();
export type NoteInput = z.infer<typeof noteInput>;

export const storageInput = z.object({
  days: z.int().min(1).max(365),
  megabytes: z.int().min(10).max(20_000),
});
export type StorageInput = z.infer<typeof storageInput>;
