import { OUTCOMES } from '@escalier/core/records';
import { z } from 'zod';
import { text } from '../../platform/fields.ts';
import { version } from '../../platform/versions.ts';
import { LONGEST_ANSWER, LONGEST_SECONDS } from './checked-sound.ts';

export const newRecording = z.object({
  pupilId: z.uuid(),
  stepId: z.uuid(),
  tuneId: z.uuid(),
  fileName: text().trim().max(200),
  seconds: z.coerce.number().positive().max(LONGEST_SECONDS),
});
export type NewRecording = z.infer<typeof newRecording>;

/** Of words and voice together: who answers has to have seen what stands there. */
const answerVersion = z.coerce.number().pipe(version);
export const newAnswer = z.object({
  seconds: z.coerce.number().positive().max(LONGEST_ANSWER),
  version: answerVersion,
});
export const answerErased = z.object({ version: answerVersion });

const remarks = z.array(z.string().regex(/^[a-z0-9-]{1,60}$/)).max(20);

/** What listening made of it, for the list. */
const heardInput = z.object({
  outcome: z.enum(OUTCOMES).nullable(),
  remarks,
  words: text().max(2000),
  sure: z.number().min(0).max(1),
  failed: z.boolean().optional(),
});

/** What listening made of it, or the teacher's words to the pupil. */
export const noteInput = z.union([
  z.strictObject({ heard: heardInput }),
  z.strictObject({ words: text().trim().max(500), version: answerVersion }),
]);
export type NoteInput = z.infer<typeof noteInput>;
export type WordsInput = Extract<NoteInput, { words: string }>;

export const storageInput = z.object({
  days: z.int().min(1).max(365),
  megabytes: z.int().min(10).max(20_000),
});
export type StorageInput = z.infer<typeof storageInput>;
