import { z } from 'zod';
import { localDate, text } from '../../platform/fields.ts';
import { version } from '../../platform/versions.ts';

const bar = z.int().min(0).max(2000);

export const roomInput = z.object({
  /** The last day; null closes the room. */
  until: localDate.nullable(),
});

export const taskInput = z.object({
  task: z
    .object({
      tuneId: z.uuid(),
      bars: z
        .tuple([bar, bar])
        .refine(([first, last]) => first <= last, 'first-last')
        .nullable(),
      tempo: z.int().min(20).max(240).nullable(),
      words: text().trim().max(200),
    })
    .nullable(),
  version,
});
export type TaskInput = z.infer<typeof taskInput>;

export const slipsInput = z.object({ pupilIds: z.array(z.uuid()).min(1).max(60) });

export const wordsInput = z.object({ words: text().max(100) });

/** Seconds of the longest recording from home. */
export const LONGEST_HAND_IN = 180;
export const handInInput = z.object({
  tuneId: z.uuid(),
  seconds: z.coerce.number().positive().max(LONGEST_HAND_IN),
});
export type HandInInput = z.infer<typeof handInInput>;
